import { describe, expect, test } from 'vitest';
import { judgePrices, type KnownPart } from '../core/buying/priceList.ts';
import { priceSays, readAmount, readPriceList } from './priceList.ts';

describe('amounts as lists write them', () => {
  test.each([
    ['34', 3400],
    ['34.5', 3450],
    ['34,50', 3450],
    ['1 234.50', 123_450],
    ['1.234,50', 123_450],
    ['1,234.50', 123_450],
    ['€ 1’234.50', 123_450],
    ['1,234,567', 123_456_700],
    ['0.305', null],
    ['£12', 1200],
    ['12.00 EUR', 1200],
  ])('%s', (text, cents) => expect(readAmount(text)).toBe(cents));
  test.each([
    '1,234',
    '1.234',
    'on request',
    '',
    '-5',
    '1.2.3',
    '12,34.567,8',
    '1e3',
  ])('%s cannot be read one way', (text) => expect(readAmount(text)).toBeNull());
});

const part = (id: string, partNumber: string, priceCents: number, leadDays = 10): KnownPart => ({
  ...{ id, name: id, partNumber, priceCents, leadDays },
});
const PARTS = [part('charger', 'CH-33', 64_000), part('cable', 'CA-95', 39_500), part('a', 'X', 1), part('b', 'x', 1)];

describe('a list against the catalogue', () => {
  const judge = (text: string, rateMillionths = 1_000_000) => {
    const { rows, fault } = readPriceList(text);
    expect(fault).toBeNull();
    return judgePrices(rows, PARTS, { currency: 'GBP', rateMillionths });
  };
  test('by part number, capitals apart, in the list’s currency by its rate', () => {
    const [first, second] = judge(
      'Item;Text;Net price;Lead time\nch-33;Charger;500,00;10\nCA-95;Cable;343,48;14',
      1_150_000,
    );
    // 500 × 1.15 = 575; 343.48 × 1.15 = 395.002.
    expect(first).toMatchObject({ verdict: 'changed', priceCents: 57_500, part: { id: 'charger' } });
    expect(first!.change).toBeCloseTo(575 / 640 - 1, 9);
    expect(second).toMatchObject({ verdict: 'changed', priceCents: 39_500 });
    expect(priceSays(second!, 'GBP', 'metric')).toMatch(/10 → 14 days$/);
  });
  test('each way a row is not taken', () => {
    const judged = judge(
      'Part number,Price,Currency\nNO-1,5,\nX,5,\nCH-33,on request,\nCA-95,5,USD\nca-95,6,\n,7,\nCH-33,0,',
    );
    expect(judged.map(({ verdict }) => verdict)).toEqual([
      ...['unknown', 'manyParts', 'fault', 'twice', 'twice', 'fault', 'fault'],
    ]);
    expect(judged.every(({ priceCents }) => priceCents === null)).toBe(true);
    expect(judge('Part number,Price (USD)\nCH-33,5.00')[0]!.verdict).toBe('otherCurrency');
  });
  test('a price far from the last one is said to be so', () => {
    const [one] = judge('Code,Each\nCA-95,3950.00');
    expect(priceSays(one!, 'GBP', 'metric')).toMatch(/another unit, or a slip/);
  });
  test('a list without numbers or prices says what is missing', () => {
    expect(readPriceList('Name,Price\nCharger,5').fault).toMatch(/^No column of part numbers/);
    expect(readPriceList('Part number,Name\nCH-33,Charger').fault).toMatch(/^No column of prices/);
    expect(readPriceList('').fault).not.toBeNull();
  });
});
