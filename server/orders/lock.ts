import { eq } from 'drizzle-orm';
import type { OrderState } from '../../core/order/order.ts';
import { ORDER_STATE_NAME } from '../../wording/orders.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { kitOrder, orderLine } from '../db/schema/index.ts';
import { RuleBroken, Stale } from '../problems.ts';
import { orderSheet } from './rows.ts';

export type StoredOrder = typeof kitOrder.$inferSelect;

interface Wanted {
  /** The version it was seen at; null where what is done does not rest on it. */
  readonly version?: number | null;
  /** States in which it may be done; anything else is refused. */
  readonly states: readonly OrderState[];
  /** What is refused: "counted". */
  readonly what: string;
}

/** An order, locked: everything of it is changed under this lock, its lines and links too. */
export async function lockOrder(
  tx: Tx,
  number: string,
  { version = null, states, what }: Wanted,
): Promise<StoredOrder> {
  const stored = one(await tx.select().from(kitOrder).where(eq(kitOrder.number, number)).for('update'), 'kit order');
  if (version !== null && stored.version !== version) throw new Stale(await orderSheet(tx, number));
  if (!states.includes(stored.state))
    throw new RuleBroken(`${number} is ${ORDER_STATE_NAME[stored.state]}: it cannot be ${what} now.`);
  return stored;
}

/** A line of the pick list with its order locked. */
export async function lockLine(tx: Tx, id: string, wanted: Wanted) {
  const { number } = one(
    await tx
      .select({ number: kitOrder.number })
      .from(orderLine)
      .innerJoin(kitOrder, eq(kitOrder.id, orderLine.orderId))
      .where(eq(orderLine.id, id)),
    'line of the pick list',
  );
  const order = await lockOrder(tx, number, wanted);
  return { order, line: one(await tx.select().from(orderLine).where(eq(orderLine.id, id)), 'line of the pick list') };
}
