import { eq } from 'drizzle-orm';
import type { Change, StoredJob } from '../change.ts';
import { one } from '../db/one.ts';
import { addition, offer } from '../db/schema/index.ts';
import { Stale } from '../problems.ts';

/** An offer with its job locked, read under the lock. A stale version is answered with what is stored now. */
export async function lockOffer(
  { tx, job: lock }: Change,
  id: string,
  version: number,
): Promise<{ row: typeof offer.$inferSelect; job: StoredJob }> {
  const { jobId } = one(await tx.select({ jobId: offer.jobId }).from(offer).where(eq(offer.id, id)), 'offer');
  const job = await lock({ id: jobId });
  const row = one(await tx.select().from(offer).where(eq(offer.id, id)), 'offer');
  if (row.version !== version) throw new Stale(row);
  return { row, job };
}

/** A wish with its job locked, read under the lock. */
export async function lockWish(
  { tx, job: lock }: Change,
  id: string,
  version: number,
): Promise<{ row: typeof addition.$inferSelect; job: StoredJob }> {
  const { jobId } = one(await tx.select({ jobId: addition.jobId }).from(addition).where(eq(addition.id, id)), 'change');
  const job = await lock({ id: jobId });
  const row = one(await tx.select().from(addition).where(eq(addition.id, id)), 'change');
  if (row.version !== version) throw new Stale(row);
  return { row, job };
}
