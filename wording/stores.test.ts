import { describe, expect, test } from 'vitest';
import type { NumberRow } from '../contract/numbers.ts';
import { MOVE_KINDS } from '../core/stores/ledger.ts';
import { arrivalText, deskMessageText, inCurrency } from './purchases.ts';
import { MOVE_KIND_NAME, numberChoice, placeSays, stockText } from './stores.ts';

describe('where something is, as people say it', () => {
  test.each([
    [{ kind: 'bin', name: 'A1', jobNumber: null }, 'A1'],
    [{ kind: 'job', name: '26-104', jobNumber: '26-104' }, 'box of 26-104'],
    [{ kind: 'vehicle', name: 'Bakery van', jobNumber: '26-104' }, 'Bakery van, 26-104'],
    [{ kind: 'vehicle', name: 'Bakery van', jobNumber: null }, 'Bakery van'],
    [{ kind: 'scrap', name: '', jobNumber: null }, 'scrapped'],
    [{ kind: 'count', name: '', jobNumber: null }, 'the count'],
    [{ kind: 'supplier', name: 'Holm Drives', jobNumber: null }, 'Holm Drives'],
  ] as const)('%j', (place, said) => {
    expect(placeSays(place)).toBe(said);
  });
  test('every movement has a name of its own', () => {
    const names = MOVE_KINDS.map((kind) => MOVE_KIND_NAME[kind]);
    expect(new Set(names).size).toBe(MOVE_KINDS.length);
  });
});

test('a number to choose says where it lies, what it holds, and what holds it back', () => {
  const place = { kind: 'bin', name: 'A1', jobNumber: null };
  const row = { serial: 'M-7', place, graded: null, forJob: null, beingRefurbished: false } as unknown as NumberRow;
  expect(numberChoice(row)).toEqual({ value: 'M-7', label: 'M-7, A1' });
  const all = { ...row, graded: { capacityAh: 61.4 }, forJob: '26-104', beingRefurbished: true } as NumberRow;
  expect(numberChoice(all).label).toBe('M-7, A1, 61.4 Ah, held for 26-104, being refurbished');
});

test('pieces are counted, lengths told in metres to the centimetre', () => {
  expect([stockText(12, 1), stockText(38_600, 1000), stockText(1234, 1000)]).toEqual([
    '12',
    '38.6\u202fm',
    '1.23\u202fm',
  ]);
});

describe('what a supplier said', () => {
  const nameOf = (line: number) => ['Fuse', 'Box'][line - 1]!;
  test.each([
    [{ key: 'k', kind: 'confirmed', lines: [{ line: 1, promisedOn: '2026-12-04' }] }, 'Confirmed: Fuse for 4 Dec'],
    [
      { key: 'k', kind: 'delayed', why: 'the ferry', lines: [{ line: 2, promisedOn: '2026-12-09' }] },
      'Delayed: Box to 9 Dec; the ferry',
    ],
    [{ key: 'k', kind: 'refused', why: 'not made any more' }, 'Refused: not made any more'],
    [
      { key: 'k', kind: 'dispatched', note: 'N-7', arrivesOn: null, lines: [{ line: 1, quantity: 1 }] },
      'Sent off, note N-7',
    ],
    [
      { key: 'k', kind: 'dispatched', note: 'N-7', arrivesOn: '2026-12-09', lines: [{ line: 1, quantity: 1 }] },
      'Sent off, note N-7, here 9 Dec',
    ],
    [
      { key: 'k', kind: 'invoiced', number: 'R-1', day: '2026-12-09', lines: [], taxCents: 0, totalCents: 0 },
      'Invoice R-1',
    ],
  ] as const)('%j', (message, said) => {
    expect(deskMessageText(message, nameOf)).toBe(said);
  });
  test('what is not as ordered, in its unit', () => {
    expect(arrivalText({ finding: 'short', by: 2 }, 1)).toBe('2 short of the note');
    expect(arrivalText({ finding: 'over', by: 1500 }, 1000)).toBe('1.5\u202fm more than ordered');
    expect(arrivalText({ finding: 'damaged', by: 1 }, 1)).toBe('1 damaged');
    expect(arrivalText({ finding: 'wrong', by: 3 }, 1)).toBe('3 wrong');
  });
  test('an order in dollars is read in dollars, in the units of whoever reads it', () => {
    expect(inCurrency('metric EUR' as never, 'USD')).toBe('metric USD');
  });
});
