import { describe, expect, test } from 'vitest';
import { createSheet } from '../figures/evaluate.ts';
import { FIGURES } from '../figures/index.ts';
import { DRIVE, slots } from '../testing/wren.ts';
import { rootBetween } from './bracket.ts';
import type { BriefKind, BriefLine } from './lines.ts';
import { neededG } from './neededG.ts';
import { turnRound } from './turnRound.ts';

const line = (kind: BriefKind, amount: number | null): BriefLine => ({
  id: 'l',
  kind,
  amount,
  firm: true,
  school: null,
  tolerance: null,
  text: '',
  done: false,
});
const sheet = createSheet(slots());
const answer = (kind: BriefKind, amount: number, input: string) =>
  turnRound(line(kind, amount), sheet).find((one) => one.input.id === input)!;

describe('root between two points', () => {
  test.each([
    ['a line', (x: number) => 3 * x - 4, 0, 10, 4 / 3],
    ['a cube', (x: number) => x ** 3 - 2, 0, 2, 2 ** (1 / 3)],
    ['a fall', (x: number) => Math.exp(-x) - 0.1, 0, 30, Math.log(10)],
    ['a step', (x: number) => (x < 0.7 ? -1 : 1), 0, 1, 0.7],
    ['flat at the root', (x: number) => (x - 1) ** 9, -3, 9, 1],
  ])('%s', (_name, f, from, to, root) => expect(Math.abs(rootBetween(f, from, to, 1e-6) - root)).toBeLessThan(0.02));
  test('alike signs are the caller’s fault', () =>
    expect(() => rootBetween((x) => x * x + 1, -1, 1, 1e-6)).toThrow(RangeError));
});

describe('the question turned round', () => {
  const range = sheet.get(FIGURES.rangeConstant).value!;
  test('mass: the answer put in just meets the line', () => {
    const { now, wanted } = answer('rangeConstant', range * 1.05, 'mass');
    expect(wanted!).toBeLessThan(now);
    const added = [...slots().added, { name: 'x', massKg: wanted! - now, xMm: 900 }];
    expect(createSheet(slots({ added })).get(FIGURES.rangeConstant).value! / (range * 1.05)).toBeCloseTo(1, 3);
  });
  test('drag area: by hand, at steady speed', () => {
    // c·E: the air's part of the force has to give what 8 % more range asks of the whole.
    const { now, wanted } = answer('rangeConstant', range * 1.08, 'dragArea');
    const per = (area: number) => 0.5 * 1.2041 * area * (60 / 3.6) ** 2;
    const c = sheet.get(FIGURES.consumptionConstant).value!;
    const eta = 0.98 ** 2 * 0.9;
    const saved = (per(now) - per(wanted!)) / 3.6 / eta;
    expect((c - saved) / c).toBeCloseTo(1 / 1.08, 3);
  });
  test('modules: the fewest whole ones that meet it, and one fewer does not', () => {
    const { now, wanted } = answer('rangeConstant', range * 1.5, 'modules');
    expect(Number.isInteger(wanted)).toBe(true);
    expect(wanted!).toBeGreaterThan(now);
    const of = (modules: number) => {
      const [box] = slots().pack.boxes;
      const more = modules - now;
      const boxes = [{ ...box!, modules, massKg: box!.massKg + 13 * more }];
      return createSheet(slots({ pack: { ...slots().pack, boxes } })).get(FIGURES.rangeConstant).value!;
    };
    expect(of(wanted!)).toBeGreaterThanOrEqual(range * 1.5);
    expect(of(wanted! - 1)).toBeLessThan(range * 1.5);
  });
  test('reduction: nearest to what there is; a line that is met says how far one may go', () => {
    const now = sheet.get(FIGURES.topSpeed).value!;
    const { wanted } = answer('topSpeed', now * 0.9, 'reduction');
    const own = createSheet(slots({ drive: { ...slots().drive, reduction: wanted } }));
    expect(own.get(FIGURES.topSpeed).value! / (now * 0.9)).toBeCloseTo(1, 3);
  });
  test('a line that the design cannot at all is asked too: how little mass it would take', () => {
    const weak = createSheet(slots({ drive: { ...slots().drive, powerCapW: 3800 } }));
    expect(weak.get(FIGURES.gradeHeld50).reason).toBe('cannotHold');
    const { wanted, now } = turnRound(line('gradeHeld50', 0.005), weak).find((one) => one.input.id === 'mass')!;
    expect(wanted!).toBeLessThan(now);
  });
  test('no amount does', () => {
    expect(answer('topSpeed', 240, 'rolling').wanted).toBeNull();
    expect(answer('hillStart', 0.95, 'dragArea').wanted).toBeNull();
  });
  test('words and lines without a target have no answers; a kept gearbox is asked by its final drive', () => {
    expect(turnRound(line('free', null), sheet)).toEqual([]);
    const kept = { ...DRIVE, sheet: { ...DRIVE.sheet, output: 'gearboxInput' as const, ownRatio: 1, maxRpm: 6000 } };
    const own = createSheet(slots({ drive: { ...slots().drive, unit: kept, gear: 3 } }));
    const ids = turnRound(line('hillStart', 0.2), own).map((one) => one.input.id);
    expect(ids).toEqual(['modules', 'mass', 'finalDrive', 'dragArea', 'rolling']);
  });
});

// By hand: 100 km/h in 2.8327 s are one g.
test('what a time asks for, in g', () => {
  expect(neededG({ kind: 'time0to100', amount: 100 / 3.6 / 9.80665 })).toBeCloseTo(1, 12);
  expect(neededG({ kind: 'time0to50', amount: 10 })).toBeCloseTo(0.1416, 4);
  expect(neededG({ kind: 'topSpeed', amount: 90 })).toBeNull();
  expect(neededG({ kind: 'time0to20', amount: null })).toBeNull();
});
