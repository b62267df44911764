import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { atEqualCover } from './equalCover.ts';
import {
  arrivalFindings,
  type InvoicedLine,
  invoiceFindings,
  lineCents,
  outstanding,
  supplierRecord,
} from './purchase.ts';

describe('what is still to come', () => {
  test('ordered less what was kept and what was dropped; what went back is to come again', () => {
    expect(outstanding({ ordered: 16, accepted: 10, returned: 0, dropped: 0 })).toBe(6);
    expect(outstanding({ ordered: 16, accepted: 10, returned: 3, dropped: 0 })).toBe(9);
    expect(outstanding({ ordered: 16, accepted: 10, returned: 0, dropped: 6 })).toBe(0);
    expect(outstanding({ ordered: 4, accepted: 6, returned: 0, dropped: 0 })).toBe(0);
  });
});

describe('what arrived', () => {
  const none = { good: 0, damaged: 0, wrong: 0 };
  test('is held against the delivery note and the order', () => {
    expect(arrivalFindings({ ...none, good: 4 }, 4, 4)).toEqual([]);
    expect(arrivalFindings({ ...none, good: 3 }, 4, 4)).toEqual([{ finding: 'short', by: 1 }]);
    expect(arrivalFindings({ ...none, good: 3 }, 4, null)).toEqual([]);
    expect(arrivalFindings({ good: 2, damaged: 1, wrong: 1 }, 4, 4)).toEqual([
      { finding: 'damaged', by: 1 },
      { finding: 'wrong', by: 1 },
    ]);
    expect(arrivalFindings({ ...none, good: 4 }, 0, 4)).toEqual([{ finding: 'over', by: 4 }]);
  });
});

describe('an invoice', () => {
  const line = (part: Partial<InvoicedLine> = {}): InvoicedLine => ({
    ...{ lineId: 'a', unitSize: 1, ordered: 4, accepted: 4, returned: 0, dropped: 0, priceCents: 2500 },
    ...{ invoicedBefore: 0, invoiced: 4, invoicedPriceCents: 2500 },
    ...part,
  });
  const said = { taxCents: 2300, totalCents: 12_300 };
  test('matches when price, quantity and sum are as ordered and received', () => {
    expect(invoiceFindings([line()], said)).toEqual([]);
  });
  test('of what has not come, of another price, or that does not add up is told', () => {
    expect(invoiceFindings([line({ accepted: 3 })], said)).toEqual([{ finding: 'notReceived', lineId: 'a', by: 1 }]);
    expect(invoiceFindings([line({ accepted: 4, returned: 2 })], said)).toMatchObject([
      { finding: 'notReceived', by: 2 },
    ]);
    expect(invoiceFindings([line({ invoicedBefore: 4 })], said)).toMatchObject([{ finding: 'notReceived', by: 4 }]);
    expect(invoiceFindings([line({ invoicedPriceCents: 2600 })], { taxCents: 2300, totalCents: 12_700 })).toEqual([
      { finding: 'price', lineId: 'a', ordered: 2500, invoiced: 2600 },
    ]);
    expect(invoiceFindings([line()], { ...said, totalCents: 12_400 })).toEqual([
      { finding: 'sum', said: 12_400, counted: 12_300 },
    ]);
  });
  test('a length is priced by the metre, half a minor unit goes up', () => {
    expect(lineCents(2500, 1000, 641)).toBe(1603);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 10_000 }), fc.integer({ min: 0, max: 100_000 }), (n, price) => {
        expect(lineCents(n, 1, price)).toBe(n * price);
      }),
    );
  });
});

describe('how a supplier keeps promises', () => {
  test('days late at the median; early is on time', () => {
    const came = (late: number) => ({ promisedDay: 100, cameDay: 100 + late });
    expect(supplierRecord([came(-3), came(4), came(9)])).toEqual({ lines: 3, late: 2, medianLateDays: 4 });
    expect(supplierRecord([came(0), came(5)])).toEqual({ lines: 2, late: 1, medianLateDays: 2.5 });
    expect(supplierRecord([])).toEqual({ lines: 0, late: 0, medianLateDays: null });
  });
});

describe('offers at equal cover', () => {
  const wanted = [
    { key: 'heater', alonePriceCents: 40_000, aloneDays: 7 },
    { key: 'contactor', alonePriceCents: 9000, aloneDays: 21 },
    { key: 'diodes', alonePriceCents: null, aloneDays: null },
  ];
  const offer = (id: string, priceCents: number, includes: readonly string[]) => ({
    ...{ id, supplier: id, priceCents, deliveryDays: 10, includes },
  });
  test('an offer without the contactor shows what completing it costs, and is not cheaper for it', () => {
    const [first, second] = atEqualCover(
      [offer('bare', 41_000, ['heater', 'diodes']), offer('whole', 48_000, ['heater', 'contactor', 'diodes'])],
      wanted,
    );
    expect(first).toMatchObject({
      offer: { id: 'whole' },
      missing: [],
      completingCents: 0,
      totalCents: 48_000,
      totalDays: 10,
    });
    expect(second).toMatchObject({ missing: ['contactor'], completingCents: 9000, totalCents: 50_000, totalDays: 21 });
  });
  test('what nobody can price comes last and says so', () => {
    const compared = atEqualCover(
      [offer('cheap', 100, ['heater']), offer('whole', 48_000, ['heater', 'contactor', 'diodes'])],
      wanted,
    );
    expect(compared.map(({ offer: { id }, totalCents }) => [id, totalCents])).toEqual([
      ['whole', 48_000],
      ['cheap', null],
    ]);
  });
});

describe('whatever was ordered, came and went back', () => {
  const counts = fc.record({
    ordered: fc.integer({ min: 1, max: 50 }),
    accepted: fc.integer({ min: 0, max: 60 }),
    returned: fc.integer({ min: 0, max: 10 }),
    dropped: fc.integer({ min: 0, max: 10 }),
  });
  test('what is to come is never below nothing; it and what was kept and dropped make what was ordered, or more came', () => {
    fc.assert(
      fc.property(counts, (line) => {
        const open = outstanding(line);
        expect(open).toBeGreaterThanOrEqual(0);
        expect(open + line.accepted - line.returned + line.dropped).toBeGreaterThanOrEqual(line.ordered);
      }),
    );
  });
  test('an invoice of what was kept, at its price, that adds up, always matches', () => {
    fc.assert(
      fc.property(
        counts,
        fc.integer({ min: 1, max: 90_000 }),
        fc.integer({ min: 0, max: 9000 }),
        (line, priceCents, taxCents) => {
          const kept = Math.max(0, line.accepted - line.returned);
          const invoiced = {
            ...{
              ...line,
              lineId: 'a',
              unitSize: 1,
              priceCents,
              invoicedBefore: 0,
              invoiced: kept,
              invoicedPriceCents: priceCents,
            },
            accepted: kept + line.returned,
          };
          expect(invoiceFindings([invoiced], { taxCents, totalCents: kept * priceCents + taxCents })).toEqual([]);
        },
      ),
    );
  });
  test('at equal cover no offer costs less than it was offered for, and the order is by what it comes to', () => {
    const keys = ['a', 'b', 'c'];
    const offers = fc.array(
      fc.record({ priceCents: fc.integer({ min: 1, max: 9000 }), includes: fc.subarray(keys, { minLength: 1 }) }),
      { maxLength: 5 },
    );
    const prices = fc.array(fc.option(fc.integer({ min: 1, max: 5000 })), { minLength: 3, maxLength: 3 });
    fc.assert(
      fc.property(offers, prices, (list, alone) => {
        const wanted = keys.map((key, i) => ({
          key,
          alonePriceCents: alone[i] ?? null,
          aloneDays: alone[i] === null ? null : i,
        }));
        const compared = atEqualCover(
          list.map((one, i) => ({ ...one, id: String(i), supplier: '', deliveryDays: 4 })),
          wanted,
        );
        const totals = compared.map(({ totalCents }) => totalCents ?? Number.POSITIVE_INFINITY);
        expect(totals).toEqual(totals.toSorted((a, b) => a - b));
        for (const one of compared) {
          expect([...one.missing, ...one.offer.includes].sort()).toEqual(keys);
          if (one.totalCents !== null) expect(one.totalCents).toBeGreaterThanOrEqual(one.offer.priceCents);
        }
      }),
    );
  });
});
