import { useSyncExternalStore } from 'react';
import { mutate } from 'swr';
import type { BenchAct, WaitingAct } from '../../../contract/benchActs.ts';
import { postAct } from '../client.ts';
import { deliver, waitingOf } from './deliver.ts';
import { type ActStore, openActs } from './store.ts';

/** How often what waits is tried again while the page is open. */
const AGAIN_MS = 4000;

interface Outbox {
  readonly acts: readonly WaitingAct[];
  /** Could the server be reached when it was last tried? */
  readonly reachable: boolean;
}

let store: ActStore | null = null;
let now: Outbox = { acts: [], reachable: true };
let sender: string | null = null;
let again: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();

function publish(next: Outbox): void {
  now = next;
  for (const listener of listeners) listener();
}

/** Begins to look after what this person has done: at sign-in, and with each page. */
export async function openOutbox(house: string, personId: string): Promise<void> {
  store = openActs(`dajo-acts-${house}`);
  sender = personId;
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
  const away = await alone(() => deliver(from, of, postAct));
  const acts = await from.all();
  publish({ acts, reachable: away });
  if (!away) again = setTimeout(() => void sendWaiting(), AGAIN_MS);
}

/** What became of an act: taken, kept until the server can be reached, or refused with its reason. */
export type Done = { readonly was: 'taken' | 'waiting' } | { readonly was: 'refused'; readonly why: string };

/**
 * Does an act: it is kept first, so that nothing that happens to the page loses it, then sent with whatever waits before it.
 */
export async function doAct(act: BenchAct, says: string): Promise<Done> {
  const [to, of] = [store, sender];
  if (!to || !of) return { was: 'refused', why: 'Sign in first.' };
  const entry = { key: crypto.randomUUID(), personId: of, made: new Date().toISOString(), act, says, refused: null };
  const seq = await to.add(entry);
  publish({ ...now, acts: await to.all() });
  // One that is under way may have looked before this was kept.
  await sendWaiting();
  const after = (one: WaitingAct) => one.seq === seq;
  if (now.acts.some((one) => after(one) && one.refused === null) && now.reachable) await sendWaiting();
  const left = now.acts.find(after);
  if (!left) return { was: 'taken' };
  if (left.refused === null) return { was: 'waiting' };
  await seen(seq);
  return { was: 'refused', why: left.refused };
}

/** Lets go of one that was refused, once its person has read why. */
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
