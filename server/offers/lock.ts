import { eq, inArray } from 'drizzle-orm';
import type { OfferBody } from '../../core/offer/offer.ts';
import { offerSums } from '../../core/offer/sums.ts';
import type { Change, StoredJob } from '../change.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { addition, component, offer } from '../db/schema/index.ts';
import { BadInput, Stale } from '../problems.ts';

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

/** What an offer or a change comes to, as it is stored beside it. */
export function sumsOf(body: OfferBody) {
  const { netCents, taxCents, totalCents } = offerSums(body);
  return { netCents, taxCents, totalCents };
}

/** Every part that is offered has to be in the catalogue: it will be ordered. */
export async function refuseUnknownParts(tx: Tx, lines: OfferBody['lines'], at: string): Promise<void> {
  const ids = lines.flatMap(({ componentId }) => (componentId === null ? [] : [componentId]));
  if (ids.length === 0) return;
  const known = new Set(
    (await tx.select({ id: component.id }).from(component).where(inArray(component.id, ids))).map(({ id }) => id),
  );
  const wrong = lines.findIndex(({ componentId }) => componentId !== null && !known.has(componentId));
  if (wrong >= 0) throw new BadInput({ [`${at}.${wrong}.componentId`]: 'Choose a part from the catalogue.' });
}
