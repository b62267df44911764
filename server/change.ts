import { and, eq } from 'drizzle-orm';
import type { EventResource, Touched } from '../contract/changes.ts';
import type { SignedIn } from '../contract/session.ts';
import { type JobAction, jobRefusal } from '../core/job/states.ts';
import { refusalSentence } from '../wording/job.ts';
import type { Transact, Tx } from './db/connect.ts';
import { one } from './db/one.ts';
import { event, idempotencyKey, job } from './db/schema/index.ts';
import { isClash, ProblemError, RuleBroken } from './problems.ts';

export type StoredJob = typeof job.$inferSelect;

export interface Log {
  /** A verb phrase a person can read: "clocked on". */
  readonly what: string;
  readonly resource: EventResource;
  readonly id: string;
  readonly job?: string | null;
  readonly before?: unknown;
  readonly after?: unknown;
}

export interface Change {
  readonly tx: Tx;
  readonly log: (entry: Log) => Promise<void>;
  /**
   * The job that is changed, locked until the end of the change and held against the table of what may be done in
   * which state. Every change of anything that belongs to a job asks for it first: that is the one order of locks
   * (job, stage, component), and it is why two changes of one job never see half of each other.
   */
  readonly job: (which: JobKey) => Promise<StoredJob>;
}

export type JobKey = { readonly number: string } | { readonly id: string };

/** What marks a request as the same one sent again. */
export interface RequestKey {
  readonly key: string;
  readonly method: string;
  readonly path: string;
  /** Of the body as it was sent, SHA-256. */
  readonly bodyHash: string;
}

/** What a change came to, and what it touched; null where the request had been answered before. */
export interface Changed<T> {
  readonly answer: T;
  readonly touched: readonly Touched[] | null;
}

const TRIES = 3;

/**
 * Runs one change as one transaction that also writes its events. With a key, the same request sent again by the same
 * person gets the first answer instead of a second change; one that arrives meanwhile waits for the first; the key on
 * any other request is refused. Of two changes that wait for each other, the one the database gives up is run again.
 */
export async function changeIn<T>(
  transact: Transact,
  person: SignedIn,
  key: RequestKey | null,
  act: JobAction | null,
  work: (change: Change) => Promise<T>,
): Promise<Changed<T>> {
  for (let tried = 1; ; tried++) {
    try {
      return await transact((tx) => changeOnce(tx, person, key, act, work));
    } catch (error) {
      if (tried === TRIES || !isClash(error)) throw error;
    }
  }
}

async function changeOnce<T>(
  tx: Tx,
  person: SignedIn,
  key: RequestKey | null,
  act: JobAction | null,
  work: (change: Change) => Promise<T>,
): Promise<Changed<T>> {
  const touched: Touched[] = [];
  const first = key && (await firstAnswer(tx, person, key));
  if (first) return { answer: JSON.parse(first.answer ?? 'null') as T, touched: null };
  const log = async ({ what, resource, id, job: number, before, after }: Log) => {
    await tx.insert(event).values({
      personId: person.id,
      what,
      resource,
      resourceId: id,
      jobNumber: number ?? null,
      before: before ?? null,
      after: after ?? null,
    });
    touched.push({ job: number ?? null, resource });
  };
  const answer = await work({ tx, log, job: (which) => lockJob(tx, which, act) });
  if (key) {
    await tx
      .update(idempotencyKey)
      .set({ answer: JSON.stringify(answer ?? null) })
      .where(and(eq(idempotencyKey.key, key.key), eq(idempotencyKey.personId, person.id)));
  }
  return { answer, touched };
}

/** Takes the key for this request; what was answered before when it is taken already by the same request. */
async function firstAnswer(tx: Tx, person: SignedIn, key: RequestKey) {
  const fresh = await tx
    .insert(idempotencyKey)
    .values({ ...key, personId: person.id })
    .onConflictDoNothing()
    .returning({ key: idempotencyKey.key });
  if (fresh.length > 0) return null;
  const first = one(
    await tx
      .select()
      .from(idempotencyKey)
      .where(and(eq(idempotencyKey.key, key.key), eq(idempotencyKey.personId, person.id))),
    'request',
  );
  if (first.method !== key.method || first.path !== key.path || first.bodyHash !== key.bodyHash)
    throw new ProblemError('keyReused', 'This Idempotency-Key was used for another request. Send it with a new one.');
  return first;
}

async function lockJob(tx: Tx, which: JobKey, act: JobAction | null): Promise<StoredJob> {
  const wanted = 'number' in which ? eq(job.number, which.number) : eq(job.id, which.id);
  const stored = one(await tx.select().from(job).where(wanted).for('no key update'), 'job');
  const refusal = act && jobRefusal(stored.state, act);
  if (refusal) throw new RuleBroken(refusalSentence(stored.number, refusal, act));
  return stored;
}
