import type { NeedSheet } from '../../contract/needs.ts';
import type { NumberSheet, PackRow } from '../../contract/numbers.ts';
import type { PurchaseSheet } from '../../contract/purchases.ts';
import type { BinRow, ItemSheet } from '../../contract/stores.ts';
import type { SupplierRow } from '../../contract/suppliers.ts';
import { dropLines, putOnHand } from '../api/stock.ts';
import { inDays } from '../day.ts';
import type { Case, Ground } from './case.ts';

type Prepared = Awaited<ReturnType<Case['prepare']>>;

let made = 0;
/** A word nobody has used yet. */
const word = () => `w${++made}-${Math.random().toString(36).slice(2, 8)}`;

/** Everything that is done in stores and in buying, fired ten times at once. */
export function storesCases({ pool, ilse, jory }: Ground): Record<string, Case> {
  const bins = async () => (await ilse().get('/stores/bins')).body as BinRow[];
  /** Pieces of a part nobody waits for, all in one bin, without numbers. */
  const shelf = async (id: string, pieces: number): Promise<string> => {
    await dropLines(pool(), 'component_id = $1', [id]);
    await putOnHand(pool(), id, pieces);
    const { places } = (await ilse().get(`/stores/items/${id}`)).body as ItemSheet;
    return places.find(({ place }) => place.kind === 'bin')!.place.id;
  };
  /** Numbered pieces in a bin; their ids. */
  const numbered = async (id: string, pieces: number): Promise<string[]> => {
    const serials = Array.from({ length: pieces }, () => word());
    const lines = [{ componentId: id, quantity: pieces, serials, batch: '', binId: null }];
    await jory().send('post', '/stores/goods-in', { note: '', origin: 'delivery', lines });
    const { rows } = await pool().query('select id from serial_item where serial = any($1) order by serial', [serials]);
    return rows.map((row) => row.id as string);
  };
  const refurbished = async (): Promise<string> => {
    const [id] = await numbered('charger-33', 1);
    const order = { what: 'new fan', boughtCents: null };
    return (await jory().send('post', `/stores/numbers/${id}/refurbishing`, order)).body.id as string;
  };
  const pack = async (): Promise<PackRow> => {
    const serialIds = await numbered('module-f4', 3);
    const { body } = await jory().send('post', '/stores/packs', { name: word(), note: '', serialIds });
    return ((await ilse().get('/stores/packs')).body as PackRow[]).find(({ id }) => id === body.id)!;
  };
  const lines = [{ componentId: 'cable-95', quantity: 20, priceCents: 39_500 }];
  const order = () => ({
    ...{ supplierId: 'geo-fittings', currency: 'EUR', rateMillionths: 1_000_000, rateDay: null, wantedOn: null },
    ...{ note: word(), lines },
  });
  const written = async (): Promise<PurchaseSheet> => {
    const { body } = await ilse().send('post', '/purchases', order());
    return (await ilse().get(`/purchases/${body.number}`)).body as PurchaseSheet;
  };
  const sent = async (): Promise<PurchaseSheet> => {
    await shelf('cable-95', 5);
    const { number } = await written();
    await ilse().send('post', `/purchases/${number}/send`, { version: 1 });
    return (await ilse().get(`/purchases/${number}`)).body as PurchaseSheet;
  };
  const receipt = (sheet: PurchaseSheet, note: string) => ({
    ...{ note, keepOver: false },
    lines: [
      {
        ...{ lineId: sheet.lines[0]!.id, good: 1, damaged: 0, wrong: 0, announced: null, serials: [], batch: '' },
        ...{ binId: null, remark: '' },
      },
    ],
  });
  const came = async (): Promise<PurchaseSheet> => {
    const sheet = await sent();
    await jory().send('post', `/purchases/${sheet.number}/receive`, receipt(sheet, word()));
    return (await ilse().get(`/purchases/${sheet.number}`)).body as PurchaseSheet;
  };
  const invoice = ({ lines: [line] }: PurchaseSheet, number: string) => ({
    ...{ number, day: inDays(-7), taxCents: 0, totalCents: 39_500 },
    lines: [{ lineId: line!.id, quantity: 1, priceCents: 39_500 }],
  });
  const onOrder = (
    from: () => Promise<PurchaseSheet>,
    rest: string,
    body: (sheet: PurchaseSheet, i: number) => object,
  ) => ({
    prepare: async (): Promise<Prepared> => {
      const sheet = await from();
      return { path: `/purchases/${sheet.number}${rest}`, body: (i) => body(sheet, i) };
    },
  });
  const supplier = async () =>
    ((await ilse().get('/suppliers')).body as SupplierRow[]).find(({ id }) => id === 'ayre-metalwork')!;
  const round = () => ({ name: word(), wanted: [{ componentId: 'cable-95', quantity: 2 }] });

  return {
    'post /suppliers/:supplier/prices': {
      ...{ same: 'once', different: 'all' },
      prepare: async () => {
        await pool().query("update component set part_number = 'GF-95', price_cents = 39500 where id = 'cable-95'");
        const { rows } = await pool().query("select supplier_id from component where id = 'cable-95'");
        const body = (i: number) => ({
          ...{ text: `Part number,Price\nGF-95,${400 + i}.00`, name: 'list.csv', currency: 'EUR' },
          ...{ rateMillionths: 1_000_000, rateDay: null, pricedOn: inDays(-7) },
        });
        return { path: `/suppliers/${rows[0].supplier_id}/prices`, body };
      },
    },
    'post /stores/numbers/:id/refurbishing': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const [id] = await numbered('charger-33', 1);
        const body = (i: number) => ({ what: `new fan ${i}`, boughtCents: 1000 * i });
        return { path: `/stores/numbers/${id}/refurbishing`, body, who: jory() };
      },
    },
    'post /refurbishing/:id/parts': {
      ...{ same: 'all', different: 'all' },
      prepare: async () => {
        const id = await refurbished();
        await shelf('cable-70', 60);
        const body = (i: number) => ({ componentId: 'cable-70', quantity: 1 + (i % 3), serials: [] });
        return { path: `/refurbishing/${id}/parts`, body, who: jory() };
      },
    },
    'post /refurbishing/:id/hours': {
      ...{ same: 'all', different: 'all' },
      prepare: async () => {
        const id = await refurbished();
        const body = (i: number) => ({ hours: 1 + i / 10, day: inDays(-7), what: `turn ${i}` });
        return { path: `/refurbishing/${id}/hours`, body, who: jory() };
      },
    },
    'post /refurbishing/:id/end': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const id = await refurbished();
        const body = (i: number) => ({ good: i % 2 === 0, ended: `ran for ${i} h`, warrantyUntil: null, version: 1 });
        return { path: `/refurbishing/${id}/end`, body, who: jory() };
      },
    },
    'post /price-lists/:id/undo': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        await pool().query("update component set part_number = 'GF-95', price_cents = 39500 where id = 'cable-95'");
        const { rows } = await pool().query("select supplier_id from component where id = 'cable-95'");
        const { body } = await ilse().send('post', `/suppliers/${rows[0].supplier_id}/prices`, {
          ...{ text: 'Part number,Price\nGF-95,401.00', name: 'list.csv', currency: 'EUR' },
          ...{ rateMillionths: 1_000_000, rateDay: null, pricedOn: inDays(-7) },
        });
        return { path: `/price-lists/${body.id}/undo`, body: () => ({}) };
      },
    },
    'put /stores/items/:component': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const { version, binId } = (await ilse().get('/stores/items/cable-70')).body as ItemSheet;
        const body = (i: number) => ({ binId, reorderAt: i, reorderTo: 20 + i, byLength: false, version });
        return { path: '/stores/items/cable-70', body };
      },
    },
    'post /stores/items/:component/move': {
      ...{ same: 'all', different: 'all' },
      prepare: async () => {
        const fromBinId = await shelf('cable-70', 60);
        const toBinId = (await bins()).find(({ id, closed }) => id !== fromBinId && !closed)!.id;
        const body = (i: number) => ({ fromBinId, toBinId, quantity: 1, serials: [], note: `move ${i}` });
        return { path: '/stores/items/cable-70/move', body, who: jory() };
      },
    },
    'post /stores/goods-in': {
      ...{ same: 'all', different: 'all' },
      prepare: async () => ({
        path: '/stores/goods-in',
        body: (i) => ({
          ...{ note: `note ${i}`, origin: 'delivery' },
          lines: [{ componentId: 'cable-70', quantity: 1 + i, serials: [], batch: '', binId: null }],
        }),
        who: jory(),
      }),
    },
    'post /stores/bins': {
      ...{ same: 'one', different: 'all' },
      prepare: async () => {
        const run = word();
        return { path: '/stores/bins', body: (i) => ({ name: `${run} ${i}`, closed: false }) };
      },
    },
    'put /stores/bins/:id': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const run = word();
        const { body } = await ilse().send('post', '/stores/bins', { name: run, closed: false });
        return { path: `/stores/bins/${body.id}`, body: (i) => ({ name: `${run} ${i}`, closed: false, version: 1 }) };
      },
    },
    'post /stores/bins/:id/count': {
      ...{ same: 'all', different: 'all' },
      prepare: async () => {
        const binId = await shelf('cable-70', 7);
        const line = { componentId: 'cable-70', expected: 7, counted: 7, gone: [] };
        return { path: `/stores/bins/${binId}/count`, body: (i) => ({ note: `count ${i}`, lines: [line] }) };
      },
    },
    'put /stores/numbers/:id': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const [id] = await numbered('module-f4', 1);
        const { version } = (await ilse().get(`/stores/numbers/${id}`)).body as NumberSheet;
        const body = (i: number) => ({ batch: `batch ${i}`, warrantyUntil: null, note: '', version });
        return { path: `/stores/numbers/${id}`, body };
      },
    },
    'post /stores/items/:component/numbers': {
      ...{ same: 'one', different: 'all' },
      prepare: async () => {
        const binId = await shelf('charger-130', 40);
        const run = word();
        const body = (i: number) => ({ binId, serials: [`${run}-${i}`], batch: '' });
        return { path: '/stores/items/charger-130/numbers', body, who: jory() };
      },
    },
    'post /stores/packs': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const serialIds = await numbered('module-f4', 2);
        const run = word();
        return { path: '/stores/packs', body: (i) => ({ name: `${run} ${i}`, note: '', serialIds }) };
      },
    },
    'post /stores/packs/:id/modules': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const { id, modules, version } = await pack();
        const run = word();
        const serialIds = [modules[0]!.id];
        const body = (i: number) => ({ serialIds, intoPackId: null, newName: `${run} ${i}`, version });
        return { path: `/stores/packs/${id}/modules`, body };
      },
    },
    'post /stores/packs/:id/move': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const { id, modules, version } = await pack();
        const binId = (await bins()).find((one) => one.id !== modules[0]!.place.id && !one.closed)!.id;
        const body = (i: number) => ({ binId, jobNumber: null, why: `reason ${i}`, version });
        return { path: `/stores/packs/${id}/move`, body };
      },
    },
    'post /stores/take': {
      ...{ same: 'one', different: 'one', events: 2 },
      prepare: async () => {
        await shelf('motor-m30', 1);
        const [holds, wants] = [await ilse().job('Bakery van'), await ilse().job('Mobile library')];
        const line = { componentId: 'motor-m30', quantity: 1 };
        await jory().send('post', `/jobs/${holds.number}/parts`, line);
        await jory().send('post', `/jobs/${wants.number}/parts`, line);
        const { choices } = (await ilse().get('/stores/needs/motor-m30')).body as NeedSheet;
        const to = choices.find(({ number }) => number === wants.number)!;
        const from = choices.find(({ number }) => number === holds.number)!;
        const readyOn = (id: string) => to.outcomes.find(({ lineId }) => lineId === id)!.readyOn;
        const days = { toReadyOn: readyOn(to.lineId), fromReadyOn: readyOn(from.lineId) };
        const body = (i: number) => ({ toLineId: to.lineId, fromLineId: from.lineId, ...days, why: `reason ${i}` });
        return { path: '/stores/take', body };
      },
    },
    'post /stores/numbers/:id/gradings': {
      ...{ same: 'all', different: 'all' },
      prepare: async () => {
        const [id] = await numbered('module-f4', 1);
        const body = (i: number) => ({
          ...{ day: inDays(-7), capacityAh: 98 + i, energyWh: null, resistanceOhm: null, temperatureC: null },
          ...{ currentA: null, fromV: null, toV: null, method: 'typed', logFileId: null },
        });
        return { path: `/stores/numbers/${id}/gradings`, body, who: jory() };
      },
    },
    'post /stores/hold': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        await dropLines(pool(), "component_id = 'module-f4'");
        await putOnHand(pool(), 'module-f4', 0);
        const serialIds = await numbered('module-f4', 3);
        const { number } = await ilse().job('Bakery van');
        const { body: line } = await jory().send('post', `/jobs/${number}/parts`, {
          componentId: 'module-f4',
          quantity: 2,
        });
        const body = (i: number) => ({
          lineId: line.id,
          serialIds: [serialIds[i % 3], serialIds[(i + 1) % 3]],
          version: 1,
        });
        return { path: '/stores/hold', body };
      },
    },
    'post /purchases': {
      ...{ same: 'all', different: 'all' },
      prepare: async () => {
        const body = order();
        return { path: '/purchases', body: (i) => ({ ...body, note: `${body.note} ${i}` }) };
      },
    },
    'put /purchases/:purchase': {
      ...{ same: 'one', different: 'one' },
      ...onOrder(written, '', ({ version }, i) => ({ ...order(), note: `note ${i}`, version })),
    },
    'post /purchases/:purchase/send': {
      ...{ same: 'one', different: 'one' },
      ...onOrder(
        async () => {
          await shelf('cable-95', 5);
          return written();
        },
        '/send',
        ({ version }) => ({ version }),
      ),
    },
    'post /purchases/:purchase/confirm': {
      ...{ same: 'one', different: 'one' },
      ...onOrder(sent, '/confirm', (sheet, i) => ({
        lines: [{ lineId: sheet.lines[0]!.id, promisedOn: `2027-04-${10 + i}`, priceCents: 39_500 }],
        version: sheet.version,
      })),
    },
    'post /purchases/:purchase/receive': {
      ...{ same: 'one', different: 'all' },
      ...onOrder(sent, '/receive', (sheet, i) => receipt(sheet, `N-${i}`)),
    },
    'post /purchases/:purchase/drop': {
      ...{ same: 'one', different: 'one' },
      ...onOrder(sent, '/drop', (sheet, i) => ({
        ...{ lineId: sheet.lines[0]!.id, quantity: 1 + i, why: 'not made any more', version: sheet.version },
      })),
    },
    'post /purchases/:purchase/send-back': {
      ...{ same: 'one', different: 'one' },
      ...onOrder(came, '/send-back', (sheet, i) => ({
        ...{ lineId: sheet.lines[0]!.id, quantity: 1, serials: [], reason: `reason ${i}`, version: sheet.version },
      })),
    },
    'post /purchases/:purchase/invoices': {
      ...{ same: 'one', different: 'all' },
      ...onOrder(came, '/invoices', (sheet, i) => invoice(sheet, `R-${i}`)),
    },
    'post /purchase-invoices/:id/settle': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const sheet = await came();
        const { body } = await ilse().send('post', `/purchases/${sheet.number}/invoices`, invoice(sheet, word()));
        return {
          path: `/purchase-invoices/${body.id}/settle`,
          body: (i) => ({ agreed: i % 2 === 0, why: `reason ${i}`, version: 1 }),
        };
      },
    },
    'post /purchases/:purchase/cancel': {
      ...{ same: 'one', different: 'one' },
      ...onOrder(sent, '/cancel', ({ version }, i) => ({ why: `reason ${i}`, version })),
    },
    'put /suppliers/:supplier': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const { id, version } = await supplier();
        return { path: `/suppliers/${id}`, body: (i) => ({ contact: `contact ${i}`, deskUrl: '', version }) };
      },
    },
    'post /suppliers/:supplier/notes': {
      ...{ same: 'all', different: 'all' },
      prepare: async () => ({
        path: '/suppliers/ayre-metalwork/notes',
        body: (i) => ({ kind: 'question', text: `what about ${i}` }),
      }),
    },
    'post /supplier-notes/:id/end': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const note = { kind: 'promise', text: 'by Friday' };
        const { body } = await ilse().send('post', '/suppliers/ayre-metalwork/notes', note);
        return { path: `/supplier-notes/${body.id}/end`, body: (i) => ({ ended: `way ${i}` }) };
      },
    },
    'post /offer-rounds': {
      ...{ same: 'all', different: 'all' },
      prepare: async () => {
        const body = round();
        return { path: '/offer-rounds', body: (i) => ({ ...body, name: `${body.name} ${i}` }) };
      },
    },
    'post /offer-rounds/:id/offers': {
      ...{ same: 'all', different: 'all' },
      prepare: async () => {
        const { body } = await ilse().send('post', '/offer-rounds', round());
        return {
          path: `/offer-rounds/${body.id}/offers`,
          body: (i) => ({
            ...{ supplierId: 'geo-fittings', priceCents: 100 + i, currency: 'EUR', rateMillionths: 1_000_000 },
            ...{ rateDay: null, deliveryDays: 3, includes: ['cable-95'], validUntil: null, note: '' },
          }),
        };
      },
    },
  };
}
