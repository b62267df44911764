import { and, eq, isNull, sql } from 'drizzle-orm';
import type { DeskMessage } from '../../contract/supplierDesk.ts';
import { deskMessageText } from '../../wording/purchases.ts';
import type { Tx } from '../db/connect.ts';
import { goodsReceipt, purchase, purchaseInvoice, purchaseLine, purchaseMessage } from '../db/schema/index.ts';
import { linesOf, type StoredLine, type StoredPurchase } from './lock.ts';
import { moveDue } from './pegs.ts';

export interface Promised {
  readonly lineId: string;
  readonly promisedOn: string;
  /** Null leaves the price as it was ordered. */
  readonly priceCents: number | null;
}

/** Takes a supplier's word for when lines come, and at what price; the first word stays as what was promised first. */
export async function takePromises(
  tx: Tx,
  stored: StoredPurchase,
  lines: readonly StoredLine[],
  promises: readonly Promised[],
): Promise<string[]> {
  const touched = new Set<string>();
  for (const { lineId, promisedOn, priceCents } of promises) {
    const line = lines.find(({ id }) => id === lineId);
    if (!line) continue;
    await tx
      .update(purchaseLine)
      .set({
        promisedOn,
        firstPromisedOn: line.firstPromisedOn ?? promisedOn,
        ...(priceCents === null ? {} : { priceCents }),
      })
      .where(eq(purchaseLine.id, lineId));
    for (const number of await moveDue(tx, lineId, promisedOn)) touched.add(number);
  }
  await tx
    .update(purchase)
    .set({ state: 'confirmed', version: stored.version + 1 })
    .where(eq(purchase.id, stored.id));
  return [...touched];
}

/** A person has decided at what prices: what the supplier said of them is answered. */
export async function settlePrices(tx: Tx, purchaseId: string, at: Date): Promise<void> {
  await tx
    .update(purchaseMessage)
    .set({ doneAt: at })
    .where(
      and(
        eq(purchaseMessage.purchaseId, purchaseId),
        eq(purchaseMessage.kind, 'confirmed'),
        isNull(purchaseMessage.doneAt),
      ),
    );
}

export interface TakenMessage {
  /** What happened, for the history; null where this message was taken before. */
  readonly what: string | null;
  readonly jobs: readonly string[];
}

/**
 * Takes one message of a supplier's desk, once: its key is written down first, and what was written down before is left
 * alone. The order is locked.
 */
export async function takeMessage(
  tx: Tx,
  stored: StoredPurchase,
  message: DeskMessage,
  at: Date,
): Promise<TakenMessage> {
  const fresh = await tx
    .insert(purchaseMessage)
    .values({ purchaseId: stored.id, key: message.key, kind: message.kind, body: message, at })
    .onConflictDoNothing()
    .returning({ id: purchaseMessage.id });
  if (fresh.length === 0) return { what: null, jobs: [] };
  const lines = await linesOf(tx, stored.id);
  const lineAt = (position: number) => lines.find((line) => line.position === position);
  const what = deskMessageText(message, (n) => `line ${n}`);
  if (message.kind === 'confirmed' || message.kind === 'delayed') {
    // Days are the supplier's to say; a price is agreed by a person: until then the one that was ordered at stands.
    const promises = message.lines.flatMap(({ line, promisedOn }) => {
      const own = lineAt(line);
      return own ? [{ lineId: own.id, promisedOn, priceCents: null }] : [];
    });
    return { what, jobs: await takePromises(tx, stored, lines, promises) };
  }
  if (message.kind === 'dispatched') {
    // A note that was counted in before it was announced is not to be counted in again.
    const [counted] = await tx
      .select({ at: goodsReceipt.at })
      .from(goodsReceipt)
      .where(and(eq(goodsReceipt.purchaseId, stored.id), sql`lower(${goodsReceipt.note}) = lower(${message.note})`));
    if (counted)
      await tx
        .update(purchaseMessage)
        .set({ doneAt: counted.at })
        .where(and(eq(purchaseMessage.purchaseId, stored.id), eq(purchaseMessage.key, message.key)));
  }
  if (message.kind === 'invoiced')
    await tx
      .insert(purchaseInvoice)
      .values({
        ...{ purchaseId: stored.id, number: message.number, day: message.day, at },
        ...{ taxCents: message.taxCents, totalCents: message.totalCents },
        lines: message.lines.map(({ line, quantity, priceCents }) => ({
          lineId: lineAt(line)?.id ?? `line ${line}`,
          quantity,
          priceCents,
        })),
      })
      .onConflictDoNothing();
  await tx
    .update(purchase)
    .set({ version: stored.version + 1 })
    .where(eq(purchase.id, stored.id));
  return { what, jobs: [] };
}
