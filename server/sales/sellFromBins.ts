import type { SellBody } from '../../contract/sales.ts';
import type { Tx } from '../db/connect.ts';
import type { counterSale } from '../db/schema/index.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { freeStockLocked } from '../read/freeStock.ts';
import { book, lockStock, outOfBins, placeOf } from '../read/stock.ts';

interface Sold {
  readonly sale: typeof counterSale.$inferSelect;
  readonly serials: SellBody['serials'];
  readonly byId: string;
  readonly at: Date;
}

/** Books what is sold out of its bins and to its client; what is held for jobs is not for sale. */
export async function sellFromBins(tx: Tx, { sale, serials, byId, at }: Sold): Promise<void> {
  const pieces = new Map<string, number>();
  for (const { componentId, quantity } of sale.body.lines)
    if (componentId !== null) pieces.set(componentId, (pieces.get(componentId) ?? 0) + quantity);
  const strange = serials.findIndex(({ componentId }) => !pieces.has(componentId));
  if (strange >= 0) throw new BadInput({ [`serials.${strange}.componentId`]: 'This is not among what is sold.' });
  const toId = await placeOf(tx, 'client', sale.clientId);
  // Components in one order, so that two sales never wait for each other.
  for (const [componentId, quantity] of [...pieces].sort(([a], [b]) => (a < b ? -1 : 1))) {
    const { name, unitSize } = await lockStock(tx, componentId);
    const free = await freeStockLocked(tx, componentId);
    if (free < quantity)
      throw new RuleBroken(`Stores have ${Math.max(0, free)} free of ${name}; ${quantity} are to be sold.`);
    const named = serials.find((one) => one.componentId === componentId)?.serials ?? [];
    const takings = await outOfBins(tx, {
      ...{ componentId, quantity: quantity * unitSize, serials: named, partLineId: null },
    });
    for (const taking of takings)
      await book(tx, {
        ...{ componentId, fromId: taking.placeId, toId, quantity: taking.quantity, serialIds: taking.serialIds },
        ...{ kind: 'sold', note: sale.number, byId, at },
      });
  }
}
