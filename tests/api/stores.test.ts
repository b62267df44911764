import Papa from 'papaparse';
import { beforeAll, describe, expect, test } from 'vitest';
import type { NumberPage, NumberRow, NumberSheet, PackRow, RecallAnswer } from '../../contract/numbers.ts';
import type { BinLine, BinRow, ItemPage, ItemSheet, StocktakeRow } from '../../contract/stores.ts';
import type { OfferLine } from '../../core/offer/offer.ts';
import { inDays } from '../day.ts';
import { dropLines, putOnHand } from './stock.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
let ilse: Visitor;
let jory: Visitor;
const bin = async (name: string) =>
  ((await ilse.get('/stores/bins')).body as BinRow[]).find((one) => one.name.startsWith(name))!;
const item = async (id: string) => (await ilse.get(`/stores/items/${id}`)).body as ItemSheet;
const goodsIn = (line: object, more: object = {}) =>
  jory.send('post', '/stores/goods-in', {
    ...{ note: 'note 4402', origin: 'delivery', ...more },
    lines: [{ componentId: 'charger-33', quantity: 1, serials: [], batch: '', binId: null, ...line }],
  });
beforeAll(async () => {
  [ilse, jory] = [await shop.visitor('ilse'), await shop.visitor('jory')];
});

describe('what is kept', () => {
  test('is listed with its bins, what is held and wanted; by a word, and what to order again', async () => {
    const all = (await ilse.get('/stores/items/kept/page/0')).body as ItemPage;
    expect(all.count).toBe(all.rows.length);
    expect(all.rows.find(({ id }) => id === 'module-n6')).toMatchObject({ bins: ['A1 cells'], unitSize: 1 });
    const found = (await ilse.get('/stores/items/kept/find/HOSE/page/0')).body as ItemPage;
    expect(found.rows.map(({ name, unitSize }) => [name, unitSize])).toContainEqual([
      'Coolant hose 19 mm, by the metre',
      1000,
    ]);
    const low = (await ilse.get('/stores/items/low/page/0')).body as ItemPage;
    for (const row of low.rows) expect(row.onHand - row.held).toBeLessThanOrEqual(row.reorderAt!);
    expect((await ilse.get('/stores/items/none/page/0')).status).toBe(404);
    // Its worth is that of its rows.
    const worth = all.rows.reduce((sum, row) => sum + Math.floor((row.priceCents * row.onHand) / row.unitSize), 0);
    expect(Math.abs(all.worthCents - worth)).toBeLessThanOrEqual(all.rows.length);
  });
  test('goes out as CSV, and so do the moves of one', async () => {
    const table = Papa.parse<string[]>((await ilse.get('/stores/items.csv')).text.trim()).data;
    expect(table[0]).toContain('On hand');
    const hose = table.find(([name]) => name?.startsWith('Coolant hose'))!;
    expect(hose.slice(4, 6)).toEqual(['m', '38.6']);
    const moves = Papa.parse<string[]>((await ilse.get('/stores/items/coolant-hose-19/moves.csv')).text.trim()).data;
    expect(moves.map((row) => row[2])).toEqual(['What', 'Scrapped', 'Came in']);
  });
  test('has a bin, levels and a unit; the unit stays once something has come and gone', async () => {
    const { version } = await item('coolant-hose-19');
    const keep = (body: object) =>
      ilse.send('put', '/stores/items/coolant-hose-19', {
        ...{ binId: null, reorderAt: 5000, reorderTo: 40_000, byLength: true, version, ...body },
      });
    expect((await keep({ byLength: false })).body.fields.byLength).toMatch(/come and gone already/);
    expect((await keep({ reorderTo: 4000 })).body.fields.reorderTo).toMatch(/more than when/);
    expect((await keep({ reorderTo: null })).body.fields.reorderTo).toMatch(/neither/);
    expect((await keep({})).status).toBe(200);
    expect((await keep({})).status).toBe(409);
    expect(await item('coolant-hose-19')).toMatchObject({ reorderAt: 5000, onHand: 38_600 });
  });
});

test('nothing lies in a bin that was given up, whoever is first', async () => {
  await putOnHand(shop.pool(), 'hv-label-set', 30);
  const from = (await item('hv-label-set')).places.find(({ place }) => place.kind === 'bin')!.place.id;
  for (let i = 0; i < 8; i++) {
    const bin = await ilse.send('post', '/stores/bins', { name: `Z${i}`, closed: false });
    const [closed, moved] = await Promise.all([
      ilse.send('put', `/stores/bins/${bin.body.id}`, { name: `Z${i}`, closed: true, version: 1 }),
      jory.send('post', '/stores/items/hv-label-set/move', {
        ...{ fromBinId: from, toBinId: bin.body.id, quantity: 1, serials: [], note: '' },
      }),
    ]);
    expect([closed.status, moved.status].sort()).toEqual([200, 400]);
  }
});

describe('goods in', () => {
  test('numbers come in with batch and delivery, once', async () => {
    const before = await item('charger-33');
    expect((await goodsIn({ quantity: 2, serials: ['F-1', 'f-1'] })).body.fields['lines.0.serials.1']).toMatch(/twice/);
    expect((await goodsIn({ quantity: 1, serials: ['F-1', 'F-2'] })).body.fields['lines.0.serials']).toBe(
      '2 numbers for 1 pieces.',
    );
    expect((await goodsIn({ quantity: 2, serials: ['F-1'] })).body.fields['lines.0.serials']).toMatch(/or none now/);
    expect((await goodsIn({ componentId: 'moon-rock' })).body.fields['lines.0.componentId']).toMatch(/library/);
    expect((await goodsIn({ quantity: 0 })).body.fields['lines.0.quantity']).toMatch(/at least 1/);
    expect((await goodsIn({ quantity: 2, serials: ['F-1', 'F-2'], batch: 'B7' })).status).toBe(200);
    expect((await goodsIn({ serials: ['f-2'] })).body.fields['lines.0.serials']).toMatch(
      /^F-2 is in the books already/,
    );
    const after = await item('charger-33');
    expect(after.onHand).toBe(before.onHand + 2);
    expect(after.moves[0]).toMatchObject({ kind: 'received', quantity: 2, by: 'Jory Opie', serials: ['F-1', 'F-2'] });
    expect(after.moves[0]!.from).toMatchObject({ kind: 'supplier', name: 'Fetlar Charging' });
  });
  test('of one number ten times at once takes it in once', async () => {
    const answers = await Promise.all(Array.from({ length: 10 }, () => goodsIn({ serials: ['F-77'] })));
    expect(answers.map(({ status }) => status).sort()).toEqual([200, ...Array(9).fill(400)]);
  });
});

describe('a bin is counted', () => {
  test('differences are booked and told with their worth; what moved meanwhile is counted again', async () => {
    const { id } = await bin('C2');
    const lines = ((await ilse.get(`/stores/bins/${id}/contents`)).body as BinLine[]).map((line) => ({
      ...{ componentId: line.componentId, expected: line.quantity, counted: line.quantity, gone: [] as string[] },
    }));
    const labels = lines.find(({ componentId }) => componentId === 'hv-label-set')!;
    const count = (change: (line: (typeof lines)[number]) => object) =>
      jory.send('post', `/stores/bins/${id}/count`, {
        note: 'monthly',
        lines: lines.map((line) => ({ ...line, ...change(line) })),
      });
    const wrong = await count((line) => (line === labels ? { expected: line.expected + 1 } : {}));
    expect([wrong.status, wrong.body.detail]).toEqual([422, expect.stringMatching(/has moved while you counted/)]);
    const done = await count((line) => (line === labels ? { counted: line.counted + 3 } : {}));
    expect([done.status, done.body.differences]).toEqual([200, 1]);
    const [newest] = (await ilse.get('/stores/stocktakes')).body as StocktakeRow[];
    expect(newest).toMatchObject({ bin: 'C2 fittings', by: 'Jory Opie', lines: lines.length });
    expect(newest!.differences).toMatchObject([
      { componentId: 'hv-label-set', counted: labels.counted + 3, worthCents: 3 * 2400 },
    ]);
    expect((await item('hv-label-set')).moves[0]).toMatchObject({ kind: 'counted', quantity: 3 });
  });
  test('no fewer than are held; and numbers that are gone are named', async () => {
    const { id } = await bin('A1');
    const lines = (await ilse.get(`/stores/bins/${id}/contents`)).body as BinLine[];
    const modules = lines.find(({ componentId }) => componentId === 'module-n6')!;
    const count = (counted: number, gone: readonly string[]) =>
      jory.send('post', `/stores/bins/${id}/count`, {
        ...{ note: '', lines: [{ componentId: 'module-n6', expected: modules.quantity, counted, gone }] },
      });
    expect((await count(modules.quantity - 1, [])).body.fields['lines.0.gone']).toMatch(/say which are gone/);
    expect((await count(modules.quantity - 1, ['N6-9999'])).body.fields['lines.0.gone']).toMatch(/not in this bin/);
    expect((await count(0, modules.serials)).body.fields['lines.0.counted']).toMatch(/are free: the rest is held/);
    const free = (
      await sql(
        "select serial from serial_item i join stock_place p on p.id = i.place_id where component_id = 'module-n6' and part_line_id is null and p.kind = 'bin' limit 1",
      )
    ).rows[0].serial as string;
    expect((await count(modules.quantity - 1, [free])).body).toMatchObject({ differences: 1 });
  });
});

describe('a number', () => {
  test('tells where it was, and which vehicle it is in now, from when; fitting asks which', async () => {
    const job = await jory.job('Bakery van');
    const line = job.parts.find((part) => part.componentId === 'charger-33' && part.state === 'inStores')!;
    expect(line.serials.length).toBe(1);
    const put = (body: object, version: number) =>
      jory.send('put', `/parts/${line.id}`, { due: null, serials: [], version, ...body });
    const other = await put({ state: 'picked', serials: ['F-404'] }, line.version);
    expect(other.body.detail).toMatch(/F-404 is no number of Charger A3.3 in stores/);
    const picked = await put({ state: 'picked', serials: ['F-1'] }, line.version);
    expect(picked.status).toBe(200);
    expect((await jory.job('Bakery van')).parts.find(({ id }) => id === line.id)).toMatchObject({
      ...{ state: 'picked', pickedBy: 'Jory Opie', serials: ['F-1'] },
    });
    expect((await put({ state: 'fitted' }, picked.body.version)).status).toBe(200);
    const { rows } = (await ilse.get('/stores/numbers/find/F-1/page/0')).body as NumberPage;
    const mine = rows.find(({ serial }) => serial === 'F-1')!;
    expect(mine).toMatchObject({
      batch: 'B7',
      originNote: 'note 4402',
      place: { kind: 'vehicle', name: 'Bakery van' },
      forJob: job.number,
    });
    const sheet = (await ilse.get(`/stores/numbers/${mine.id}`)).body as NumberSheet;
    expect(sheet.events.map((event) => (event.what === 'moved' ? event.kind : event.what))).toEqual([
      'received',
      'picked',
      'fitted',
    ]);
    // The number that was held for the line is free again.
    expect(
      (await sql('select part_line_id from serial_item where serial = $1', [line.serials[0]])).rows[0].part_line_id,
    ).toBeNull();
  });
  test('has notes, changed from the version they were read in', async () => {
    const { rows } = (await ilse.get('/stores/numbers/find/F-2/page/0')).body as NumberPage;
    const { id, version } = (await ilse.get(`/stores/numbers/${rows[0]!.id}`)).body as NumberSheet;
    const note = { batch: 'B8', warrantyUntil: '2029-05-01', note: 'fan is loud', version };
    expect((await jory.send('put', `/stores/numbers/${id}`, note)).status).toBe(200);
    expect((await jory.send('put', `/stores/numbers/${id}`, note)).status).toBe(409);
    expect((await ilse.get(`/stores/numbers/${id}`)).body).toMatchObject({ batch: 'B8', warrantyUntil: '2029-05-01' });
  });
  test('is written on pieces that had none, and on no more than there are', async () => {
    await dropLines(shop.pool(), "component_id = 'dcdc-12'");
    await putOnHand(shop.pool(), 'dcdc-12', 2);
    const { places } = await item('dcdc-12');
    const binId = places.find(({ place }) => place.kind === 'bin')!.place.id;
    const give = (serials: string[]) =>
      jory.send('post', '/stores/items/dcdc-12/numbers', { binId, serials, batch: '' });
    expect((await give(['D-1', 'D-2', 'D-3'])).body.fields.serials).toMatch(/^2 of .* carry no number yet/);
    expect((await give(['D-1'])).body).toEqual({ numbers: 1 });
    expect((await give(['D-1'])).body.fields.serials).toMatch(/in the books already/);
    expect((await give(['d-1'])).body.fields.serials).toMatch(/D-1 is in the books already/);
  });
});

describe('which vehicles carry this', () => {
  /** Looked up by going through every move that ever was. */
  async function byFullScan(batch: string): Promise<string[]> {
    const { rows } = await sql(
      `select i.serial, p.kind, v.name from serial_item i
        join lateral (select m.to_id from stock_move_serial s join stock_move m on m.id = s.move_id where s.serial_id = i.id order by m.id desc limit 1) l on true
        join stock_place p on p.id = l.to_id left join vehicle v on v.id::text = p."of" where i.batch = $1`,
      [batch],
    );
    return rows
      .filter(({ kind }) => kind === 'vehicle')
      .map(({ serial, name }) => `${name} ${serial}`)
      .sort();
  }
  test.each(['D17', '31', '32'])('batch %s: the same as by a full scan', async (batch) => {
    const { rows, found } = (await ilse.get(`/stores/recall/${batch}`)).body as RecallAnswer;
    expect(found).toContain('batch');
    const told = rows
      .filter(({ orderNumber }) => !orderNumber)
      .flatMap((row) => row.serials.map((serial) => `${row.vehicle} ${serial}`));
    expect(told.sort()).toEqual(await byFullScan(batch));
    expect(told.length).toBeGreaterThan(0);
    for (const row of rows) expect(row.client).not.toBe('');
  });
  test('the donor pack went into three vehicles; its modules are found with their clients', async () => {
    const { rows } = (await ilse.get('/stores/recall/D17')).body as RecallAnswer;
    expect([...new Set(rows.map(({ vehicle }) => vehicle))].sort()).toEqual([
      'Flower van',
      'Garden tour car',
      'Milk van',
    ]);
    const csv = Papa.parse<string[]>((await ilse.get('/stores/recall/D17/list.csv')).text.trim()).data;
    expect(csv.length).toBe(rows.length + 1);
  });
  test('a kit revision: every job that took it and every kit that was sent', async () => {
    const { rows, found } = (await ilse.get('/stores/recall/wren-kit-c')).body as RecallAnswer;
    const { rows: jobs } = await sql(
      "select number from job where kit_revision_id = 'wren-kit-c' and state <> 'cancelled'",
    );
    const { rows: orders } = await sql(
      "select number from kit_order where revision_id = 'wren-kit-c' and state in ('sent', 'signed')",
    );
    expect(found).toEqual(['kitRevision']);
    expect(rows.map((row) => row.jobNumber ?? row.orderNumber).sort()).toEqual(
      [...jobs, ...orders].map(({ number }) => number).sort(),
    );
  });
  test('half a number is nobody’s', async () => {
    expect((await ilse.get('/stores/recall/N6-00')).body).toEqual({ found: [], rows: [], elsewhere: [] });
  });
});

describe('a pack', () => {
  const packs = async () => (await ilse.get('/stores/packs')).body as PackRow[];
  const pack = async (name: string) => (await packs()).find((one) => one.name === name)!;
  test('is moved from a vehicle to another with its modules; the job it leaves is short, the other has them', async () => {
    const { rows } = await sql(
      `select i.id, i.serial from serial_item i join stock_place p on p.id = i.place_id where component_id = 'module-n6-graded'
        and p.kind = 'bin' order by serial limit 4`,
    );
    const made = await jory.send('post', '/stores/packs', {
      name: 'P-90',
      note: '',
      serialIds: rows.map(({ id }) => id),
    });
    expect(made.status).toBe(200);
    const again = await jory.send('post', '/stores/packs', { name: 'P-91', note: '', serialIds: [rows[0].id] });
    expect(again.body.fields.serialIds).toMatch(/is in P-90/);
    const [van, library] = [await ilse.job('Bakery van'), await ilse.job('Mobile library')];
    const move = async (jobNumber: string, by = ilse) =>
      by.send('post', `/stores/packs/${made.body.id}/move`, {
        ...{ binId: null, jobNumber, why: 'to try the range', version: (await pack('P-90')).version },
      });
    expect((await move(van.number, jory)).status).toBe(200);
    const fitted = (await ilse.job('Bakery van')).parts.find((part) => part.componentId === 'module-n6-graded')!;
    expect(fitted).toMatchObject({ state: 'fitted', quantity: 4, serials: rows.map(({ serial }) => serial) });
    expect((await move(library.number, jory)).body.detail).toBe('A fitted part is taken out again by a manager.');
    expect((await move(library.number)).status).toBe(200);
    expect((await ilse.job('Bakery van')).parts.find(({ id }) => id === fitted.id)).toMatchObject({
      state: 'missing',
      serials: [],
    });
    expect(
      (await ilse.job('Mobile library')).parts.find((part) => part.componentId === 'module-n6-graded'),
    ).toMatchObject({
      ...{ state: 'fitted', quantity: 4 },
    });
    const sheet = (await ilse.get(`/stores/numbers/${rows[0].id}`)).body as NumberSheet;
    expect(sheet.place).toMatchObject({ kind: 'vehicle', name: 'Mobile library' });
    expect(
      sheet.events.flatMap((event) => (event.what === 'moved' && event.kind === 'fitted' ? [event.to.name] : [])),
    ).toEqual(['Bakery van', 'Mobile library']);
    expect((await move(library.number)).body.detail).toBe('It is there already.');
  });
  test('is split and merged, and every module keeps its history', async () => {
    const whole = await pack('P-90');
    const [first, second] = whole.modules;
    const split = await jory.send('post', `/stores/packs/${whole.id}/modules`, {
      ...{ serialIds: [first!.id, second!.id], intoPackId: null, newName: 'P-92', version: whole.version },
    });
    expect(split.status).toBe(200);
    expect((await pack('P-92')).modules.map(({ serial }) => serial)).toEqual([first!.serial, second!.serial]);
    expect(await pack('P-90')).toMatchObject({ wentInto: ['P-92'], modules: [{}, {}] });
    const left = await pack('P-90');
    const merged = await jory.send('post', `/stores/packs/${left.id}/modules`, {
      ...{ serialIds: left.modules.map(({ id }) => id), newName: '', version: left.version },
      intoPackId: (await pack('P-92')).id,
    });
    expect(merged.status).toBe(200);
    expect((await pack('P-90')).endedAt).not.toBeNull();
    expect((await pack('P-92')).modules.length).toBe(4);
    const { events } = (await ilse.get(`/stores/numbers/${first!.id}`)).body as NumberSheet;
    expect(events.flatMap((event) => (event.what === 'packed' ? [event.pack] : []))).toEqual(['P-17', 'P-90', 'P-92']);
  });
  test('does not come back from the scrap with a module of it', async () => {
    const { rows } = await sql(
      `select i.id, i.serial, i.place_id from serial_item i join stock_place p on p.id = i.place_id and p.kind = 'bin'
        where component_id = 'module-n6-graded' and part_line_id is null
          and not exists (select 1 from pack_module m where m.serial_id = i.id and m.until is null) order by serial limit 1`,
    );
    const [{ id, serial, place_id: binId }] = rows;
    const made = await jory.send('post', '/stores/packs', { name: 'P-93', note: '', serialIds: [id] });
    const scrap = { fromBinId: binId, toBinId: null, quantity: 1, serials: [serial], note: 'swollen' };
    expect((await jory.send('post', '/stores/items/module-n6-graded/move', scrap)).status).toBe(200);
    const back = await ilse.send('post', `/stores/packs/${made.body.id}/move`, {
      ...{ binId, jobNumber: null, why: 'to look at it', version: 1 },
    });
    expect([back.status, back.body.detail]).toEqual([422, expect.stringMatching(/was scrapped/)]);
  });
});

describe('grading', () => {
  const numbers = async () =>
    (
      await sql(`select i.id, i.serial from serial_item i join stock_place p on p.id = i.place_id
        where component_id = 'module-n6-graded' and p.kind = 'bin' and part_line_id is null order by serial`)
    ).rows as { id: string; serial: string }[];
  const graded = (id: string, more: object = {}) =>
    jory.send('post', `/stores/numbers/${id}/gradings`, {
      ...{ day: inDays(-209), capacityAh: 97.4, energyWh: null, resistanceOhm: 0.004, temperatureC: 21, currentA: 40 },
      ...{ fromV: null, toV: null, method: 'typed from the tester', logFileId: null, ...more },
    });
  test('the newest counts, none is changed; a charger is not graded, nor a day to come, nor nothing', async () => {
    const [one] = await numbers();
    expect((await graded(one!.id, { day: '2099-01-01' })).body.fields.day).toMatch(/still to come/);
    expect((await graded(one!.id, { capacityAh: 0 })).body.fields.capacityAh).toMatch(/more than 0/);
    expect(
      (await graded(one!.id, { logFileId: '00000000-0000-4000-8000-000000000000' })).body.fields.logFileId,
    ).toMatch(/not one of this/);
    const charger = (await sql("select id from serial_item where component_id = 'charger-33' limit 1")).rows[0]
      .id as string;
    expect((await graded(charger)).body.detail).toMatch(/only modules are graded/);
    expect((await graded(one!.id, { day: inDays(0) })).status).toBe(200);
    expect(((await ilse.get(`/stores/numbers/${one!.id}`)).body as NumberSheet).graded).toMatchObject({
      capacityAh: 97.4,
    });
    await expect(sql('update grading set capacity_ah = 120')).rejects.toThrow(/kept as it was written/);
  });
  test('as many as are wanted are held in one go, and no others', async () => {
    const van = await jory.job('Bakery van');
    const { body: line } = await jory.send('post', `/jobs/${van.number}/parts`, {
      componentId: 'module-n6-graded',
      quantity: 3,
    });
    const ids = (await numbers()).map(({ id }) => id);
    const hold = (serialIds: readonly string[], version: number) =>
      jory.send('post', '/stores/hold', { lineId: line.id, serialIds, version });
    expect((await hold(ids.slice(0, 2), 1)).body.fields.serialIds).toMatch(/wants 3 of .*; these are 2/);
    const charger = (
      await sql(
        "select i.id from serial_item i join stock_place p on p.id = i.place_id where component_id = 'charger-66' and p.kind = 'bin' limit 1",
      )
    ).rows[0].id;
    expect((await hold([...ids.slice(0, 2), charger], 1)).body.fields.serialIds).toMatch(/is no Module N6 graded/);
    expect((await hold(ids.slice(0, 3), 1)).status).toBe(200);
    expect((await hold(ids.slice(3, 6), 1)).status).toBe(409);
    // Others instead: what it held is anybody's again.
    expect((await hold(ids.slice(3, 6), 2)).status).toBe(200);
    const held = (await jory.job('Bakery van')).parts.find(({ id }) => id === line.id)!;
    expect([held.state, held.serials.length]).toEqual(['inStores', 3]);
    const other = await jory.send('post', `/jobs/${van.number}/parts`, {
      componentId: 'module-n6-graded',
      quantity: 1,
    });
    const taken = await jory.send('post', '/stores/hold', { lineId: other.body.id, serialIds: [ids[3]], version: 1 });
    expect(taken.body.fields.serialIds).toMatch(/held for another job/);
  });
});

test('numbers that a kit order packs are of pieces that lie in bins', async () => {
  const { rows } = await sql(
    `select l.id from order_line l join kit_order o on o.id = l.order_id where o.state = 'ordered' and l.component_id = 'module-n6' limit 1`,
  );
  const pack = (serials: readonly string[]) => jory.send('put', `/order-lines/${rows[0].id}/serials`, { serials });
  expect((await pack(['N6-8888'])).body.fields.serials).toMatch(/is no number of Module N6/);
  const held = (
    await sql(
      "select serial from serial_item where component_id = 'module-n6' and part_line_id is not null and place_id in (select id from stock_place where kind = 'bin') limit 1",
    )
  ).rows[0].serial;
  expect((await pack([held])).body.fields.serials).toMatch(/held for a job/);
  const free = (
    await sql(
      "select serial from serial_item i join stock_place p on p.id = i.place_id where component_id = 'module-n6' and part_line_id is null and p.kind = 'bin' and serial not in (select serial from order_serial) limit 1",
    )
  ).rows[0].serial;
  expect((await pack([free])).status).toBe(200);
});

describe('what is the same, and what is over', () => {
  test('two vehicles that are one: what was fitted in either is in it, and is found', async () => {
    const vehicles = (await ilse.get('/vehicles')).body as {
      id: string;
      name: string;
      version: number;
      variantId: string;
    }[];
    const [milk, flower] = ['Milk van', 'Flower van'].map((name) => vehicles.find((one) => one.name === name)!);
    await sql('update vehicle set variant_id = $1 where id in ($2, $3)', [milk!.variantId, milk!.id, flower!.id]);
    const merged = await ilse.send('post', `/vehicles/${milk!.id}/merge`, {
      ...{ into: flower!.id, version: milk!.version, intoVersion: flower!.version },
    });
    expect(merged.status, merged.body.detail).toBe(200);
    const { rows } = (await ilse.get('/stores/recall/D17')).body as RecallAnswer;
    const mine = rows.find(({ vehicle }) => vehicle === 'Flower van')!;
    expect(mine.serials).toEqual(expect.arrayContaining(['N6G-0101', 'N6G-0112', 'N6G-0114']));
    const found = (await ilse.get('/stores/numbers/find/N6G-0112/page/0')).body as NumberPage;
    const { events } = (await ilse.get(`/stores/numbers/${found.rows[0]!.id}`)).body as NumberSheet;
    expect(events.at(-1)).toMatchObject({ what: 'moved', note: 'Milk van is Flower van' });
  });
  test('two clients that are one: the kits that were sent to either', async () => {
    const clients = (await ilse.get('/clients')).body as { id: string; name: string; version: number }[];
    const [yard, grocers] = ['Ferry Yard Conversions', 'Round Bay Grocers'].map(
      (name) => clients.find((one) => one.name === name)!,
    );
    const merged = await ilse.send('post', `/clients/${yard!.id}/merge`, {
      ...{ into: grocers!.id, version: yard!.version, intoVersion: grocers!.version },
    });
    expect(merged.status, merged.body.detail).toBe(200);
    const { rows } = await sql(
      "select count(*)::int as n from stock_place p where kind = 'client' and not exists (select 1 from client where id::text = p.of) and exists (select 1 from stock_balance b where b.place_id = p.id and quantity > 0)",
    );
    expect(rows[0].n).toBe(0);
  });
  test('a job that is cancelled holds nothing any more, nor waits for anything', async () => {
    const job = await ilse.job('Ice-cream van');
    const held = job.parts.find(({ state, serials }) => state === 'inStores' && serials.length === 0)!;
    const before = await item(held.componentId);
    const over = await ilse.send('put', `/jobs/${job.number}/state`, {
      ...{ state: 'cancelled', reason: 'the island got its own ice', version: job.version },
    });
    expect(over.status, over.body.detail).toBe(200);
    const after = await ilse.job('Ice-cream van');
    expect(after.parts.filter(({ state }) => state === 'inStores' || state === 'ordered')).toEqual([]);
    const free = await item(held.componentId);
    expect(before.held - free.held).toBe(held.quantity);
    expect(free.onHand).toBe(before.onHand);
  });
});

/** A sale of one piece, written and not sold yet. */
const saleOf = async (componentId: string): Promise<string> => {
  const { number } = (await jory.send('post', '/sales', { clientId: null, clientName: 'Pier Café', clientContact: '' }))
    .body;
  const { body: drafted } = await jory.get(`/sales/${number}`);
  const line: OfferLine = {
    ...{ key: `part ${componentId}`, kind: 'part', group: 'main', text: 'Charger', componentId },
    ...{ skill: null, quantity: 1, unitCents: 64_000, addShare: 0, taxShare: 0.23, foreign: null, estimate: null },
  };
  await jory.send('put', `/sales/${number}`, { body: { ...drafted.body, lines: [line] }, version: 1 });
  return number;
};

describe('refurbishing', () => {
  test('an order on a number: parts out of their bins, hours, the proof, its own warranty and true cost', async () => {
    await sql("update component set price_cents = 64000 where id = 'charger-33'");
    await putOnHand(shop.pool(), 'charger-33', 5);
    await goodsIn({ serials: ['REF-1'] });
    const { rows } = await sql("select id from serial_item where serial = 'REF-1'");
    const id = rows[0].id as string;
    const sheet = async () => (await ilse.get(`/stores/numbers/${id}`)).body as NumberSheet;
    const begin = () =>
      jory.send('post', `/stores/numbers/${id}/refurbishing`, { what: 'new fan and seals', boughtCents: 15_000 });
    const { id: order } = (await begin()).body;
    expect((await begin()).body.detail).toMatch(/being refurbished already/);
    await dropLines(shop.pool(), 'component_id = $1', ['cable-70']);
    await putOnHand(shop.pool(), 'cable-70', 3);
    const put = (quantity: number) =>
      jory.send('post', `/refurbishing/${order}/parts`, { componentId: 'cable-70', quantity, serials: [] });
    expect((await put(4)).body.detail).toMatch(/^Stores have 3 free/);
    expect((await put(2)).status).toBe(200);
    const hours = (more: object) =>
      jory.send('post', `/refurbishing/${order}/hours`, { hours: 2.5, day: inDays(-7), what: '', ...more });
    expect((await hours({ day: '2199-01-01' })).body.fields).toHaveProperty('day');
    expect((await hours({ hours: 30 })).body.fields).toHaveProperty('hours');
    expect((await hours({})).status).toBe(200);
    // 150 + 2 × 310 + 2.5 h × 58.
    expect((await sheet()).refurbishing[0]).toMatchObject({
      ...{ state: 'open', partsCents: 62_000, hoursCents: 14_500, totalCents: 91_500, hours: 2.5 },
    });
    const inBins = async () =>
      ((await ilse.get('/stores/items/charger-33/numbers')).body as NumberRow[]).find((row) => row.id === id);
    expect(await inBins()).toMatchObject({ beingRefurbished: true });
    for (const path of [
      `/stores/numbers/${id}/label.pdf`,
      '/stores/items/charger-33/label.pdf',
      '/stores/bins/labels.pdf',
    ]) {
      const label = await ilse.get(path).buffer(true);
      expect([label.status, label.headers['content-type']], path).toEqual([200, 'application/pdf']);
    }
    expect((await ilse.get('/stores/numbers.csv')).text).toMatch(/REF-1,.*,yes\r?\n/);
    // Taken apart, it is nobody's to fit, sell or scrap.
    const sale = await saleOf('charger-33');
    const sell = (serial: string) =>
      jory.send('post', `/sales/${sale}/sell`, {
        serials: [{ componentId: 'charger-33', serials: [serial] }],
        version: 2,
      });
    expect((await sell('REF-1')).body.detail).toMatch(/^REF-1 is being refurbished/);
    const { rows: bins } = await sql('select place_id as id from serial_item where id = $1', [id]);
    const scrapped = await jory.send('post', '/stores/items/charger-33/move', {
      ...{ fromBinId: bins[0].id, toBinId: null, quantity: 1, serials: ['REF-1'], note: 'dropped' },
    });
    expect(scrapped.body.detail).toMatch(/being refurbished: it leaves its bin once/);
    const end = (more: object = {}) =>
      jory.send('post', `/refurbishing/${order}/end`, {
        ...{ good: true, ended: 'two hours at full load, 61 °C', warrantyUntil: inDays(358), version: 1, ...more },
      });
    expect((await end({ version: 9 })).status).toBe(409);
    expect((await end({ ended: '' })).body.fields).toHaveProperty('ended');
    expect((await end()).status).toBe(200);
    expect((await end({ version: 2 })).body.detail).toMatch(/is over/);
    expect(await inBins()).toMatchObject({ beingRefurbished: false });
    expect(await sheet()).toMatchObject({
      warrantyUntil: inDays(358),
      refurbishing: [{ state: 'done', endedBy: 'Jory Opie' }],
    });
    expect((await sell('REF-1')).status).toBe(200);
    const used = await sql(
      "select b.quantity from stock_balance b join stock_place p on p.id = b.place_id where p.kind = 'refurbishing' and b.component_id = 'cable-70'",
    );
    expect(used.rows).toEqual([{ quantity: 2 }]);
  });
  test('begun and sold at the same moment, a number is one of the two', async () => {
    await putOnHand(shop.pool(), 'charger-33', 8);
    for (const serial of ['REF-2', 'REF-3', 'REF-4']) {
      await goodsIn({ serials: [serial] });
      const { rows } = await sql('select id from serial_item where serial = $1', [serial]);
      const sale = await saleOf('charger-33');
      const [begun, sold] = await Promise.all([
        jory.send('post', `/stores/numbers/${rows[0].id}/refurbishing`, { what: 'new seals', boughtCents: null }),
        ilse.send('post', `/sales/${sale}/sell`, {
          serials: [{ componentId: 'charger-33', serials: [serial] }],
          version: 2,
        }),
      ]);
      expect([begun.status === 200, sold.status === 200].filter(Boolean)).toHaveLength(1);
      const { rows: at } = await sql(
        `select p.kind, exists (select 1 from refurbishing r where r.serial_id = i.id and r.state = 'open') as open
         from serial_item i join stock_place p on p.id = i.place_id where i.id = $1`,
        [rows[0].id],
      );
      expect(at).toEqual([begun.status === 200 ? { kind: 'bin', open: true } : { kind: 'client', open: false }]);
    }
  });
});
