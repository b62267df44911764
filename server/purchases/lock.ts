import { asc, eq, sql } from 'drizzle-orm';
import { isComing, type PurchaseState } from '../../core/buying/purchase.ts';
import { PURCHASE_STATE_NAME } from '../../wording/purchases.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { goodsReceiptLine, purchase, purchaseLine, purchaseReturn } from '../db/schema/index.ts';
import { RuleBroken, Stale } from '../problems.ts';
import { purchaseSheet } from './rows.ts';

export type StoredPurchase = typeof purchase.$inferSelect;
export type StoredLine = typeof purchaseLine.$inferSelect;

interface Wanted {
  /** The version it was seen at; null where what is done does not rest on it. */
  readonly version: number | null;
  readonly states: readonly PurchaseState[];
  /** What is refused: "sent". */
  readonly what: string;
  readonly today: string;
}
export const COMING: readonly PurchaseState[] = ['sent', 'confirmed'];

/** An order, locked: everything of it is changed under this lock, before any job or stock is. */
export async function lockPurchase(tx: Tx, number: string, wanted: Wanted): Promise<StoredPurchase> {
  const stored = one(await tx.select().from(purchase).where(eq(purchase.number, number)).for('update'), 'order');
  if (wanted.version !== null && stored.version !== wanted.version)
    throw new Stale(await purchaseSheet(tx, number, wanted.today));
  if (!wanted.states.includes(stored.state))
    throw new RuleBroken(`${number} is ${PURCHASE_STATE_NAME[stored.state]}: it cannot be ${wanted.what} now.`);
  return stored;
}

export const linesOf = (tx: Tx, purchaseId: string): Promise<StoredLine[]> =>
  tx.select().from(purchaseLine).where(eq(purchaseLine.purchaseId, purchaseId)).orderBy(asc(purchaseLine.position));

export interface Progress {
  readonly accepted: number;
  readonly returned: number;
}

/** What of a line has come and was kept. */
export async function progressOf(tx: Tx, lineId: string): Promise<Progress> {
  const [came] = await tx
    .select({ n: sql<number>`coalesce(sum(${goodsReceiptLine.good}), 0)::int` })
    .from(goodsReceiptLine)
    .where(eq(goodsReceiptLine.lineId, lineId));
  const [back] = await tx
    .select({
      n: sql<number>`coalesce(sum(${purchaseReturn.quantity}) filter (where ${purchaseReturn.fromBin} = 'bin'), 0)::int`,
    })
    .from(purchaseReturn)
    .where(eq(purchaseReturn.lineId, lineId));
  return { accepted: came?.n ?? 0, returned: back?.n ?? 0 };
}

/** Is anything of it still to come? */
export const stillComing = (stored: StoredPurchase): boolean => isComing(stored.state);
