import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { dayNumber, formatDay, formatHours, formatNumber, formatQuantity, isoDay } from './format.ts';
import { BASE_UNIT, type QuantityKind } from './kinds.ts';
import { readTyped } from './typed.ts';
import { toBase, toShown, UNIT_SETS, type UnitSet, unitOf } from './units.ts';

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
    expect(formatQuantity(-5, 'money', 'metric', { digits: 2 })).toBe('−\u00a0€\u00a00.05');
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

describe('quantities as people write them', () => {
  test.each(['66', ' 66 ', '-20', '\u221220', '.5', '7.', '+3'])('takes %s', (text) =>
    expect(readTyped(text, 'mass', 'metric').ok).toBe(true));
  // Definitions of inch, pound, mile, gallon, °F; NIST SP 811 for lbf·ft and hp; ASTM B258 for AWG; cfm 0.00047195 m³/s.
  test.each<[string, QuantityKind, UnitSet, number]>([
    ['4 in', 'length', 'metric', 101.6],
    ['3/16 in', 'length', 'metric', 4.7625],
    ['1 1/2"', 'length', 'metric', 38.1],
    ['-3/4 in', 'length', 'metric', -19.05],
    ['6 ft', 'length', 'us', 1828.8],
    ['12cm', 'length', 'uk', 120],
    ['4', 'length', 'us', 101.6],
    ['210 lb', 'mass', 'metric', 95.2543977],
    ['120 lb ft', 'torque', 'metric', 162.698148],
    ['120 lb-ft', 'torque', 'metric', 162.698148],
    ['66 N·m', 'torque', 'us', 66],
    ['100 bhp', 'shaftPower', 'metric', 74_569.987],
    ['100 PS', 'shaftPower', 'uk', 73_549.875],
    ['2/0 AWG', 'section', 'metric', 67.43],
    ['4 awg', 'section', 'metric', 21.15],
    ['14 mpg', 'fuelUse', 'uk', 20.177],
    ['14 mpg', 'fuelUse', 'us', 16.801],
    ['104 °F', 'temperature', 'metric', 40],
    ['-40', 'temperature', 'us', -40],
    ['285 cfm', 'airFlow', 'metric', 484.22],
    ['2 mi/kWh', 'consumption', 'metric', 310.686],
    ['1 in 8', 'grade', 'metric', 0.125],
    ['12 %', 'grade', 'uk', 0.12],
    ['45 min', 'hours', 'metric', 0.75],
    ['2 MΩ', 'insulation', 'metric', 2000],
    ['2 mΩ', 'resistance', 'metric', 0.002],
    ['9.4 : 1', 'ratio', 'metric', 9.4],
    ['60 mph', 'speed', 'metric', 96.56064],
    // Written out, and the one letter that decides over a thousand million.
    ['66 kilowatts', 'shaftPower', 'us', 66_000],
    ['30 kilowatt hours', 'energy', 'metric', 30_000],
    ['30 kilowatt-hours', 'energy', 'metric', 30_000],
    ['4 Kilometres', 'distance', 'us', 4],
    ['3 millimeters', 'length', 'us', 3],
    ['180 kilograms', 'mass', 'uk', 180],
    ['210 newton metres', 'torque', 'uk', 210],
    ['302 volts', 'voltage', 'metric', 302],
    ['250 amperes', 'current', 'metric', 250],
    ['60 miles per hour', 'speed', 'metric', 96.56064],
    ['500 mJ', 'pulse', 'metric', 0.5],
    ['0.5 MJ', 'pulse', 'metric', 500_000],
    ['3.6 MJ', 'energy', 'metric', 1000],
  ])('%s as %s, %s', (text, kind, set, base) => {
    const typed = readTyped(text, kind, set);
    expect(typed.ok && Math.abs(typed.value / base - 1)).toBeLessThan(2e-4);
  });
  test('a comma is a point only where the region writes so', () => {
    expect(readTyped('1,5', 'length', 'metric', { comma: true })).toMatchObject({ ok: true, value: 1.5 });
    expect(readTyped('1,5 kg', 'mass', 'metric', { comma: true })).toMatchObject({ ok: true, value: 1.5 });
    expect(readTyped('1,200', 'mass', 'us')).toEqual({ ok: false, problem: 'comma' });
    expect(readTyped('1,5 kg', 'mass', 'metric')).toEqual({ ok: false, problem: 'comma' });
    expect(readTyped('1,200,000', 'mass', 'metric', { comma: true })).toEqual({ ok: false, problem: 'comma' });
  });
  test.each<[string, QuantityKind, object]>([
    ['30 kW', 'energy', { problem: 'otherUnit', other: 'power' }],
    ['30 kWh', 'electricPower', { problem: 'otherUnit', other: 'energy' }],
    ['5 kg', 'length', { problem: 'otherUnit', other: 'mass' }],
    ['14 mpg', 'speed', { problem: 'unit' }],
    // Which of the two nobody can tell.
    ['500 mj', 'pulse', { problem: 'unit' }],
    ['3 furlongs', 'length', { problem: 'unit' }],
    ['', 'mass', { problem: 'empty' }],
    ['about ten', 'mass', { problem: 'notANumber' }],
    ['--4', 'mass', { problem: 'notANumber' }],
    ['3/0 in', 'length', { problem: 'notANumber' }],
    ['1e5', 'mass', { problem: 'unit' }],
    ['0 mpg (UK)', 'fuelUse', { problem: 'unit' }],
    ['0 mpg uk', 'fuelUse', { problem: 'notANumber' }],
    ['5 mm', 'count', { problem: 'otherUnit', other: 'length' }],
  ])('sends %s as %s back with its reason', (text, kind, problem) =>
    expect(readTyped(text, kind, 'metric')).toEqual({ ok: false, ...problem }));
  test('nothing at all in an inverse unit is no number', () =>
    expect(readTyped('0', 'fuelUse', 'us')).toEqual({ ok: false, problem: 'notANumber' }));
  test('never gives anything but a finite number or a reason', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom<QuantityKind>('length', 'section', 'grade', 'fuelUse'), (text, kind) => {
        const typed = readTyped(text, kind, 'us');
        return typed.ok ? Number.isFinite(typed.value) : typed.problem.length > 0;
      }),
    );
  });
  test('shown and typed again is the same, in every unit set', () => {
    for (const kind of Object.keys(BASE_UNIT) as QuantityKind[])
      for (const set of UNIT_SETS) {
        const { symbol } = unitOf(kind, set);
        const typed = readTyped(`7 ${symbol}`, kind, set);
        if (typed.ok && kind !== 'money') expect(toShown(typed.value, kind, set), `${kind} ${set}`).toBeCloseTo(7, 9);
      }
  });
});
