import { eq, sql } from 'drizzle-orm';
import type { NewPurchase } from '../../contract/purchaseBodies.ts';
import { type PurchaseSheet, purchaseAddress } from '../../contract/purchases.ts';
import { outstanding } from '../../core/buying/purchase.ts';
import { toCsv } from '../../wording/csv.ts';
import { dayText } from '../../wording/dates.ts';
import { PURCHASE_STATE_NAME } from '../../wording/purchases.ts';
import { stockText } from '../../wording/stores.ts';
import type { Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { component, purchase, purchaseLine, purchaseReturn, supplier } from '../db/schema/index.ts';
import { printFor } from '../documents/printFor.ts';
import { sendPdf } from '../documents/sendPdf.ts';
import type { StockLabel } from '../documents/stockLabelsPdf.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { freeStockLocked } from '../read/freeStock.ts';
import { sendCsv } from '../read/sendCsv.ts';
import { book, lockStock, outOfBins, placeOf } from '../read/stock.ts';
import { COMING, linesOf, lockPurchase, progressOf } from './lock.ts';
import { settlePrices, takePromises } from './messages.ts';
import { pegToOrder, unpeg } from './pegs.ts';
import { closeWhenAllHere, receive } from './receive.ts';
import { purchaseRows, purchaseSheet } from './rows.ts';

/** P26-007: the year, then how many there were in it. Orders get their numbers one after the other. */
async function nextNumber(tx: Tx, today: string): Promise<string> {
  await tx.execute(sql`select pg_advisory_xact_lock(4417042)`);
  const year = `P${today.slice(2, 4)}-`;
  const { rows } = await tx.execute<{ last: number | null }>(
    sql`select max(substring(number from 5)::int) as last from purchase where number like ${`${year}%`}`,
  );
  return `${year}${String((rows[0]?.last ?? 0) + 1).padStart(3, '0')}`;
}

/** Refuses what an order cannot be: of nobody, in a currency without its rate, of parts nobody knows. */
async function judge(tx: Tx, body: NewPurchase, own: string): Promise<void> {
  const [known] = await tx.select().from(supplier).where(eq(supplier.id, body.supplierId));
  if (!known) throw new BadInput({ supplierId: 'Choose a supplier.' });
  if (body.currency === own && body.rateMillionths !== 1_000_000)
    throw new BadInput({ rateMillionths: 'The workshop’s own currency has no rate.' });
  if (body.currency !== own && body.rateDay === null)
    throw new BadInput({ rateDay: 'Say of which day the rate is: a price remembers it.' });
  for (const [i, { componentId, quantity, priceCents }] of body.lines.entries()) {
    const [part] = await tx.select().from(component).where(eq(component.id, componentId));
    if (!part) throw new BadInput({ [`lines.${i}.componentId`]: 'Choose a component from the library.' });
    if (quantity % part.unitSize !== 0) throw new BadInput({ [`lines.${i}.quantity`]: 'Whole metres are ordered.' });
    if (priceCents === 0)
      throw new BadInput({ [`lines.${i}.priceCents`]: 'A price of nothing is no price. What is it?' });
  }
}

const putLines = (tx: Tx, purchaseId: string, { lines }: NewPurchase) =>
  tx.insert(purchaseLine).values(lines.map((line, i) => ({ ...line, purchaseId, position: i + 1 })));

/** Of what came, one a line of each delivery: the code names the part and its order. */
const labelsOf = (order: PurchaseSheet): StockLabel[] =>
  order.receipts.flatMap((receipt) =>
    receipt.lines
      .filter(({ good }) => good > 0)
      .map((line) => {
        const of = order.lines.find(({ id }) => id === line.lineId)!;
        return {
          title: line.name,
          says: `${stockText(line.good, line.unitSize)} · ${of.partNumber || of.componentId}`,
          beside: `${order.supplier}, ${order.number}, note ${receipt.note}, ${dayText(receipt.at.slice(0, 10))}`,
          for: of.forJobs.length > 0 ? `for ${of.forJobs.join(', ')}` : '',
          code: `${of.componentId} ${order.number}`,
        };
      }),
  );

const LIST_HEAD = [
  'Order',
  'Supplier',
  'State',
  'Currency',
  'Total',
  'In own currency',
  'Lines',
  'Open',
  'Wanted',
  'Promised',
];
const LINE_HEAD = ['Line', 'Part', 'Part number', 'Unit', 'Quantity', 'Price', 'Promised', 'Came', 'To come'];

export const purchaseEndpoints = [
  serve(purchaseAddress.list, ({ db, today }) => purchaseRows(db, today)),
  serve(purchaseAddress.table, async ({ db, today, res }) => {
    const rows = (await purchaseRows(db, today)).map((row) => [
      ...[
        row.number,
        row.supplier,
        PURCHASE_STATE_NAME[row.state],
        row.currency,
        row.totalCents / 100,
        row.ownCents / 100,
      ],
      ...[row.lines, row.open, row.wantedOn, row.promisedOn],
    ]);
    return sendCsv(res, 'orders.csv', toCsv(LIST_HEAD, rows));
  }),
  serve(purchaseAddress.one, ({ db, params, today }) => purchaseSheet(db, params.purchase, today)),
  serve(purchaseAddress.csv, async ({ db, params, today, res }) => {
    const { lines, number } = await purchaseSheet(db, params.purchase, today);
    const rows = lines.map((line, i) => [
      ...[i + 1, line.name, line.partNumber, line.unitSize > 1 ? 'm' : 'pieces', line.quantity / line.unitSize],
      ...[line.priceCents / 100, line.promisedOn, (line.accepted - line.returned) / line.unitSize],
      line.outstanding / line.unitSize,
    ]);
    return sendCsv(res, `${number}.csv`, toCsv(LINE_HEAD, rows));
  }),
  serve(purchaseAddress.paper, async ({ db, params, today, press, workshop, person, now, res }) => {
    const order = await purchaseSheet(db, params.purchase, today);
    const print = printFor(workshop, person, now());
    return sendPdf(res, `${order.number}.pdf`, await press.print({ paper: 'purchase', order, print }));
  }),
  serve(purchaseAddress.labels, async ({ db, params, today, press, workshop, person, now, res }) => {
    const order = await purchaseSheet(db, params.purchase, today);
    if (order.receipts.length === 0) throw new RuleBroken('Nothing of it has come yet: labels are of what came.');
    const print = printFor(workshop, person, now());
    return sendPdf(
      res,
      `${order.number}-labels.pdf`,
      await press.print({ paper: 'stockLabels', title: `Labels ${order.number}`, labels: labelsOf(order), print }),
    );
  }),
  serve(purchaseAddress.add, ({ change, body, person, workshop, today, now }) =>
    change(async ({ tx, log }) => {
      await judge(tx, body, workshop.currency);
      const number = await nextNumber(tx, today);
      const { lines: _, ...own } = body;
      const { id } = made(
        await tx
          .insert(purchase)
          .values({ ...own, number, byId: person.id, createdAt: now() })
          .returning(),
      );
      await putLines(tx, id, body);
      await log({ what: `wrote the order ${number}`, resource: 'purchase', id: number, after: body });
      return { number };
    }),
  ),
  serve(purchaseAddress.change, ({ change, params, body: { version, ...body }, workshop, today }) =>
    change(async ({ tx, log }) => {
      const stored = await lockPurchase(tx, params.purchase, { version, states: ['draft'], what: 'changed', today });
      await judge(tx, body, workshop.currency);
      const { lines: _, ...own } = body;
      await tx
        .update(purchase)
        .set({ ...own, version: version + 1 })
        .where(eq(purchase.id, stored.id));
      await tx.delete(purchaseLine).where(eq(purchaseLine.purchaseId, stored.id));
      await putLines(tx, stored.id, body);
      await log({ what: `changed the order ${stored.number}`, resource: 'purchase', id: stored.number, after: body });
      return { version: version + 1 };
    }),
  ),
  serve(purchaseAddress.send, ({ change, params, body, workshop, today, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const { version } = body;
      const stored = await lockPurchase(tx, params.purchase, { version, states: ['draft'], what: 'sent', today });
      await tx
        .update(purchase)
        .set({ state: 'sent', sentAt: now(), version: version + 1 })
        .where(eq(purchase.id, stored.id));
      const touched = await pegToOrder(tx, lock, stored, await linesOf(tx, stored.id), workshop, today);
      await log({ what: `sent the order ${stored.number}`, resource: 'purchase', id: stored.number });
      for (const number of touched)
        await log({ what: `waits for the order ${stored.number}`, resource: 'parts', id: stored.number, job: number });
      return { version: version + 1 };
    }),
  ),
  serve(purchaseAddress.confirm, ({ change, params, body, today, now }) =>
    change(async ({ tx, log }) => {
      const { version } = body;
      const stored = await lockPurchase(tx, params.purchase, { version, states: COMING, what: 'confirmed', today });
      const lines = await linesOf(tx, stored.id);
      for (const [i, { lineId }] of body.lines.entries())
        if (!lines.some(({ id }) => id === lineId))
          throw new BadInput({ [`lines.${i}.lineId`]: 'This line is of another order.' });
      const touched = await takePromises(tx, stored, lines, body.lines);
      await settlePrices(tx, stored.id, now());
      await log({
        what: `wrote down what ${stored.number} is promised for`,
        resource: 'purchase',
        id: stored.number,
        after: body,
      });
      for (const number of touched)
        await log({ what: `${stored.number} comes on another day`, resource: 'parts', id: stored.number, job: number });
      return { version: version + 1 };
    }),
  ),
  serve(purchaseAddress.receive, ({ change, params, body, person, today, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lockPurchase(tx, params.purchase, {
        version: null,
        states: COMING,
        what: 'counted in',
        today,
      });
      const { id, touched } = await receive(tx, { stored, body, lockJob: lock, byId: person.id, at: now() });
      await log({
        what: `counted in note ${body.note} of ${stored.number}`,
        resource: 'purchase',
        id: stored.number,
        after: body,
      });
      for (const number of touched)
        await log({ what: `parts came with ${stored.number}`, resource: 'parts', id: stored.number, job: number });
      return { id };
    }),
  ),
  serve(purchaseAddress.drop, ({ change, params, body, today }) =>
    change(async ({ tx, log }) => {
      const { version, lineId, quantity, why } = body;
      const stored = await lockPurchase(tx, params.purchase, { version, states: COMING, what: 'cut down', today });
      const lines = await linesOf(tx, stored.id);
      const line = one(
        lines.filter(({ id }) => id === lineId),
        'line of this order',
      );
      const open = outstanding({ ordered: line.quantity, dropped: line.dropped, ...(await progressOf(tx, line.id)) });
      const { unitSize } = one(
        await tx.select({ unitSize: component.unitSize }).from(component).where(eq(component.id, line.componentId)),
        'component',
      );
      if (quantity > open) throw new BadInput({ quantity: `Only ${stockText(open, unitSize)} are still to come.` });
      await tx
        .update(purchaseLine)
        .set({ dropped: line.dropped + quantity })
        .where(eq(purchaseLine.id, line.id));
      const touched = quantity === open ? await unpeg(tx, [line.id]) : [];
      await closeWhenAllHere(
        tx,
        stored,
        lines.map((each) => (each.id === line.id ? { ...each, dropped: line.dropped + quantity } : each)),
      );
      await log({
        what: `${stockText(quantity, unitSize)} of ${stored.number} will not come: ${why}`,
        resource: 'purchase',
        id: stored.number,
        after: body,
      });
      for (const number of touched)
        await log({
          what: `${stored.number} will not come: ${why}`,
          resource: 'parts',
          id: stored.number,
          job: number,
        });
      return { version: version + 1 };
    }),
  ),
  serve(purchaseAddress.sendBack, ({ change, params, body, person, today, now }) =>
    change(async ({ tx, log }) => {
      const { version, lineId, quantity, serials, reason } = body;
      const states = [...COMING, 'closed'] as const;
      const stored = await lockPurchase(tx, params.purchase, { version, states, what: 'sent back', today });
      const line = one(
        (await linesOf(tx, stored.id)).filter(({ id }) => id === lineId),
        'line of this order',
      );
      const { accepted, returned } = await progressOf(tx, line.id);
      const { name, unitSize } = await lockStock(tx, line.componentId);
      if (quantity > accepted - returned)
        throw new BadInput({ quantity: `${stockText(accepted - returned, unitSize)} of it were kept.` });
      const free = (await freeStockLocked(tx, line.componentId)) * unitSize;
      if (quantity > free)
        throw new BadInput({
          quantity: `Only ${stockText(Math.max(0, free), unitSize)} of ${name} are free; the rest is held for jobs.`,
        });
      const wanted = { componentId: line.componentId, quantity, serials, partLineId: null };
      for (const taking of await outOfBins(tx, wanted))
        await book(tx, {
          ...{ kind: 'returned', componentId: line.componentId, fromId: taking.placeId, quantity: taking.quantity },
          ...{ toId: await placeOf(tx, 'supplier', stored.supplierId), serialIds: taking.serialIds },
          ...{ note: `${stored.number}: ${reason}`, byId: person.id, at: now() },
        });
      await tx.insert(purchaseReturn).values({ lineId, quantity, fromBin: 'bin', reason, byId: person.id, at: now() });
      // It is to come again: the order is open until it has, or was cut down.
      await tx
        .update(purchase)
        .set({ version: version + 1, state: stored.state === 'closed' ? 'confirmed' : stored.state })
        .where(eq(purchase.id, stored.id));
      await log({
        what: `sent ${stockText(quantity, unitSize)} of ${name} back: ${reason}`,
        resource: 'purchase',
        id: stored.number,
        after: body,
      });
      return { version: version + 1 };
    }),
  ),
  serve(purchaseAddress.cancel, ({ change, params, body, today }) =>
    change(async ({ tx, log }) => {
      const states = ['draft', ...COMING] as const;
      const stored = await lockPurchase(tx, params.purchase, {
        version: body.version,
        states,
        what: 'cancelled',
        today,
      });
      const lines = await linesOf(tx, stored.id);
      for (const line of lines)
        if ((await progressOf(tx, line.id)).accepted > 0)
          throw new RuleBroken('Some of it has come already. Cut down what will not come, line by line.');
      const touched = await unpeg(
        tx,
        lines.map(({ id }) => id),
      );
      await tx
        .update(purchase)
        .set({ state: 'cancelled', endedWhy: body.why, version: body.version + 1 })
        .where(eq(purchase.id, stored.id));
      await log({ what: `cancelled the order ${stored.number}: ${body.why}`, resource: 'purchase', id: stored.number });
      for (const number of touched)
        await log({
          what: `${stored.number} was cancelled: ${body.why}`,
          resource: 'parts',
          id: stored.number,
          job: number,
        });
      return { version: body.version + 1 };
    }),
  ),
];
