import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { stocktakeMoves, takeFrom, wholeUnits } from './ledger.ts';
import { serialsIn, serialsTwice } from './serials.ts';

describe('what is taken out of bins', () => {
  const bins = [
    { placeId: 'a', quantity: 2 },
    { placeId: 'b', quantity: 9 },
    { placeId: 'own', quantity: 3 },
  ];
  test('its own bin first, then the fullest', () => {
    expect(takeFrom(bins, 4, 'own')).toEqual([
      { placeId: 'own', quantity: 3 },
      { placeId: 'b', quantity: 1 },
    ]);
    expect(takeFrom(bins, 4, null)).toEqual([{ placeId: 'b', quantity: 4 }]);
    expect(takeFrom(bins, 15, 'own')).toBeNull();
    expect(takeFrom(bins, 0, 'own')).toEqual([]);
  });
  test('always what was asked for, and never more than a bin has', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -3, max: 9 }), { maxLength: 6 }),
        fc.integer({ min: 0, max: 30 }),
        (stock, wanted) => {
          const all = stock.map((quantity, i) => ({ placeId: String(i), quantity }));
          const takings = takeFrom(all, wanted, '2');
          const there = stock.reduce((sum, n) => sum + Math.max(0, n), 0);
          if (there < wanted) {
            expect(takings).toBeNull();
            return;
          }
          expect(takings!.reduce((sum, { quantity }) => sum + quantity, 0)).toBe(wanted);
          for (const { placeId, quantity } of takings!) expect(quantity).toBeLessThanOrEqual(stock[Number(placeId)]!);
        },
      ),
    );
  });
});

test('a count makes the books say what was found', () => {
  const line = (componentId: string, expected: number, counted: number) => ({ componentId, expected, counted });
  expect(stocktakeMoves([line('a', 4, 4), line('b', 4, 1), line('c', 0, 2)])).toEqual([
    { componentId: 'b', direction: 'gone', quantity: 3 },
    { componentId: 'c', direction: 'found', quantity: 2 },
  ]);
});

test('of 3.9 m three metres can be cut', () => {
  expect([wholeUnits(3900, 1000), wholeUnits(7, 1)]).toEqual([3, 7]);
});

test('numbers are read one by one; capitals do not tell them apart', () => {
  expect(serialsIn('N6-1\n N6-2,N6-3;;\t')).toEqual(['N6-1', 'N6-2', 'N6-3']);
  expect(serialsTwice(['a-1', 'A-1', 'b'])).toEqual(['A-1']);
});
