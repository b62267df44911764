import { and, eq } from 'drizzle-orm';
import type { Tx } from '../db/connect.ts';
import { type kitOrder, orderLine, orderSerial } from '../db/schema/index.ts';
import { book, lockStock, outOfBins, placeOf } from '../read/stock.ts';

interface Sent {
  readonly order: Pick<typeof kitOrder.$inferSelect, 'id' | 'number' | 'clientId'>;
  readonly componentId: string;
  readonly pieces: number;
  readonly byId: string | null;
  readonly at: Date;
}

/** Books what a kit order takes along out of its bins and to its client, with the numbers written down when it was packed. */
export async function sendFromBins(tx: Tx, { order, componentId, pieces, byId, at }: Sent): Promise<void> {
  const { unitSize } = await lockStock(tx, componentId);
  const packed = await tx
    .select({ serial: orderSerial.serial })
    .from(orderSerial)
    .innerJoin(orderLine, eq(orderLine.id, orderSerial.lineId))
    .where(and(eq(orderLine.orderId, order.id), eq(orderSerial.componentId, componentId)));
  const serials = packed.map(({ serial }) => serial);
  const takings = await outOfBins(tx, { componentId, quantity: pieces * unitSize, serials, partLineId: null });
  const toId = await placeOf(tx, 'client', order.clientId);
  for (const { placeId, quantity, serialIds } of takings) {
    const move = { componentId, fromId: placeId, toId, quantity, serialIds, byId, at };
    await book(tx, { ...move, kind: 'sent', note: order.number });
  }
}
