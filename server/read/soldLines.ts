import { inArray } from 'drizzle-orm';
import type { OfferBody } from '../../core/offer/offer.ts';
import { offerSums } from '../../core/offer/sums.ts';
import type { Tx } from '../db/connect.ts';
import { component } from '../db/schema/index.ts';
import { BadInput } from '../problems.ts';

/** What an offer, a change or a sale comes to, as it is stored beside it. */
export function sumsOf(body: OfferBody) {
  const { netCents, taxCents, totalCents } = offerSums(body);
  return { netCents, taxCents, totalCents };
}

/** Every part that is sold has to be in the catalogue: it will be ordered, or leave its bin. */
export async function refuseUnknownParts(tx: Tx, lines: OfferBody['lines'], at: string): Promise<void> {
  const ids = lines.flatMap(({ componentId }) => (componentId === null ? [] : [componentId]));
  if (ids.length === 0) return;
  const known = new Set(
    (await tx.select({ id: component.id }).from(component).where(inArray(component.id, ids))).map(({ id }) => id),
  );
  const wrong = lines.findIndex(({ componentId }) => componentId !== null && !known.has(componentId));
  if (wrong >= 0) throw new BadInput({ [`${at}.${wrong}.componentId`]: 'Choose a part from the catalogue.' });
}
