import { and, eq, gt } from 'drizzle-orm';
import type { Tx } from '../db/connect.ts';
import { serialItem, stockBalance, stockPlace } from '../db/schema/index.ts';
import { book, lockStock, quantityAt } from './stock.ts';

/**
 * Two vehicles, or two clients, are the same: what the ledger has at the one is at the other. Where both have something it
 * is moved, so that the history of every number says so; else the place stands for the other from now on.
 */
export async function mergePlaces(
  tx: Tx,
  kind: 'vehicle' | 'client',
  from: string,
  to: string,
  note: string,
): Promise<void> {
  const placeOf = async (of: string) =>
    (
      await tx
        .select({ id: stockPlace.id })
        .from(stockPlace)
        .where(and(eq(stockPlace.kind, kind), eq(stockPlace.of, of)))
    )[0];
  const [gone, stays] = [await placeOf(from), await placeOf(to)];
  if (!gone) return;
  if (!stays) {
    await tx.update(stockPlace).set({ of: to }).where(eq(stockPlace.id, gone.id));
    return;
  }
  const there = await tx
    .select({ componentId: stockBalance.componentId })
    .from(stockBalance)
    .where(and(eq(stockBalance.placeId, gone.id), gt(stockBalance.quantity, 0)))
    .orderBy(stockBalance.componentId);
  for (const { componentId } of there) {
    await lockStock(tx, componentId);
    const quantity = await quantityAt(tx, componentId, gone.id);
    if (quantity <= 0) continue;
    const numbers = await tx
      .select({ id: serialItem.id })
      .from(serialItem)
      .where(and(eq(serialItem.placeId, gone.id), eq(serialItem.componentId, componentId)));
    await book(tx, {
      ...{ kind: 'moved', componentId, fromId: gone.id, toId: stays.id, quantity, byId: null, note },
      serialIds: numbers.map(({ id }) => id),
    });
  }
}
