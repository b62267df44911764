import Papa from 'papaparse';
import { beforeAll, describe, expect, test } from 'vitest';
import type { NeedRow } from '../../contract/needs.ts';
import type { OwnVehicleRow } from '../../contract/ownVehicles.ts';
import type { PurchaseRow, PurchaseSheet } from '../../contract/purchases.ts';
import type { OfferRound, SupplierRow } from '../../contract/suppliers.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
let ilse: Visitor;
beforeAll(async () => {
  ilse = await shop.visitor('ilse');
});

/** A table as another reader reads it: one record a row. */
async function table(path: string): Promise<Record<string, string>[]> {
  const answer = await ilse.get(path);
  expect(answer.status).toBe(200);
  expect(answer.headers['content-type']).toMatch(/^text\/csv/);
  expect(answer.headers['content-disposition']).toMatch(/^attachment; filename="[a-z-]+\.csv"$/);
  const { data, errors } = Papa.parse<Record<string, string>>(answer.text.trim(), { header: true });
  expect(errors).toEqual([]);
  return data;
}

describe('lists out as CSV hold what the pages show', () => {
  test('needs, in pieces and metres', async () => {
    const rows = (await ilse.get('/stores/needs')).body as NeedRow[];
    const out = await table('/stores/needs.csv');
    expect(out.map(({ Part }) => Part)).toEqual(rows.map(({ name }) => name));
    for (const [i, row] of rows.entries()) {
      expect(Number(out[i]!.Needed)).toBeCloseTo(row.needed / row.unitSize, 6);
      expect(out[i]!['Order by']).toBe(row.orderBy ?? '');
    }
  });
  test('suppliers and offers at equal cover, the best offer of a round first', async () => {
    const suppliers = (await ilse.get('/suppliers')).body as SupplierRow[];
    const out = await table('/suppliers.csv');
    expect(out.map((row) => [row.Supplier, row.Parts])).toEqual(
      suppliers.map(({ name, components }) => [name, String(components)]),
    );
    const rounds = (await ilse.get('/offer-rounds')).body as OfferRound[];
    const offers = await table('/offer-rounds.csv');
    expect(offers.length).toBe(rounds.reduce((sum, round) => sum + round.offers.length, 0));
    for (const { name } of rounds) {
      const totals = offers.filter((row) => row.For === name && row['At equal cover'] !== '');
      const cents = totals.map((row) => Number(row['At equal cover']));
      expect(cents).toEqual(cents.toSorted((a, b) => a - b));
      for (const row of totals)
        expect(Number(row['At equal cover'])).toBeCloseTo(
          Number(row['In own currency']) + Number(row['To complete']),
          2,
        );
    }
  });
  test('invoices of all orders', async () => {
    const orders = (await ilse.get('/purchases')).body as PurchaseRow[];
    const sheets = await Promise.all(
      orders.map(async ({ number }) => (await ilse.get(`/purchases/${number}`)).body as PurchaseSheet),
    );
    const expected = sheets.flatMap(({ number, invoices }) =>
      invoices.map((invoice) => `${number} ${invoice.number} ${invoice.state} ${invoice.totalCents / 100}`),
    );
    const out = await table('/purchase-invoices.csv');
    expect(out.map((row) => `${row.Order} ${row.Invoice} ${row.State} ${row['To pay']}`).sort()).toEqual(
      expected.sort(),
    );
    expect(out.length).toBeGreaterThan(0);
  });
  test('capacity tests, the newest first', async () => {
    const out = await table('/stores/gradings.csv');
    const { rows } = await shop.pool().query('select count(*)::int as count from grading');
    expect(out.length).toBe(rows[0].count);
    expect(out.length).toBeGreaterThan(0);
    const days = out.map((row) => row.Day!);
    expect(days).toEqual(days.toSorted().reverse());
    for (const row of out) expect(Number(row['Capacity Ah'])).toBeGreaterThan(0);
  });
  test('own vehicles, with what is left of each', async () => {
    const own = (await ilse.get('/own-vehicles')).body as OwnVehicleRow[];
    const out = await table('/own-vehicles.csv');
    expect(out.map((row) => [row.Vehicle, row.Left])).toEqual(
      own.map(({ name, marginCents }) => [name, marginCents === null ? '' : String(marginCents / 100)]),
    );
    expect(out.length).toBeGreaterThan(0);
  });
});
