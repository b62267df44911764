import { useSyncExternalStore } from 'react';
import { mutate } from 'swr';
import { pathOf } from '../../../contract/address.ts';
import type { BenchAct, WaitingAct } from '../../../contract/benchActs.ts';
import { sessionAddress } from '../../../contract/session.ts';
import { askToSignIn, postAct } from '../client.ts';
import { deliver, type Held, waitingOf } from './deliver.ts';
import { type ActStore, openActs } from './store.ts';

/** How often what waits is tried again while the page is open. */
const AGAIN_MS = 4000;

interface Outbox {
  readonly acts: readonly WaitingAct[];
  /** What kept it from being sent when it was last tried; null: nothing. */
  readonly held: Held | null;
}

let store: ActStore | null = null;
let now: Outbox = { acts: [], held: null };
let sender: { readonly id: string; readonly name: string } | null = null;
/** Is somebody being asked to sign in? */
let asked = false;
let again: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();

function publish(next: Outbox): void {
  now = next;
  for (const listener of listeners) listener();
}

/** Begins to look after what this person has done: at sign-in, and with each page. */
export async function openOutbox(house: string, person: NonNullable<typeof sender>): Promise<void> {
  // Whoever was asked to sign in before has, or is gone.
  asked = false;
  store = openActs(`dajo-acts-${house}`);
  sender = person;
  publish({ ...now, acts: await store.all().catch(() => []) });
  void sendWaiting();
}

/** One sending at a time, over all pages of this browser: the order is that of doing. */
const alone = <T>(work: () => Promise<T>): Promise<T> =>
  navigator.locks ? navigator.locks.request('dajo-acts', work) : work();

let sending: Promise<void> | null = null;

/** Sends what waits; tries again later where the server is not to be reached. */
export function sendWaiting(): Promise<void> {
  sending ??= trySending().finally(() => {
    sending = null;
  });
  return sending;
}

async function trySending(): Promise<void> {
  clearTimeout(again);
  const [from, of] = [store, sender];
  if (!from || !of) return;
  const held = await alone(() => deliver(from, of.id, postAct));
  const acts = await from.all();
  publish({ acts, held });
  if (held === null) return;
  again = setTimeout(() => void sendWaiting(), AGAIN_MS);
  // No page waits for this one while somebody is asked, and nothing waits for an answer that may never come.
  if (held === 'signedOut') askOnce();
  // The page is still the one's, the browser another's: let it show whose it is.
  if (held === 'another') void mutate(pathOf(sessionAddress.now, {})).catch(() => {});
}

function askOnce(): void {
  if (asked) return;
  asked = true;
  const done = () => {
    asked = false;
    void sendWaiting();
  };
  askToSignIn().then(done, done);
}

/** What became of an act: taken, kept until the server can be reached, or refused with its reason. */
export type Done = { readonly was: 'taken' | 'waiting' } | { readonly was: 'refused'; readonly why: string };

/**
 * Does an act: it is kept first, so that nothing that happens to the page loses it, then sent with whatever waits before it.
 */
export async function doAct(act: BenchAct, says: string): Promise<Done> {
  const [to, of] = [store, sender];
  if (!to || !of) return { was: 'refused', why: 'Sign in first.' };
  const who = { personId: of.id, personName: of.name };
  const entry = { key: crypto.randomUUID(), ...who, made: new Date().toISOString(), act, says, refused: null };
  const seq = await to.add(entry);
  publish({ ...now, acts: await to.all() });
  // One that is under way may have looked before this was kept.
  await sendWaiting();
  const after = (one: WaitingAct) => one.seq === seq;
  if (now.acts.some((one) => after(one) && one.refused === null) && now.held === null) await sendWaiting();
  const left = now.acts.find(after);
  if (!left) return { was: 'taken' };
  if (left.refused === null) return { was: 'waiting' };
  await seen(seq);
  return { was: 'refused', why: left.refused };
}

/** Lets go of one: its person has read why it was refused, or a manager has decided that it is not to be stored. */
export async function seen(seq: number): Promise<void> {
  await store?.drop(seq);
  publish({ ...now, acts: (await store?.all()) ?? [] });
  void mutate((key) => typeof key === 'string' && key.startsWith('/jobs/')).catch(() => {});
}

globalThis.addEventListener?.('online', () => void sendWaiting());

/** What waits and what was refused, and whether the server answers. */
export const useOutbox = (): Outbox =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => now,
  );

/** Does anything of this person wait? Then what is done next is taken as things stand when it arrives. */
export const anyWaiting = (personId: string): boolean => waitingOf(now.acts, personId).length > 0;
