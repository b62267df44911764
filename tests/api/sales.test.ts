import Papa from 'papaparse';
import { beforeAll, describe, expect, test } from 'vitest';
import type { OwnVehicleRow } from '../../contract/ownVehicles.ts';
import type { SaleRow } from '../../contract/sales.ts';
import type { OfferLine } from '../../core/offer/offer.ts';
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
const line = (more: Partial<OfferLine>): OfferLine => ({
  ...{
    key: 'own a',
    kind: 'own',
    group: 'own',
    text: 'An hour of advice',
    componentId: null,
    skill: null,
    quantity: 1,
  },
  ...{ unitCents: 5800, addShare: 0, taxShare: 0.23, foreign: null, estimate: null },
  ...more,
});
const cable = (quantity: number): OfferLine =>
  line({
    key: 'part cable-95',
    kind: 'part',
    group: 'small',
    componentId: 'cable-95',
    text: 'Cable',
    quantity,
    unitCents: 39_500,
  });

describe('a sale over the counter', () => {
  const one = async (number: string) => (await ilse.get(`/sales/${number}`)).body as SaleRow;
  const begun = async () => {
    const { body } = await jory.send('post', '/sales', { clientId: null, clientName: 'Pier Café', clientContact: '' });
    return one(body.number);
  };
  const write = async (sale: SaleRow, lines: readonly OfferLine[]) =>
    jory.send('put', `/sales/${sale.number}`, { body: { ...sale.body, lines }, version: sale.version });
  test('is written, sold out of its bins to its client, and never changes after', async () => {
    await dropLines(shop.pool(), 'component_id = $1', ['cable-95']);
    await putOnHand(shop.pool(), 'cable-95', 5);
    const sale = await begun();
    expect(sale.number).toMatch(/^S\d\d-\d{3}$/);
    expect((await jory.send('post', `/sales/${sale.number}/sell`, { serials: [], version: 1 })).body.detail).toMatch(
      /no line/,
    );
    expect((await write(sale, [cable(1.5)])).body.fields['body.lines.0.quantity']).toMatch(/whole number/);
    expect((await write(sale, [cable(2), line({})])).status).toBe(200);
    // 2 × 395 + 58 = 848; tax 23 % per line 181.70 + 13.34.
    expect(await one(sale.number)).toMatchObject({ netCents: 84_800, taxCents: 19_504, totalCents: 104_304 });
    expect((await jory.send('post', `/sales/${sale.number}/sell`, { serials: [], version: 1 })).status).toBe(409);
    expect((await jory.send('post', `/sales/${sale.number}/sell`, { serials: [], version: 2 })).status).toBe(200);
    expect(await onHand(shop.pool(), 'cable-95')).toBe(3);
    const { rows } = await sql(
      "select f.kind as from_kind, t.kind as to_kind, m.quantity from stock_move m join stock_place f on f.id = m.from_id join stock_place t on t.id = m.to_id where m.kind = 'sold' and m.component_id = 'cable-95'",
    );
    expect(rows).toEqual([{ from_kind: 'bin', to_kind: 'client', quantity: 2 }]);
    const sold = await one(sale.number);
    expect((await write(sold, [line({})])).body.detail).toMatch(/never changes/);
    await expect(sql("update counter_sale set body = '{}' where number = $1", [sale.number])).rejects.toMatchObject({
      code: 'DJ001',
    });
    const table = Papa.parse<string[]>((await ilse.get('/sales.csv')).text.trim()).data;
    expect(table[1]).toEqual([
      sale.number,
      'sold',
      'Pier Café',
      expect.any(String),
      'EUR',
      '848',
      '195.04',
      '1043.04',
      'Jory Opie',
    ]);
    expect((await ilse.get(`/sales/${sale.number}/paper`)).headers['content-type']).toMatch(/pdf/);
  });
  test('more than is free is not sold, and nothing of it leaves', async () => {
    const sale = await begun();
    await write(sale, [cable(99)]);
    const answer = await jory.send('post', `/sales/${sale.number}/sell`, { serials: [], version: 2 });
    expect([answer.status, answer.body.detail]).toEqual([
      422,
      expect.stringMatching(/^Stores have 3 free of HV cable 95/),
    ]);
    const strange = [{ componentId: 'fuse-1', serials: ['x'] }];
    expect((await jory.send('post', `/sales/${sale.number}/sell`, { serials: strange, version: 2 })).status).toBe(400);
    expect(await onHand(shop.pool(), 'cable-95')).toBe(3);
    expect((await jory.send('post', `/sales/${sale.number}/cancel`, { why: 'too few', version: 2 })).status).toBe(200);
    expect(await one(sale.number)).toMatchObject({ state: 'cancelled', endedWhy: 'too few' });
  });
  test('what carries numbers says which go', async () => {
    const serials = ['SALE-1', 'SALE-2'];
    const lines = [{ componentId: 'charger-33', quantity: 2, serials, batch: '', binId: null }];
    await dropLines(shop.pool(), 'component_id = $1', ['charger-33']);
    await jory.send('post', '/stores/goods-in', { note: '', origin: 'delivery', lines });
    const sale = await begun();
    const charger = line({
      key: 'part charger-33',
      kind: 'part',
      group: 'main',
      componentId: 'charger-33',
      unitCents: 64_000,
    });
    await write(sale, [charger]);
    const sell = (named: readonly string[]) =>
      jory.send('post', `/sales/${sale.number}/sell`, {
        serials: [{ componentId: 'charger-33', serials: named }],
        version: 2,
      });
    expect((await sell(['SALE-2'])).status).toBe(200);
    const { rows } = await sql(
      "select p.kind from serial_item i join stock_place p on p.id = i.place_id where i.serial = 'SALE-2'",
    );
    expect(rows).toEqual([{ kind: 'client' }]);
  });
});

describe('a vehicle of the workshop’s own', () => {
  const body = {
    ...{
      name: 'The mule',
      variantId: 'wren-11',
      builtYear: 1970,
      chassisNumber: '40404',
      registration: '',
      colour: 'grey',
    },
    ...{ boughtOn: inDays(-179), boughtFrom: 'a farm', purchaseCents: 300_000, convertedBefore: true },
  };
  const row = async (id: string) =>
    ((await ilse.get('/own-vehicles')).body as OwnVehicleRow[]).find((one) => one.id === id)!;
  test('is bought, worked on, valued and sold; what is left is told', async () => {
    expect((await ilse.send('post', '/own-vehicles', { ...body, purchaseCents: -1 })).body.fields).toHaveProperty(
      'purchaseCents',
    );
    expect((await ilse.send('post', '/own-vehicles', { ...body, boughtOn: '2199-01-01' })).body.fields).toHaveProperty(
      'boughtOn',
    );
    const { id } = (await ilse.send('post', '/own-vehicles', body)).body;
    const opened = await ilse.send('post', '/jobs', {
      ...{
        clientId: null,
        vehicleId: id,
        clientName: 'us',
        clientContact: '',
        title: 'The mule',
        variantId: 'wren-11',
      },
      ...{ builtYear: 1970, chassisNumber: '40404', registration: '', colour: 'grey', brief: [] },
    });
    const { number } = opened.body;
    expect((await ilse.get(`/jobs/${number}`)).body.client.name).toBe('Tarrow Quay Works');
    const cost = { text: 'Bodywork outside', cents: 120_000, foreign: null, day: inDays(-170) };
    expect((await ilse.send('post', `/jobs/${number}/costs`, cost)).status).toBe(200);
    expect(await row(id)).toMatchObject({ workCents: 120_000, costCents: 420_000, marginCents: null });
    const { version, ...now } = await row(id);
    const { boughtOn, boughtFrom, purchaseCents, convertedBefore } = now;
    const value = (more: object) =>
      ilse.send('put', `/own-vehicles/${id}`, {
        ...{
          boughtOn,
          boughtFrom,
          purchaseCents,
          convertedBefore,
          valueCents: 400_000,
          valuedOn: inDays(-26),
          version,
        },
        ...more,
      });
    expect((await value({ valuedOn: null })).body.fields).toHaveProperty('valuedOn');
    expect((await value({})).status).toBe(200);
    expect((await value({})).status).toBe(409);
    expect(await row(id)).toMatchObject({ marginCents: -20_000, sold: false });
    const sell = (more: object = {}) =>
      ilse.send('post', `/own-vehicles/${id}/sell`, {
        ...{
          soldOn: inDays(0),
          soldTo: 'Ola Winter',
          contact: '',
          soldCents: 500_000,
          version: 2,
          ...more,
        },
      });
    expect((await sell({ soldOn: inDays(-330) })).body.fields).toHaveProperty('soldOn');
    expect((await sell()).status).toBe(200);
    expect((await sell({ version: 3 })).body.detail).toMatch(/was sold to Ola Winter/);
    expect(await row(id)).toMatchObject({ marginCents: 80_000, sold: true });
    expect((await ilse.get(`/jobs/${number}`)).body.client.name).toBe('Ola Winter');
  });
  test('the workshop as their owner is neither removed nor merged away', async () => {
    const clients = (await ilse.get('/clients')).body as { id: string; name: string; version: number }[];
    const own = clients.find(({ name }) => name === 'Tarrow Quay Works')!;
    expect((await ilse.send('post', `/clients/${own.id}/remove`, { version: own.version })).body.detail).toMatch(
      /^This is the workshop itself/,
    );
  });
});
