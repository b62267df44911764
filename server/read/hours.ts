import { and, eq, gt, sql } from 'drizzle-orm';
import type { Tx } from '../db/connect.ts';
import { timeEntry } from '../db/schema/index.ts';

/** What reaches the server a moment before what was done a moment earlier: so much is the way, not a contradiction. */
export const WAY_MS = 120_000;

/**
 * From when a person can be clocked on who says they began at this moment: then, or where their last hours end where that is
 * a moment later; null where the books have them elsewhere after it.
 */
export async function freeFrom(tx: Tx, personId: string, at: Date): Promise<Date | null> {
  const [last] = await tx
    .select({ to: sql<string | null>`max(${timeEntry.to})::timestamptz` })
    .from(timeEntry)
    .where(and(eq(timeEntry.personId, personId), gt(timeEntry.to, at)));
  if (!last?.to) return at;
  const end = new Date(last.to);
  return end.getTime() - at.getTime() <= WAY_MS ? end : null;
}
