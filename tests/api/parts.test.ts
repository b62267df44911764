import { describe, expect, test } from 'vitest';
import type { FabricationRow } from '../../contract/fabrication.ts';
import type { PartChange, PartLine } from '../../contract/parts.ts';
import { dropLines, onHand, putOnHand } from './stock.ts';
import { openWorkshop } from './workshop.ts';

const shop = openWorkshop();
const put = (part: PartLine, change: Partial<PartChange>): PartChange => ({
  state: part.state,
  due: part.due,
  version: part.version,
  ...change,
});
describe('the list of a job', () => {
  test('is made from kit and design once, and filled up later', async () => {
    const ilse = await shop.visitor('ilse');
    const job = await ilse.job('Tour car');
    const first = await ilse.send('post', `/jobs/${job.number}/parts/fill`);
    expect(first.body.added).toBeGreaterThan(20);
    expect((await ilse.send('post', `/jobs/${job.number}/parts/fill`)).body.added).toBe(0);
    const { parts } = await ilse.job('Tour car');
    expect(parts.every((part) => ['inStores', 'missing'].includes(part.state))).toBe(true);
    expect(parts.find((part) => part.componentId === 'module-f8')).toMatchObject({
      quantity: 5,
      from: 'kit',
      packedIn: 'crate 1',
    });
  });
  test('without kit and design it says what to do first', async () => {
    const ilse = await shop.visitor('ilse');
    const job = await ilse.job('Luggage tug');
    const early = await ilse.send('post', `/jobs/${job.number}/parts/fill`);
    expect(early.body.detail).toMatch(/still an enquiry: it has no parts list yet/);
    await shop.pool().query("update job set state = 'sizing' where number = $1", [job.number]);
    const answer = await ilse.send('post', `/jobs/${job.number}/parts/fill`);
    expect(answer.status).toBe(422);
    expect(answer.body.detail).toContain('Take a kit in Match');
  });
  test('a part is added by hand, from the library only', async () => {
    const jory = await shop.visitor('jory');
    const job = await jory.job('Bakery van');
    expect(
      (await jory.send('post', `/jobs/${job.number}/parts`, { componentId: 'hv-label-set', quantity: 2 })).status,
    ).toBe(200);
    expect(
      (await jory.send('post', `/jobs/${job.number}/parts`, { componentId: 'moon-rock', quantity: 1 })).body.fields
        .componentId,
    ).toMatch(/library/);
    expect(
      (await jory.send('post', `/jobs/${job.number}/parts`, { componentId: 'hv-label-set', quantity: 0 })).body.fields
        .quantity,
    ).toBe('Quantity must be at least 1.');
  });
  test('stock is not promised twice', async () => {
    const ilse = await shop.visitor('ilse');
    const job = await ilse.job('Luggage tug');
    await dropLines(shop.pool(), "component_id = 'bms-sat-32'");
    await putOnHand(shop.pool(), 'bms-sat-32', 1);
    await ilse.send('post', `/jobs/${job.number}/parts`, { componentId: 'bms-sat-32', quantity: 1 });
    await ilse.send('post', `/jobs/${job.number}/parts`, { componentId: 'bms-sat-32', quantity: 1 });
    const states = (await ilse.job('Luggage tug')).parts
      .filter((part) => part.componentId === 'bms-sat-32')
      .map((part) => part.state);
    expect(states.sort()).toEqual(['inStores', 'missing']);
  });
});

describe('where a part stands', () => {
  test('ordered needs a day, not in the past; arrived counts it in; fitted has who and when and takes it off the shelf', async () => {
    const jory = await shop.visitor('jory');
    // As one that somebody marked as ordered by hand: what comes with an order is counted in there.
    await shop.pool().query('update part_line set purchase_line_id = null');
    const job = await jory.job('Hotel shuttle');
    const late = job.parts.find((part) => part.state === 'ordered')!;
    expect(late.componentId).toBe('contactor-box-450');
    expect((await jory.send('put', `/parts/${late.id}`, put(late, { due: null }))).body.fields.due).toBe(
      'Due day is needed for a part on order.',
    );
    expect((await jory.send('put', `/parts/${late.id}`, put(late, { due: '2020-02-02' }))).body.fields.due).toMatch(
      /in the past/,
    );
    expect((await jory.send('put', `/parts/${late.id}`, put(late, { due: '2026-02-30' }))).body.fields.due).toMatch(
      /not a date/,
    );
    const before = await onHand(shop.pool(), late.componentId);
    expect((await jory.send('put', `/parts/${late.id}`, put(late, { state: 'fitted' }))).body.detail).toContain(
      'not in stores yet',
    );
    const arrived = await jory.send('put', `/parts/${late.id}`, put(late, { state: 'inStores', due: null }));
    expect(arrived.status).toBe(200);
    expect(await onHand(shop.pool(), late.componentId)).toBe(before + 1);
    const fitted = await jory.send(
      'put',
      `/parts/${late.id}`,
      put(late, { state: 'fitted', due: null, serials: ['K450-118'], version: arrived.body.version }),
    );
    expect(fitted.status).toBe(200);
    expect(await onHand(shop.pool(), late.componentId)).toBe(before);
    const line = (await jory.job('Hotel shuttle')).parts.find((part) => part.id === late.id)!;
    expect(line).toMatchObject({ state: 'fitted', fittedBy: 'Jory Opie', serials: ['K450-118'], due: null });
    expect(Date.now() - Date.parse(line.fittedAt!)).toBeLessThan(60_000);
    const out = await jory.send('put', `/parts/${late.id}`, put(line, { state: 'inStores' }));
    expect(out.body.detail).toContain('manager');
  });
  test('free stock is taken for a line on order, and only free stock', async () => {
    const jory = await shop.visitor('jory');
    const job = await jory.job('Mobile library');
    const charger = job.parts.find((part) => part.state === 'ordered')!;
    await putOnHand(shop.pool(), charger.componentId, 0);
    const none = await jory.send('put', `/parts/${charger.id}`, {
      ...put(charger, { state: 'inStores', due: null }),
      fromShelf: true,
    });
    expect(none.body.detail).toMatch(/^Stores have 0 free of/);
    await putOnHand(shop.pool(), charger.componentId, 1);
    expect(
      (
        await jory.send('put', `/parts/${charger.id}`, {
          ...put(charger, { state: 'inStores', due: null }),
          fromShelf: true,
        })
      ).status,
    ).toBe(200);
    expect(await onHand(shop.pool(), charger.componentId)).toBe(1);
  });
  test('two people changing the same line: the second sees what the first stored', async () => {
    const [jory, mabel] = [await shop.visitor('jory'), await shop.visitor('mabel')];
    const part = (await jory.job('Bakery van')).parts.find((p) => p.state === 'inStores')!;
    const [a, b] = await Promise.all([
      jory.send('put', `/parts/${part.id}`, put(part, { state: 'fitted' })),
      mabel.send('put', `/parts/${part.id}`, put(part, { state: 'fitted' })),
    ]);
    expect([a.status, b.status].sort()).toEqual([200, 409]);
  });
  test('the database itself refuses a fitted part without a name and negative stock', async () => {
    await expect(
      shop
        .pool()
        .query(
          "update part_line set state = 'fitted', fitted_by_id = null where id = (select id from part_line limit 1)",
        ),
    ).rejects.toThrow(/part_line_fitted_who/);
    await expect(shop.pool().query('update component set on_hand = 7')).rejects.toThrow(/counted in by the ledger/);
  });
});

describe('a part that is made here', () => {
  test('is cut when it has a drawing, comes back with a reason, and tells its way', async () => {
    const jory = await shop.visitor('jory');
    const { number } = await jory.job('Mobile library');
    const list = async () => (await jory.get(`/jobs/${number}/fabrication`)).body as FabricationRow[];
    const { id } = (
      await jory.send('post', `/jobs/${number}/fabrication`, { name: 'Outlet bracket', material: 'plate 3 mm' })
    ).body;
    const move = async (to: string, reason = '') => {
      const { version } = (await list()).find((one) => one.id === id)!;
      return jory.send('post', `/fabrication/${id}/move`, { to, reason, version });
    };
    expect((await move('cut')).body.detail).toMatch(/nothing is cut without a drawing/);
    await shop
      .pool()
      .query(
        "insert into file_content (hash, type, size, body) values ('dr', 'application/pdf', 1, '\\x00') on conflict do nothing",
      );
    await shop
      .pool()
      .query(
        "insert into file (about, about_id, name, hash, by_id) select 'fabrication', $1, 'bracket.pdf', 'dr', id from person limit 1",
        [id],
      );
    expect((await move('cut')).status).toBe(200);
    expect((await move('weld')).body.fields.reason).toMatch(/passed over/);
    expect((await move('weld', 'flat plate')).status).toBe(200);
    expect((await move('design')).body.fields).toHaveProperty('reason');
    expect((await move('design', 'too long by 4 mm')).status).toBe(200);
    const row = (await list()).find((one) => one.id === id)!;
    expect(row).toMatchObject({ state: 'design', drawings: 1 });
    expect(row.moves.map(({ from, to }) => `${from} ${to}`)).toEqual(['design cut', 'cut weld', 'weld design']);
    const drop = (version: number) =>
      jory.send('post', `/fabrication/${id}/drop`, { why: 'bought after all', version });
    expect((await drop(row.version - 1)).status).toBe(409);
    expect((await drop(row.version)).status).toBe(200);
    expect((await move('cut')).body.detail).toMatch(/not made after all/);
  });
});
