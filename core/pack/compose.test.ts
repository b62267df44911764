import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { MODULE } from '../testing/wren.ts';
import { type BoxString, composePack } from './compose.ts';

const box = (name: string, modules: number, change: Partial<BoxString> = {}): BoxString => ({
  name,
  modules,
  parallel: 1,
  sheet: MODULE.sheet,
  capacityAh: MODULE.sheet.capacityAh,
  pack: 1,
  ...change,
});
const made = (...args: Parameters<typeof composePack>) => {
  const pack = composePack(...args);
  if (typeof pack === 'string') throw new Error(pack);
  return pack;
};
const WEAK = { ...MODULE.sheet, capacityAh: 80, continuousA: 90, peakA: 200 };

describe('one pack', () => {
  test('boxes of one kind add up in series, whatever the split', () => {
    const split = made([box('a', 4), box('b', 6), box('c', 2)], 'one');
    const whole = made([box('a', 12)], 'one');
    expect(split).toEqual({ ...whole, currentBox: 'a' });
    expect(whole).toMatchObject({ seriesModules: 12, fullV: 302.4, energyWh: 12 * 22 * 100, weakest: null });
  });
  test('strings may run across boxes that are alike', () =>
    expect(made([box('a', 3, { parallel: 2 }), box('b', 5, { parallel: 2 })], 'one').seriesModules).toBe(4));
  test('a box with more in parallel adds less voltage and is not the weakest', () => {
    const pack = made([box('a', 8, { parallel: 2 }), box('b', 3)], 'one');
    expect(pack.seriesModules).toBe(7);
    expect(pack.capacityAh).toBe(100);
    expect(pack.weakest?.name).toBe('b');
    expect(pack.weakest?.idleWh).toBeCloseTo(4 * 22 * 100, 9);
  });
  test('odd modules: the weakest is named, and what lies idle behind it', () => {
    const pack = made([box('good', 8), box('old', 4, { sheet: WEAK, capacityAh: 80 })], 'one');
    expect(pack.weakest).toMatchObject({ name: 'old', capacityAh: 80 });
    expect(pack.weakest?.idleWh).toBeCloseTo(8 * 22 * 20, 9);
    expect(pack.energyWh).toBeCloseTo(12 * 22 * 80, 9);
    expect([pack.continuousA, pack.peakA, pack.currentBox]).toEqual([90, 200, 'old']);
  });
  test('a measured capacity counts instead of the sheet', () =>
    expect(made([box('a', 12, { capacityAh: 91 })], 'one').energyWh).toBeCloseTo(12 * 22 * 91, 9));
  test('says what does not go', () => {
    expect(composePack([], 'one')).toBe('noModules');
    expect(composePack([box('a', 7, { parallel: 2 })], 'one')).toBe('unequalStrings');
    expect(composePack([box('a', 7, { parallel: 2 }), box('b', 4)], 'one')).toBe('boxUneven');
    expect(composePack([box('a', 7, { parallel: Number.NaN })], 'one')).toBe('unequalStrings');
  });
  test('more modules never lower the energy or the voltage', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 4 }), (series, strings) => {
        const now = made([box('a', series * strings, { parallel: strings })], 'one');
        const more = made([box('a', (series + 1) * strings, { parallel: strings })], 'one');
        return more.energyWh > now.energyWh && more.fullV > now.fullV;
      }),
    );
  });
});

describe('two packs', () => {
  const two = (change: Partial<BoxString> = {}) => [box('a', 12), box('b', 12, { pack: 2, ...change })];
  test('in series: voltages add, the current of one', () =>
    expect(made(two(), 'series')).toMatchObject({
      fullV: 604.8,
      continuousA: 150,
      capacityAh: 100,
      seriesModules: 24,
    }));
  test('in series the smaller one ends the drive', () => {
    const pack = made(two({ capacityAh: 70 }), 'series');
    expect(pack.capacityAh).toBe(70);
    expect(pack.weakest?.name).toBe('b');
  });
  test('in parallel: capacities and currents add', () =>
    expect(made(two(), 'parallel')).toMatchObject({ fullV: 302.4, continuousA: 300, capacityAh: 200, strings: 2 }));
  test('in parallel the one with less resistance carries more, and reaches its limit first', () => {
    const pack = made(two({ sheet: { ...MODULE.sheet, resistanceOhm: 0.001 } }), 'parallel');
    expect(pack.continuousA).toBeCloseTo(150 / 0.75, 9);
    expect(pack.currentBox).toBe('b');
  });
  test('refused where they differ, or where one is empty', () => {
    expect(composePack([box('a', 12), box('b', 11, { pack: 2 })], 'parallel')).toBe('packsDiffer');
    expect(composePack(two({ sheet: { ...MODULE.sheet, chemistry: 'LFP' } }), 'parallel')).toBe('packsDiffer');
    expect(composePack([box('a', 12)], 'series')).toBe('secondPackEmpty');
    expect(composePack([box('a', 4, { pack: 2 })], 'parallel')).toBe('secondPackEmpty');
  });
});
