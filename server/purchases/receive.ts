import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import type { ReceiveBody } from '../../contract/purchaseBodies.ts';
import { outstanding } from '../../core/buying/purchase.ts';
import { wantsSerials } from '../../core/order/order.ts';
import { stockText } from '../../wording/stores.ts';
import type { Tx } from '../db/connect.ts';
import { made } from '../db/one.ts';
import {
  component,
  goodsReceipt,
  goodsReceiptLine,
  job,
  partLine,
  purchase,
  purchaseMessage,
  purchaseReturn,
  serialItem,
} from '../db/schema/index.ts';
import { BadInput } from '../problems.ts';
import { freeStockLocked } from '../read/freeStock.ts';
import { binFor, book, notInUse, placeOf } from '../read/stock.ts';
import { linesOf, progressOf, type StoredLine, type StoredPurchase } from './lock.ts';
import { type LockJob, numbersOf } from './pegs.ts';

interface Receiving {
  readonly stored: StoredPurchase;
  readonly body: ReceiveBody;
  readonly lockJob: LockJob;
  readonly byId: string;
  readonly at: Date;
}

/**
 * Counts a delivery in: good pieces into their bins with their numbers, the others back at the door; lines of jobs that wait
 * for it hold what came, the earliest promise first. A delivery note is counted in once. Answers the receipt and the
 * numbers of the jobs that got something.
 */
export async function receive(tx: Tx, { stored, body, lockJob, byId, at }: Receiving) {
  await refuseSecond(tx, stored, body.note);
  const lines = await linesOf(tx, stored.id);
  const of = new Map(lines.map((line) => [line.id, line]));
  const waiting = await tx
    .select({ jobId: partLine.jobId })
    .from(partLine)
    .where(
      inArray(
        partLine.purchaseLineId,
        lines.map(({ id }) => id),
      ),
    );
  for (const id of [...new Set(waiting.map(({ jobId }) => jobId))].sort()) await lockJob({ id });
  const came = body.lines.filter(({ good, damaged, wrong }) => good + damaged + wrong > 0);
  if (came.length === 0) throw new BadInput({ lines: 'Nothing of it was counted.' });
  for (const line of came)
    if (!of.has(line.lineId))
      throw new BadInput({ [`lines.${body.lines.indexOf(line)}.lineId`]: 'This line is of another order.' });
  const receipt = made(
    await tx.insert(goodsReceipt).values({ purchaseId: stored.id, note: body.note, byId, at }).returning(),
  );
  const touched = new Set<string>();
  // Components in one order, as everywhere.
  for (const line of came.toSorted((a, b) =>
    of.get(a.lineId)!.componentId < of.get(b.lineId)!.componentId ? -1 : 1,
  )) {
    const own = of.get(line.lineId)!;
    await takeLine(tx, { stored, own, line, at: `lines.${body.lines.indexOf(line)}`, body, byId, when: at });
    const { good, damaged, wrong, announced, remark } = line;
    await tx
      .insert(goodsReceiptLine)
      .values({ receiptId: receipt.id, lineId: own.id, good, damaged, wrong, announced, remark });
    for (const [quantity, reason] of [
      [damaged, 'came damaged'],
      [wrong, 'was something else'],
    ] as const)
      if (quantity > 0)
        await tx.insert(purchaseReturn).values({
          lineId: own.id,
          quantity,
          fromBin: 'door',
          reason: remark ? `${reason}: ${remark}` : reason,
          byId,
          at,
        });
    for (const number of await holdForWaiting(tx, own)) touched.add(number);
  }
  await tx
    .update(purchaseMessage)
    .set({ doneAt: at })
    .where(and(eq(purchaseMessage.purchaseId, stored.id), sql`lower(body ->> 'note') = lower(${body.note})`));
  await closeWhenAllHere(tx, stored, lines);
  return { id: receipt.id, touched: [...touched] };
}

async function refuseSecond(tx: Tx, stored: StoredPurchase, note: string): Promise<void> {
  const [before] = await tx
    .select({ at: goodsReceipt.at })
    .from(goodsReceipt)
    .where(and(eq(goodsReceipt.purchaseId, stored.id), sql`lower(${goodsReceipt.note}) = lower(${note})`));
  if (before)
    throw new BadInput({
      note: `Note ${note} was counted in on ${before.at.toISOString().slice(0, 10)}: a note is counted in once. If the goods came twice, give this delivery its own number.`,
    });
}

interface Taking {
  readonly stored: StoredPurchase;
  readonly own: StoredLine;
  readonly line: ReceiveBody['lines'][number];
  /** Where in the body it stands. */
  readonly at: string;
  readonly body: ReceiveBody;
  readonly byId: string;
  readonly when: Date;
}

async function takeLine(tx: Tx, { stored, own, line, at, body, byId, when }: Taking): Promise<void> {
  const [part] = await tx
    .select({ name: component.name, kind: component.kind, unitSize: component.unitSize })
    .from(component)
    .where(eq(component.id, own.componentId))
    .for('no key update');
  const { name, kind, unitSize } = part!;
  const open = outstanding({ ordered: own.quantity, dropped: own.dropped, ...(await progressOf(tx, own.id)) });
  if (line.good > open && !body.keepOver)
    throw new BadInput({
      [`${at}.good`]: `${stockText(open, unitSize)} of ${name} are still to come and ${stockText(line.good, unitSize)} were counted. Say that what is over is kept, or count it as wrong: then it goes back.`,
    });
  const { serials, batch } = line;
  if (serials.length > 0 && unitSize > 1)
    throw new BadInput({ [`${at}.serials`]: `${name} is kept by length: its pieces carry no numbers.` });
  if (line.binId && (await notInUse(tx, [line.binId])).size > 0)
    throw new BadInput({ [`${at}.binId`]: 'Choose a bin that is in use.' });
  if (serials.length > line.good)
    throw new BadInput({ [`${at}.serials`]: `${serials.length} numbers for ${line.good} good pieces.` });
  if (serials.length > 0 && serials.length < line.good && wantsSerials(kind as Parameters<typeof wantsSerials>[0]))
    throw new BadInput({
      [`${at}.serials`]: `${serials.length} numbers for ${line.good} pieces: give each its number, or none now.`,
    });
  if (line.good === 0) return;
  const ids: string[] = [];
  for (const serial of serials) {
    const [known] = await tx
      .select({ serial: serialItem.serial })
      .from(serialItem)
      .where(and(eq(serialItem.componentId, own.componentId), sql`lower(${serialItem.serial}) = lower(${serial})`));
    if (known)
      throw new BadInput({ [`${at}.serials`]: `${known.serial} is in the books already: one number is one thing.` });
    const originNote = `${stored.number}, note ${body.note}`;
    const item = {
      componentId: own.componentId,
      serial,
      batch,
      origin: 'delivery' as const,
      originNote,
      createdAt: when,
    };
    ids.push(made(await tx.insert(serialItem).values(item).returning()).id);
  }
  await book(tx, {
    ...{ kind: 'received', componentId: own.componentId, quantity: line.good, serialIds: ids, byId, at: when },
    ...{
      fromId: await placeOf(tx, 'supplier', stored.supplierId),
      toId: line.binId ?? (await binFor(tx, own.componentId)),
    },
    note: `${stored.number}, note ${body.note}`,
  });
}

/** Lines of jobs that wait for this one hold what is free of it, the earliest promise first. */
async function holdForWaiting(tx: Tx, own: StoredLine): Promise<string[]> {
  const waiting = await tx
    .select({ line: partLine })
    .from(partLine)
    .innerJoin(job, eq(job.id, partLine.jobId))
    .where(eq(partLine.purchaseLineId, own.id))
    .orderBy(sql`${job.promised} nulls last`, asc(job.number));
  const held: string[] = [];
  for (const { line } of waiting) {
    if ((await freeStockLocked(tx, own.componentId)) < line.quantity) continue;
    await tx
      .update(partLine)
      .set({ state: 'inStores', due: null, purchaseLineId: null, version: line.version + 1 })
      .where(eq(partLine.id, line.id));
    held.push(line.jobId);
  }
  return numbersOf(tx, held);
}

/** An order of which nothing is to come any more is closed. */
export async function closeWhenAllHere(tx: Tx, stored: StoredPurchase, lines: readonly StoredLine[]): Promise<void> {
  const open = await Promise.all(
    lines.map(async (line) =>
      outstanding({ ordered: line.quantity, dropped: line.dropped, ...(await progressOf(tx, line.id)) }),
    ),
  );
  await tx
    .update(purchase)
    .set({
      version: stored.version + 1,
      ...(open.every((quantity) => quantity === 0) ? { state: 'closed' as const } : {}),
    })
    .where(eq(purchase.id, stored.id));
}
