import { and, eq, gt, sql } from 'drizzle-orm';
import { ITEM_LISTS, type ItemList, type ItemRow, storesAddress } from '../../contract/stores.ts';
import { MM_PER_METRE } from '../../core/stores/ledger.ts';
import { toCsv } from '../../wording/csv.ts';
import { MOVE_KIND_NAME, placeSays, stockText } from '../../wording/stores.ts';
import { made, one } from '../db/one.ts';
import { component, stockBalance, stockMove, stockPlace } from '../db/schema/index.ts';
import { printFor } from '../documents/printFor.ts';
import { sendPdf } from '../documents/sendPdf.ts';
import { serve } from '../endpoint.ts';
import { BadInput, NotFound, RuleBroken, Stale } from '../problems.ts';
import { freeStockLocked } from '../read/freeStock.ts';
import { sendCsv } from '../read/sendCsv.ts';
import { book, lockStock, notInUse, placeOf, quantityAt } from '../read/stock.ts';
import { binOf, binRows, countBin, inBin, refuseSameBin, stocktakeRows } from './bins.ts';
import { takeIn } from './goodsIn.ts';
import { itemPage, itemSheet, keptItems } from './items.ts';
import { serialsInBin } from './numbers.ts';

const listOf = (text: string): ItemList => {
  const list = ITEM_LISTS.find((one) => one === text);
  if (!list) throw new NotFound('list of the stores');
  return list;
};

const itemCells = (row: ItemRow) => [
  ...[row.name, row.supplier, row.partNumber, row.bins.join(', '), row.unitSize > 1 ? 'm' : 'pieces'],
  ...[row.onHand, row.held, row.wanted, row.ordered].map((n) => n / row.unitSize),
  row.reorderAt === null ? null : row.reorderAt / row.unitSize,
  row.priceCents / 100,
];
const ITEM_HEAD = [
  'Part',
  'Supplier',
  'Part number',
  'Bins',
  'Unit',
  'On hand',
  'Held',
  'Wanted',
  'Ordered',
  'Order again at',
  'Price',
];

export const storesEndpoints = [
  serve(storesAddress.items, ({ db, params }) => itemPage(db, listOf(params.list), Number(params.page), null)),
  serve(storesAddress.findItems, ({ db, params }) =>
    itemPage(db, listOf(params.list), Number(params.page), params.word),
  ),
  serve(storesAddress.item, ({ db, params }) => itemSheet(db, params.component)),
  serve(storesAddress.table, async ({ db, res }) =>
    sendCsv(res, 'stores.csv', toCsv(ITEM_HEAD, (await keptItems(db)).map(itemCells))),
  ),
  serve(storesAddress.moves, async ({ db, params, res }) => {
    const { moves, unitSize, id } = await itemSheet(db, params.component);
    const cells = moves.map((m) => [
      ...[m.at, m.by, MOVE_KIND_NAME[m.kind], m.quantity / unitSize, placeSays(m.from), placeSays(m.to)],
      ...[m.serials.join(' '), m.note],
    ]);
    return sendCsv(
      res,
      `${id}-moves.csv`,
      toCsv(['At', 'By', 'What', 'Quantity', 'From', 'To', 'Numbers', 'Note'], cells),
    );
  }),
  serve(storesAddress.label, async ({ db, params, workshop, person, now, press, res }) => {
    const item = await itemSheet(db, params.component);
    const bins = item.places.filter(({ place }) => place.kind === 'bin').map(({ place }) => place.name);
    const label = {
      ...{ title: item.name, says: [item.partNumber || item.id, item.supplier].filter(Boolean).join(' · ') },
      ...{ beside: bins.length > 0 ? `kept in ${bins.join(', ')}` : '', for: '', code: item.id },
    };
    const print = printFor(workshop, person, now());
    const pdf = await press.print({ paper: 'stockLabels', title: `Label ${item.name}`, labels: [label], print });
    return sendPdf(res, 'label.pdf', pdf);
  }),
  serve(storesAddress.keep, ({ change, params, body }) =>
    change(async ({ tx, log }) => {
      const stored = one(
        await tx.select().from(component).where(eq(component.id, params.component)).for('no key update'),
        'component',
      );
      if (stored.version !== body.version) throw new Stale(await itemSheet(tx, stored.id));
      const { binId, reorderAt, reorderTo, byLength } = body;
      if (binId !== null && (await notInUse(tx, [binId])).size > 0)
        throw new BadInput({ binId: 'Choose a bin that is in use.' });
      if ((reorderAt === null) !== (reorderTo === null))
        throw new BadInput({
          [reorderAt === null ? 'reorderAt' : 'reorderTo']: 'Both, when to order again and up to how many, or neither.',
        });
      if (reorderAt !== null && reorderTo !== null && reorderTo <= reorderAt)
        throw new BadInput({ reorderTo: 'Up to more than when it is ordered again.' });
      const unitSize = byLength ? MM_PER_METRE : 1;
      if (unitSize !== stored.unitSize) {
        const [moved] = await tx
          .select({ id: stockMove.id })
          .from(stockMove)
          .where(eq(stockMove.componentId, stored.id))
          .limit(1);
        if (moved)
          throw new BadInput({
            byLength: 'Some have come and gone already: how it is counted stays. Add a component for the other.',
          });
      }
      const version = stored.version + 1;
      const after = { binId, reorderAt, reorderTo, unitSize };
      await tx
        .update(component)
        .set({ ...after, version })
        .where(eq(component.id, stored.id));
      await log({ what: `settled how ${stored.name} is kept`, resource: 'stock', id: stored.id, after });
      return { version };
    }),
  ),
  serve(storesAddress.move, ({ change, params, body, person, now }) =>
    change(async ({ tx, log }) => {
      const { name, unitSize } = await lockStock(tx, params.component);
      await binOf(tx, body.fromBinId);
      if (body.toBinId !== null && (await notInUse(tx, [body.toBinId])).size > 0)
        throw new BadInput({ toBinId: 'Choose a bin that is in use.' });
      if (body.fromBinId === body.toBinId) throw new BadInput({ toBinId: 'That is the bin it is in.' });
      if (body.toBinId === null && body.note === '') throw new BadInput({ note: 'Say why it is scrapped.' });
      const there = await quantityAt(tx, params.component, body.fromBinId);
      if (body.quantity > there)
        throw new BadInput({ quantity: `There are ${stockText(there, unitSize)} in this bin.` });
      if (body.toBinId === null) {
        const free = await freeStockLocked(tx, params.component);
        if (body.quantity > free * unitSize)
          throw new BadInput({
            quantity: `Only ${stockText(Math.max(0, free) * unitSize, unitSize)} are free; the rest is held for jobs.`,
          });
      }
      const serialIds = await serialsInBin(tx, params.component, body.fromBinId, body);
      const toId = body.toBinId ?? (await placeOf(tx, 'scrap'));
      const kind = body.toBinId === null ? 'scrapped' : 'moved';
      const { quantity, note } = body;
      await book(tx, {
        ...{ kind, componentId: params.component, fromId: body.fromBinId, toId, quantity, serialIds, note },
        ...{ byId: person.id, at: now() },
      });
      const what = `${kind === 'moved' ? 'moved' : 'scrapped'} ${stockText(quantity, unitSize)} of ${name}`;
      await log({ what, resource: 'stock', id: params.component, after: body });
      return { id: params.component };
    }),
  ),
  serve(storesAddress.goodsIn, ({ change, body, person, now }) =>
    change(async ({ tx, log }) => {
      await takeIn(tx, { ...body, byId: person.id, at: now() });
      const what = `counted in ${body.lines.length} ${body.lines.length === 1 ? 'line' : 'lines'}${body.note ? ` of ${body.note}` : ''}`;
      await log({ what, resource: 'stock', id: body.lines[0]!.componentId, after: body });
      return { lines: body.lines.length };
    }),
  ),
  serve(storesAddress.bins, ({ db }) => binRows(db)),
  serve(storesAddress.binLabels, async ({ db, workshop, person, now, press, res }) => {
    const bins = (await binRows(db)).filter(({ closed }) => !closed);
    if (bins.length === 0) throw new RuleBroken('There is no bin yet to label.');
    const labels = bins.map(({ name }) => ({ title: name, says: '', beside: workshop.name, for: '', code: name }));
    const print = printFor(workshop, person, now());
    return sendPdf(
      res,
      'bins.pdf',
      await press.print({ paper: 'stockLabels', title: 'Labels of bins', labels, print }),
    );
  }),
  serve(storesAddress.addBin, ({ change, body }) =>
    change(async ({ tx, log }) => {
      // One at a time: a name is taken by the first.
      await tx.execute(sql`select pg_advisory_xact_lock(4417041)`);
      await refuseSameBin(tx, body.name, null);
      const { id } = made(
        await tx
          .insert(stockPlace)
          .values({ kind: 'bin', ...body })
          .returning(),
      );
      await log({ what: `set up bin ${body.name}`, resource: 'stock', id, after: body });
      return { id };
    }),
  ),
  serve(storesAddress.changeBin, ({ change, params, body: { version: seen, ...body } }) =>
    change(async ({ tx, log }) => {
      await tx.execute(sql`select pg_advisory_xact_lock(4417041)`);
      const before = await binOf(tx, params.id, 'no key update');
      if (before.version !== seen) throw new Stale((await binRows(tx)).find(({ id }) => id === before.id));
      await refuseSameBin(tx, body.name, before.id);
      if (body.closed) {
        const [left] = await tx
          .select({ id: stockBalance.componentId })
          .from(stockBalance)
          .where(and(eq(stockBalance.placeId, before.id), gt(stockBalance.quantity, 0)))
          .limit(1);
        if (left) throw new BadInput({ closed: 'Something lies in it still. Move that first.' });
        const [own] = await tx
          .select({ name: component.name })
          .from(component)
          .where(eq(component.binId, before.id))
          .limit(1);
        if (own) throw new RuleBroken(`${own.name} is put into this bin when it comes in. Give it another one first.`);
      }
      const version = before.version + 1;
      await tx
        .update(stockPlace)
        .set({ ...body, version })
        .where(eq(stockPlace.id, before.id));
      await log({ what: `changed bin ${before.name}`, resource: 'stock', id: before.id, before, after: body });
      return { version };
    }),
  ),
  serve(storesAddress.inBin, ({ db, params }) => inBin(db, params.id)),
  serve(storesAddress.count, ({ change, params, body, person, now }) =>
    change(async ({ tx, log }) => {
      const bin = await binOf(tx, params.id);
      const counted = await countBin(tx, { binId: bin.id, byId: person.id, at: now(), ...body });
      const what = `counted ${bin.name}: ${counted.differences === 0 ? 'all as in the books' : `${counted.differences} differ`}`;
      await log({ what, resource: 'stock', id: bin.id, after: body });
      return counted;
    }),
  ),
  serve(storesAddress.stocktakes, ({ db }) => stocktakeRows(db)),
];
