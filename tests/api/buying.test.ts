import Papa from 'papaparse';
import { beforeAll, describe, expect, test } from 'vitest';
import type { NeedRow, NeedSheet } from '../../contract/needs.ts';
import type { PurchaseRow, PurchaseSheet } from '../../contract/purchases.ts';
import type { OfferRound, SupplierPart, SupplierRow, SupplierSheet } from '../../contract/suppliers.ts';
import type { WorkPlanSheet } from '../../contract/workPlan.ts';
import { inDays } from '../day.ts';
import { dropLines, onHand, putOnHand } from './stock.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
let ilse: Visitor;
let jory: Visitor;
beforeAll(async () => {
  [ilse, jory] = [await shop.visitor('ilse'), await shop.visitor('jory')];
});
const need = async (id: string) => (await ilse.get(`/stores/needs/${id}`)).body as NeedSheet;
const order = async (number: string) => (await ilse.get(`/purchases/${number}`)).body as PurchaseSheet;
const write = async (lines: readonly (readonly [string, number, number])[], more: object = {}) => {
  const made = await ilse.send('post', '/purchases', {
    ...{
      supplierId: 'geo-fittings',
      currency: 'EUR',
      rateMillionths: 1_000_000,
      rateDay: null,
      wantedOn: null,
      note: '',
    },
    lines: lines.map(([componentId, quantity, priceCents]) => ({ componentId, quantity, priceCents })),
    ...more,
  });
  return made;
};
/** An order that was sent; its number. */
const sent = async (...lines: (readonly [string, number, number])[]): Promise<string> => {
  const { number } = (await write(lines)).body as { number: string };
  expect((await ilse.send('post', `/purchases/${number}/send`, { version: 1 })).status).toBe(200);
  return number;
};
const arrived = (lineId: string, good: number, more: object = {}) => ({
  ...{ lineId, good, damaged: 0, wrong: 0, announced: null, serials: [], batch: '', binId: null, remark: '' },
  ...more,
});
const receive = (number: string, note: string, lines: object[], keepOver = false) =>
  jory.send('post', `/purchases/${number}/receive`, { note, lines, keepOver });

describe('needs', () => {
  test('list what presses first; the sheet tells who has what from where and draws it', async () => {
    const rows = (await ilse.get('/stores/needs')).body as NeedRow[];
    const states = rows.map(({ state }) => state);
    expect(states).toEqual(
      [...states].sort(
        (a, b) => ['short', 'late', 'order', 'fine'].indexOf(a) - ['short', 'late', 'order', 'fine'].indexOf(b),
      ),
    );
    const { row, lines, curve } = await need('contactor-box-450');
    expect(rows.find(({ componentId }) => componentId === 'contactor-box-450')).toEqual(row);
    expect(lines.find(({ title }) => title === 'Hotel shuttle')).toMatchObject({
      from: 'order',
      basis: 'plan',
      short: 0,
    });
    expect(curve[0]).toMatchObject({ balance: await onHand(shop.pool(), 'contactor-box-450') });
    expect(row.needed).toBe(lines.reduce((sum, line) => sum + line.quantity, 0));
    expect((await ilse.get('/stores/needs/moon-rock')).status).toBe(404);
  });
  test('a part is wanted from when the plan begins its stage, and who gets it is told in days of the plan', async () => {
    const { plan, facts } = (await ilse.get('/work-plan')).body as WorkPlanSheet;
    const { lines, choices } = await need('contactor-box-450');
    const shuttle = facts.jobs.find(({ title }) => title === 'Hotel shuttle')!;
    const line = lines.find(({ title }) => title === 'Hotel shuttle')!;
    const begins = plan!.stages
      .filter(({ job }) => job === shuttle.number)
      .map(({ from, wanted }) => wanted ?? from.slice(0, 10));
    expect(begins).toContain(line.neededOn);
    // With the piece on the day the plan reckons with, its job is ready when the plan says.
    const planned = plan!.jobs.find(({ number }) => number === shuttle.number)!;
    for (const { outcomes } of choices) {
      const own = outcomes.find(({ number }) => number === shuttle.number)!;
      const moved = Date.parse(own.readyOn!) - Date.parse(planned.to.slice(0, 10));
      const stage = plan!.stages.find(({ job, waits }) => job === shuttle.number && waits?.kind === 'part');
      if (!stage || own.partOn > stage.from.slice(0, 10)) expect(moved).toBeGreaterThanOrEqual(0);
      else expect(moved).toBeLessThanOrEqual(0);
    }
  });
  test('a kit that is packed may have it as well: it is freed from the job, which waits, once', async () => {
    const { choices } = await need('contactor-box-450');
    const kit = choices.find(({ number }) => number.startsWith('K'))!;
    const from = choices.find(({ holds }) => holds)!;
    const dayOf = (lineId: string) => kit.outcomes.find((one) => one.lineId === lineId)!.readyOn;
    // It is on the shelf: the kit is ready today, the job by what comes next.
    expect(dayOf(kit.lineId)).toBe((await ilse.get('/work-plan')).body.facts.now.day);
    const body = {
      ...{ toLineId: kit.lineId, fromLineId: from.lineId, why: 'the ferry leaves tomorrow' },
      ...{ toReadyOn: dayOf(kit.lineId), fromReadyOn: dayOf(from.lineId) },
    };
    const moved = await ilse.send('post', '/stores/take', { ...body, toReadyOn: inDays(-330) });
    expect(moved.body.detail).toMatch(/days have moved since you looked/);
    // Ten at once, half of them word for word the same.
    const ten = Array.from({ length: 10 }, (_, i) => ({ ...body, why: i % 2 ? body.why : `${body.why} ${i}` }));
    const all = await Promise.all(ten.map((one) => ilse.send('post', '/stores/take', one)));
    expect(all.map(({ status }) => status).sort()).toEqual([200, ...Array(9).fill(422)]);
    const { rows } = await sql('select count(*)::int as n from stock_taken where to_order_id is not null');
    expect(rows[0].n).toBe(1);
    const after = await need('contactor-box-450');
    expect(after.lines.find(({ lineId }) => lineId === kit.lineId)).toMatchObject({ from: 'stock', short: 0 });
    expect(after.lines.find(({ lineId }) => lineId === from.lineId)!.from).not.toBe('held');
    expect(after.taken[0]).toMatchObject({ toJob: kit.number, fromJob: from.number, toAfter: body.toReadyOn });
    // Back to the job, as it was for what follows.
    await sql("update part_line set state = 'inStores' where id = $1", [from.lineId]);
  });
  test('a scarce piece is taken from another job, with what that does to both, which is kept', async () => {
    const { choices, lines } = await need('contactor-box-450');
    const to = choices.find(({ holds, number }) => !holds && !number.startsWith('K'))!;
    const from = choices.find(({ holds }) => holds)!;
    const dayOf = (lineId: string) => to.outcomes.find((one) => one.lineId === lineId)!.readyOn;
    const body = {
      ...{ toLineId: to.lineId, fromLineId: from.lineId, why: 'the ferry season begins' },
      ...{ toReadyOn: dayOf(to.lineId), fromReadyOn: dayOf(from.lineId) },
    };
    expect((await jory.send('post', '/stores/take', body)).status).toBe(403);
    const moved = await ilse.send('post', '/stores/take', { ...body, fromReadyOn: inDays(-330) });
    expect([moved.status, moved.body.detail]).toEqual([422, expect.stringMatching(/days have moved since you looked/)]);
    const both = await Promise.all([ilse.send('post', '/stores/take', body), ilse.send('post', '/stores/take', body)]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 422]);
    const after = await need('contactor-box-450');
    expect(after.lines.find(({ lineId }) => lineId === to.lineId)).toMatchObject({ from: 'held' });
    // What was ordered for the one now comes for the other.
    expect(after.lines.find(({ lineId }) => lineId === from.lineId)!.from).not.toBe('held');
    expect(after.taken[0]).toMatchObject({
      ...{ why: 'the ferry season begins', toAfter: body.toReadyOn, fromAfter: body.fromReadyOn },
    });
    expect(after.taken[0]!.toBefore).toBe(from.outcomes.find((one) => one.lineId === to.lineId)!.readyOn);
    expect(lines.length).toBe(after.lines.length);
    const { body: events } = await ilse.get(`/jobs/${from.number}/events`);
    expect(JSON.stringify(events)).toContain('the ferry season begins');
  });
});

describe('an order', () => {
  test('is refused without price, of nobody, of what nobody knows, in a currency without its day', async () => {
    expect((await write([['hv-label-set', 4, 0]])).body.fields['lines.0.priceCents']).toMatch(/no price/);
    expect((await write([['moon-rock', 4, 100]])).body.fields['lines.0.componentId']).toMatch(/library/);
    expect((await write([['hv-label-set', 4, 100]], { supplierId: 'nobody' })).body.fields.supplierId).toMatch(
      /Choose/,
    );
    const dollars = { currency: 'USD', rateMillionths: 920_000 };
    expect((await write([['hv-label-set', 4, 100]], dollars)).body.fields.rateDay).toMatch(/of which day/);
    expect((await write([['hv-label-set', 4, 100]], { currency: null })).body.fields.currency).toBeTruthy();
    expect((await write([['coolant-hose-19', 1500, 640]])).body.fields['lines.0.quantity']).toBe(
      'Whole metres are ordered.',
    );
    const made = await write([['hv-label-set', 4, 100]], { ...dollars, rateDay: inDays(-7) });
    expect(await order(made.body.number)).toMatchObject({
      currency: 'USD',
      totalCents: 400,
      ownCents: 368,
      rateDay: inDays(-7),
    });
  });
  test('goes out as PDF and CSV, and all of them as CSV', async () => {
    const number = await sent(['hv-label-set', 4, 2400]);
    const pdf = await ilse.get(`/purchases/${number}/order.pdf`);
    expect([pdf.status, pdf.headers['content-type']]).toEqual([200, 'application/pdf']);
    const csv = Papa.parse<string[]>((await ilse.get(`/purchases/${number}/order.csv`)).text.trim()).data;
    expect(csv[1]).toEqual(['1', 'HV label set', expect.stringMatching(/^GF-\d+$/), 'pieces', '4', '24', '', '0', '4']);
    expect((await ilse.get('/purchases.csv')).text).toContain(number);
    expect((await ilse.get(`/purchases/${number}/labels.pdf`)).status).toBe(422);
    await ilse.send('post', `/purchases/${number}/cancel`, { why: 'not wanted after all', version: 2 });
  });
  test('lines of jobs that it covers wait for it; they hold what came, and what came late moves with the promise', async () => {
    await dropLines(shop.pool(), "component_id = 'display-round'");
    await putOnHand(shop.pool(), 'display-round', 0);
    const job = await ilse.job('Bakery van');
    await jory.send('post', `/jobs/${job.number}/parts`, { componentId: 'display-round', quantity: 2 });
    const number = await sent(['display-round', 3, 12_000]);
    const line = async () => (await ilse.job('Bakery van')).parts.find((part) => part.componentId === 'display-round')!;
    expect(await line()).toMatchObject({ state: 'ordered' });
    const byHand = await jory.send('put', `/parts/${(await line()).id}`, {
      ...{ state: 'inStores', due: null, serials: [], version: (await line()).version },
    });
    expect(byHand.body.detail).toMatch(/comes with an order: count it in under Stores/);
    const sheet = await order(number);
    expect(sheet.lines[0]!.forJobs).toEqual([job.number]);
    await ilse.send('post', `/purchases/${number}/confirm`, {
      ...{
        lines: [{ lineId: sheet.lines[0]!.id, promisedOn: inDays(94), priceCents: 12_500 }],
        version: sheet.version,
      },
    });
    expect(await line()).toMatchObject({ state: 'ordered', due: inDays(94) });
    expect(await order(number)).toMatchObject({ state: 'confirmed', totalCents: 37_500 });
    expect((await receive(number, 'N-1', [arrived(sheet.lines[0]!.id, 1)])).status).toBe(200);
    // One came, two are wanted: it waits on.
    expect(await line()).toMatchObject({ state: 'ordered' });
    expect((await receive(number, 'N-2', [arrived(sheet.lines[0]!.id, 2)])).status).toBe(200);
    expect(await line()).toMatchObject({ state: 'inStores', due: null });
    expect(await order(number)).toMatchObject({ state: 'closed' });
    expect(await onHand(shop.pool(), 'display-round')).toBe(3);
  });
  test('delivered short, damaged, twice and with too many is put right, nothing doubled', async () => {
    const before = await onHand(shop.pool(), 'gauge-face');
    const number = await sent(['gauge-face', 4, 16_000]);
    const [line] = (await order(number)).lines;
    const first = arrived(line!.id, 2, { damaged: 1, announced: 4, remark: 'glass broken' });
    const both = await Promise.all([receive(number, 'D-1', [first]), receive(number, 'd-1', [first])]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 400]);
    expect(both.find(({ status }) => status === 400)!.body.fields.note).toMatch(/a note is counted in once/);
    const after = await order(number);
    expect(after.receipts[0]!.lines[0]!.findings).toEqual([
      { finding: 'short', by: 1 },
      { finding: 'damaged', by: 1 },
    ]);
    expect(after.returns[0]).toMatchObject({ quantity: 1, reason: 'came damaged: glass broken' });
    expect(after.lines[0]).toMatchObject({ accepted: 2, outstanding: 2 });
    const over = await receive(number, 'D-2', [arrived(line!.id, 3)]);
    expect(over.body.fields['lines.0.good']).toMatch(/2 of .* are still to come and 3 were counted/);
    expect((await receive(number, 'D-2', [arrived(line!.id, 3)], true)).status).toBe(200);
    expect(await order(number)).toMatchObject({ state: 'closed' });
    expect(await onHand(shop.pool(), 'gauge-face')).toBe(before + 5);
    // The one too many goes back after all.
    const { version } = await order(number);
    const back = await jory.send('post', `/purchases/${number}/send-back`, {
      ...{ lineId: line!.id, quantity: 1, serials: [], reason: 'one too many', version },
    });
    expect(back.status).toBe(200);
    expect(await onHand(shop.pool(), 'gauge-face')).toBe(before + 4);
    expect((await order(number)).lines[0]).toMatchObject({ returned: 1, outstanding: 0 });
    const labels = await ilse.get(`/purchases/${number}/labels.pdf`);
    expect(labels.status).toBe(200);
  });
  test('comes into a bin in use and nowhere else; hose is told in metres and carries no numbers', async () => {
    const number = await sent(['coolant-hose-19', 5000, 640]);
    const [line] = (await order(number)).lines;
    const put = async (more: object) => (await receive(number, 'H-1', [arrived(line!.id, 2000, more)])).body.fields;
    const { rows } = await sql("select id from stock_place where kind = 'vehicle' limit 1");
    expect((await put({ binId: rows[0].id }))['lines.0.binId']).toBe('Choose a bin that is in use.');
    expect((await put({ serials: ['H-1'] }))['lines.0.serials']).toMatch(/kept by length/);
    const over = await receive(number, 'H-1', [arrived(line!.id, 6000)]);
    expect(over.body.fields['lines.0.good']).toMatch(/^5.m of .* are still to come and 6.m were counted/);
    const { version } = await order(number);
    const drop = await ilse.send('post', `/purchases/${number}/drop`, {
      ...{ lineId: line!.id, quantity: 9000, why: 'not made any more', version },
    });
    expect(drop.body.fields.quantity).toMatch(/^Only 5.m are still to come/);
  });
  test('what will not come is dropped, and whoever waited for it is told', async () => {
    await dropLines(shop.pool(), "component_id = 'steering-pump'");
    await putOnHand(shop.pool(), 'steering-pump', 0);
    const job = await ilse.job('Bakery van');
    await jory.send('post', `/jobs/${job.number}/parts`, { componentId: 'steering-pump', quantity: 1 });
    const number = await sent(['steering-pump', 1, 64_000]);
    const { lines, version } = await order(number);
    const drop = (quantity: number) =>
      ilse.send('post', `/purchases/${number}/drop`, {
        lineId: lines[0]!.id,
        quantity,
        why: 'not made any more',
        version,
      });
    expect((await drop(2)).body.fields.quantity).toBe('Only 1 are still to come.');
    expect((await drop(1)).status).toBe(200);
    expect(await order(number)).toMatchObject({ state: 'closed', totalCents: 0 });
    const part = (await ilse.job('Bakery van')).parts.find((one) => one.componentId === 'steering-pump')!;
    expect(part).toMatchObject({ state: 'missing', due: null });
  });
  test('is changed as a draft only, from the version it was seen at; cancelled before anything came', async () => {
    const { number } = (await write([['clamp-set', 2, 5800]])).body as { number: string };
    const change = (version: number) =>
      ilse.send('put', `/purchases/${number}`, {
        ...{ supplierId: 'geo-fittings', currency: 'EUR', rateMillionths: 1_000_000, rateDay: null, wantedOn: null },
        ...{ note: 'by the next ferry', lines: [{ componentId: 'clamp-set', quantity: 3, priceCents: 5700 }], version },
      });
    expect((await change(1)).status).toBe(200);
    expect((await change(1)).status).toBe(409);
    expect(await order(number)).toMatchObject({ totalCents: 17_100, note: 'by the next ferry' });
    await ilse.send('post', `/purchases/${number}/send`, { version: 2 });
    expect((await change(3)).status).toBe(422);
    await expect(
      sql('update purchase_line set quantity = 9 where purchase_id = (select id from purchase where number = $1)', [
        number,
      ]),
    ).rejects.toThrow(/never changes/);
    expect((await ilse.send('post', `/purchases/${number}/cancel`, { why: 'found some', version: 3 })).status).toBe(
      200,
    );
    expect((await receive(number, 'X', [])).status).toBe(400);
  });
});

describe('an invoice', () => {
  test('is held against order and receipts, entered once, agreed with a reason where it does not match', async () => {
    const number = await sent(['hv-label-set', 10, 2400]);
    const [line] = (await order(number)).lines;
    await receive(number, 'I-1', [arrived(line!.id, 8)]);
    const invoice = (n: string, quantity: number, priceCents: number, totalCents: number) =>
      ilse.send('post', `/purchases/${number}/invoices`, {
        ...{
          number: n,
          day: inDays(-7),
          taxCents: 0,
          totalCents,
          lines: [{ lineId: line!.id, quantity, priceCents }],
        },
      });
    const made = await invoice('R-1', 10, 2500, 25_100);
    expect(made.status).toBe(200);
    expect((await invoice('r-1', 1, 2400, 2400)).body.fields.number).toMatch(/there already/);
    const [row] = (await order(number)).invoices;
    expect(row!.findings.map(({ finding }) => finding)).toEqual(['notReceived', 'price', 'sum']);
    const settle = (agreed: boolean, why: string) =>
      ilse.send('post', `/purchase-invoices/${row!.id}/settle`, { agreed, why, version: 1 });
    expect((await settle(true, '')).body.fields.why).toMatch(/paid all the same/);
    expect((await settle(false, 'wrong price, and two are missing')).status).toBe(200);
    expect((await settle(true, 'no')).status).toBe(409);
    // What was refused counts for nothing: the right one matches.
    await invoice('R-2', 8, 2400, 19_200);
    expect((await order(number)).invoices[1]).toMatchObject({ state: 'open', findings: [] });
  });
});

describe('suppliers', () => {
  test('are known by how they kept their promises', async () => {
    const rows = (await ilse.get('/suppliers')).body as SupplierRow[];
    expect(rows.find(({ id }) => id === 'holm-drives')).toMatchObject({ came: 5, late: 4, medianLateDays: 4, bad: 1 });
    const { row } = await need('drive-h80');
    expect(row.lateDays).toBe(4);
  });
  test('questions, promises and failures are noted and ended once; a desk has an address or none', async () => {
    const made = await jory.send('post', '/suppliers/noost-cooling/notes', {
      kind: 'question',
      text: 'Is the hose rated for 120 °C?',
    });
    const end = () => jory.send('post', `/supplier-notes/${made.body.id}/end`, { ended: 'yes, by their sheet' });
    expect((await end()).status).toBe(200);
    expect((await end()).status).toBe(422);
    const { notes, version } = (await ilse.get('/suppliers/noost-cooling')).body as SupplierSheet;
    expect(notes[0]).toMatchObject({ ended: 'yes, by their sheet', endedBy: 'Jory Opie' });
    const change = (deskUrl: string) =>
      ilse.send('put', '/suppliers/noost-cooling', { contact: 'x', deskUrl, version });
    expect((await change('ftp://desk')).body.fields.deskUrl).toMatch(/begins with http/);
    expect((await change('https://desk.example/api')).status).toBe(200);
    expect((await change('')).status).toBe(409);
  });
  test('offers remember rate and day, and only have in them what is wanted', async () => {
    const [round] = (await ilse.get('/offer-rounds')).body as OfferRound[];
    expect(round!.offers.find(({ currency }) => currency === 'GBP')).toMatchObject({
      priceCents: 311_000,
      ownCents: 359_205,
    });
    const offer = (more: object) =>
      ilse.send('post', `/offer-rounds/${round!.id}/offers`, {
        ...{ supplierId: 'geo-fittings', priceCents: 100, currency: 'EUR', rateMillionths: 1_000_000, rateDay: null },
        ...{ deliveryDays: 3, includes: ['service-switch'], validUntil: null, note: '' },
        ...more,
      });
    expect((await offer({ includes: ['throttle'] })).body.fields.includes).toMatch(/not wanted/);
    expect((await offer({ priceCents: 0 })).body.fields.priceCents).toMatch(/at least 1/);
    expect((await offer({})).status).toBe(200);
    const rounds = (await ilse.get('/offer-rounds')).body as OfferRound[];
    expect(rounds[0]!.offers.length).toBe(3);
  });
});

test('the list says what asks for somebody', async () => {
  const rows = (await ilse.get('/purchases')).body as PurchaseRow[];
  expect(rows.find(({ asks }) => asks.includes('invoice') && asks.includes('late'))).toBeTruthy();
});

describe('a price list', () => {
  const take = (text: string, more: object = {}) =>
    ilse.send('post', '/suppliers/brae-switchgear/prices', {
      ...{
        text,
        name: 'winter.csv',
        currency: 'EUR',
        rateMillionths: 1_000_000,
        rateDay: null,
        pricedOn: inDays(-7),
      },
      ...more,
    });
  const cable = async () =>
    ((await ilse.get('/suppliers/brae-switchgear/parts')).body as SupplierPart[]).find(({ id }) => id === 'cable-50')!;
  test('is taken by part number in its currency, goes out again, and is undone whole', async () => {
    await sql("update component set part_number = 'BS-50' where id = 'cable-50'");
    const before = await cable();
    const gbp = { currency: 'GBP', rateMillionths: 1_150_000 };
    const list = 'Item,Price,Lead days\nbs-50,200.00,9\nBS-99,5.00,1';
    expect((await take(list, gbp)).body.fields).toHaveProperty('rateDay');
    expect((await take('Name,Price\nx,5')).body.fields.text).toMatch(/No column of part numbers/);
    const { body: taken } = await take(list, { ...gbp, rateDay: inDays(-8) });
    expect(taken).toMatchObject({ changed: 1, alike: 0, left: 1 });
    expect(await cable()).toMatchObject({
      ...{ priceCents: 23_000, leadDays: 9, pricedOn: inDays(-7) },
      foreign: { currency: 'GBP', cents: 20_000, rateMillionths: 1_150_000, rateDay: inDays(-8) },
    });
    const table = (await ilse.get('/suppliers/brae-switchgear/parts.csv')).text;
    expect(table).toContain(`BS-50,"HV cable 50 mm², 10 m with lugs",230,9,${inDays(-7)},200,GBP,1.15,${inDays(-8)}`);
    expect((await ilse.send('post', `/price-lists/${taken.id}/undo`)).body).toEqual({ undone: 1 });
    expect(await cable()).toEqual({ ...before, partNumber: 'BS-50' });
    expect((await ilse.send('post', `/price-lists/${taken.id}/undo`)).status).toBe(422);
  });
});
