import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { dayNumber, formatDay, formatHours, formatNumber, formatQuantity, isoDay } from './format.ts';
import { BASE_UNIT, type QuantityKind } from './kinds.ts';
import { readTypedNumber } from './typed.ts';
import { toBase, toShown, UNIT_SETS, unitOf } from './units.ts';

const KINDS = Object.keys(BASE_UNIT) as QuantityKind[];

describe('units', () => {
  test('every kind goes to every unit set and back', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...KINDS),
        fc.constantFrom(...UNIT_SETS),
        fc.double({ min: 1e-3, max: 1e6, noNaN: true }),
        (kind, set, base) => {
          expect(toBase(toShown(base, kind, set), kind, set) / base).toBeCloseTo(1, 9);
        },
      ),
    );
  });
  test('consumption turns over in miles per kilowatt-hour', () => {
    expect(toShown(200, 'consumption', 'uk')).toBeCloseTo(3.107, 3);
    expect(toShown(200, 'consumption', 'us')).toBeCloseTo(321.87, 2);
    expect(unitOf('mass', 'us').symbol).toBe('lb');
    expect(unitOf('mass', 'uk').symbol).toBe('kg');
  });
});

describe('formatting', () => {
  test.each([
    [12_500.4, 1, '12\u202f500.4'],
    [-3.26, 1, '−3.3'],
    [-0.04, 1, '0.0'],
    [999, 0, '999'],
  ])('%d with %d decimals', (value, digits, text) => expect(formatNumber(value, digits)).toBe(text));
  test('money, signs, hours and days', () => {
    expect(formatQuantity(1_906_600, 'money', 'metric')).toBe('€\u00a019\u202f066');
    expect(formatQuantity(12, 'mass', 'metric', { signed: true })).toBe('+12\u00a0kg');
    expect(formatQuantity(Number.NaN, 'mass', 'metric')).toBe('–');
    expect(formatHours(7.999)).toBe('8\u00a0h\u00a000');
    expect(formatDay(dayNumber('2026-12-09'))).toBe('9 Dec');
    expect(formatDay(dayNumber('2027-01-09'), 2026)).toBe('9 Jan 2027');
    expect(formatQuantity(dayNumber('2026-12-09'), 'date', 'us')).toBe('9 Dec');
  });
  test('day numbers survive the round trip', () => {
    fc.assert(fc.property(fc.integer({ min: 0, max: 60_000 }), (day) => dayNumber(isoDay(day)) === day));
    expect(dayNumber('no date')).toBeNaN();
  });
});

describe('typed numbers', () => {
  test.each(['66', ' 66 ', '-20', '\u221220', '.5', '7.', '+3'])('takes %s', (text) =>
    expect(readTypedNumber(text).ok).toBe(true));
  test.each([
    ['0,5', 'comma'],
    ['1,200', 'comma'],
    ['66 N·m', 'unit'],
    ['12mm', 'unit'],
    ['', 'empty'],
    ['about ten', 'notANumber'],
    ['1e5', 'unit'],
    ['--4', 'notANumber'],
  ])('sends %s back as %s', (text, problem) => expect(readTypedNumber(text)).toEqual({ ok: false, problem }));
  test('never gives anything but a finite number or a reason', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const typed = readTypedNumber(text);
        return typed.ok ? Number.isFinite(typed.value) : typed.problem.length > 0;
      }),
    );
  });
});
