import { and, eq } from 'drizzle-orm';
import type { SignedIn } from '../contract/session.ts';
import type { Db, Tx } from './db/connect.ts';
import { event, idempotencyKey } from './db/schema/index.ts';

export interface Log {
  /** A verb phrase a person can read: "clocked on". */
  readonly what: string;
  readonly resource: string;
  readonly id: string;
  readonly job?: string | null;
  readonly before?: unknown;
  readonly after?: unknown;
}

export interface Change {
  readonly tx: Tx;
  readonly log: (entry: Log) => Promise<void>;
}

/**
 * Runs one change as one transaction that also writes its events. With a key, a repeat of the same request by the same
 * person gets the first answer instead of a second change; a repeat that arrives meanwhile waits for the first.
 */
export async function changeIn<T>(
  db: Db,
  person: SignedIn,
  key: string | null,
  work: (change: Change) => Promise<T>,
): Promise<T> {
  return db.transaction(async (tx) => {
    if (key) {
      const fresh = await tx
        .insert(idempotencyKey)
        .values({ key, personId: person.id })
        .onConflictDoNothing()
        .returning();
      if (fresh.length === 0) {
        const [first] = await tx
          .select({ answer: idempotencyKey.answer })
          .from(idempotencyKey)
          .where(and(eq(idempotencyKey.key, key), eq(idempotencyKey.personId, person.id)));
        return JSON.parse(first?.answer ?? 'null') as T;
      }
    }
    const log = async ({ what, resource, id, job, before, after }: Log) => {
      await tx.insert(event).values({
        personId: person.id,
        what,
        resource,
        resourceId: id,
        jobNumber: job ?? null,
        before: before ?? null,
        after: after ?? null,
      });
    };
    const answer = await work({ tx, log });
    if (key) {
      await tx
        .update(idempotencyKey)
        .set({ answer: JSON.stringify(answer ?? null) })
        .where(and(eq(idempotencyKey.key, key), eq(idempotencyKey.personId, person.id)));
    }
    return answer;
  });
}
