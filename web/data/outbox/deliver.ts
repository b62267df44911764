import { requestOf, type WaitingAct } from '../../../contract/benchActs.ts';
import type { ActStore } from './store.ts';

/** What became of sending one act. */
export type Sent =
  | { readonly was: 'taken' }
  /** The server answered that it does not take it, and why: sending again would change nothing. */
  | { readonly was: 'refused'; readonly why: string }
  /** Nobody knows, so it is sent again: it could not be reached or not answer, nobody is signed in, or somebody else is. */
  | { readonly was: 'unknown'; readonly because: Held };

/** What keeps what waits from being sent. */
export type Held = 'cut' | 'signedOut' | 'another';

export type Post = (request: {
  readonly path: string;
  readonly body: object;
  readonly key: string;
  readonly made: string;
  readonly personId: string;
}) => Promise<Sent>;

/**
 * Sends what waits, in the order it was done, one at a time: each until the server has answered, so that none is left out
 * and none overtakes another. The key makes the server take each once. What it refuses is kept with its reason, and what
 * follows goes on. Answers what keeps the rest of this person's; null: everything is away.
 */
export async function deliver(store: ActStore, personId: string, post: Post): Promise<Held | null> {
  for (const act of waitingOf(await store.all(), personId)) {
    const { key, made } = act;
    const sent = await post({ ...requestOf(act.act), key, made, personId });
    if (sent.was === 'unknown') return sent.because;
    // Only now: a page that dies before this sends it again, and the server knows it by its key.
    if (sent.was === 'taken') await store.drop(act.seq);
    else await store.refuse(act.seq, sent.why);
  }
  return null;
}

/** What waits of one person, the oldest first; what was refused does not wait any more. */
export const waitingOf = (acts: readonly WaitingAct[], personId: string): WaitingAct[] =>
  acts.filter((act) => act.personId === personId && act.refused === null).toSorted((a, b) => a.seq - b.seq);
