import { describe, expect, test } from 'vitest';
import { MODULE } from '../testing/wren.ts';
import { chargeCurrentA } from './acceptance.ts';
import { type BoxString, composePack } from './compose.ts';
import { moduleAt, USUAL_BY_TEMPERATURE } from './temperature.ts';

const { sheet } = MODULE;
const LFP = { ...sheet, chemistry: 'LFP' as const };
const box = (change: Partial<BoxString> = {}): BoxString => ({
  name: 'rear',
  modules: 12,
  parallel: 1,
  sheet,
  capacityAh: 100,
  pack: 1,
  ...change,
});
const pack = (boxes: readonly BoxString[], temperatureC?: number, wiring: 'one' | 'series' | 'parallel' = 'one') => {
  const composed = composePack(boxes, wiring, temperatureC);
  if (typeof composed === 'string') throw new Error(composed);
  return composed;
};

describe('cells against temperature', () => {
  test.each(['NMC', 'LFP'] as const)('%s: colder is never better, and there is no step on the way', (chemistry) => {
    let before = moduleAt({ chemistry }, 40);
    for (let c = 39.5; c >= -30; c -= 0.5) {
      const now = moduleAt({ chemistry }, c);
      expect(now.resistance).toBeGreaterThanOrEqual(before.resistance);
      expect(now.energy).toBeLessThanOrEqual(before.energy);
      expect(now.charge).toBeLessThanOrEqual(before.charge);
      expect(now.resistance / before.resistance).toBeLessThan(1.05);
      before = now;
    }
  });
  test('as the sheet states at 20 °C; beyond the ends the ends; a sheet’s own rows win, in any order', () => {
    expect(moduleAt(sheet, 20)).toMatchObject({ resistance: 1, energy: 1, charge: 1 });
    expect(moduleAt(sheet, -50).resistance).toBe(USUAL_BY_TEMPERATURE.NMC[0]!.resistance);
    expect(moduleAt(sheet, 60).resistance).toBe(0.85);
    const own = [
      { temperatureC: 20, resistance: 1, energy: 1, charge: 1 },
      { temperatureC: 0, resistance: 3, energy: 0.5, charge: 0 },
    ];
    expect(moduleAt({ ...sheet, byTemperature: own }, 5)).toEqual({
      temperatureC: 5,
      resistance: 2.5,
      energy: 0.625,
      charge: 0.25,
    });
  });
  test('a pack at freezing: 1.9 times the resistance, 95 % of the energy; what a fault is fed through stays warm', () => {
    const [warm, cold] = [pack([box()]), pack([box()], 0)];
    expect(warm.resistanceOhm).toBeCloseTo(0.036, 12);
    expect(cold.resistanceOhm).toBeCloseTo(0.036 * 1.9, 12);
    expect(cold.givesWh / warm.givesWh).toBeCloseTo(0.95, 12);
    expect(cold.warmOhm).toBe(warm.warmOhm);
  });
});

describe('what goes together', () => {
  test('cells of different chemistry never in one string, nor two packs apart in any voltage', () => {
    expect(composePack([box(), box({ name: 'front', sheet: LFP })], 'one')).toBe('mixedChemistry');
    expect(composePack([box(), box({ pack: 2, name: 'front', sheet: LFP })], 'series')).toBe('mixedChemistry');
    const lower = { ...sheet, nominalV: 21 };
    expect(composePack([box(), box({ pack: 2, name: 'front', sheet: lower })], 'parallel')).toBe('packsDiffer');
    const emptier = { ...sheet, minV: 16 };
    expect(composePack([box(), box({ pack: 2, name: 'front', sheet: emptier })], 'parallel')).toBe('packsDiffer');
  });
  test('nothing depends on the order of boxes', () => {
    const boxes = [box(), box({ name: 'front', modules: 4, capacityAh: 60 }), box({ name: 'roof', modules: 2 })];
    expect(pack([...boxes].reverse(), -7)).toEqual(pack(boxes, -7));
  });
});

describe('charging current', () => {
  const slow = {
    ...sheet,
    rates: [
      { state: 0, perHour: 0.2 },
      { state: 1, perHour: 0.1 },
    ],
  };
  test('the box that takes least decides, whoever is named first', () => {
    const boxes = [box(), box({ name: 'front', sheet: slow })];
    expect(chargeCurrentA(boxes, 'one', 0.5, 20)).toBeCloseTo(15, 9);
    expect(chargeCurrentA([...boxes].reverse(), 'one', 0.5, 20)).toBeCloseTo(15, 9);
    expect(chargeCurrentA([box()], 'one', 0.5, 20)).toBeCloseTo(120, 9);
  });
  test('cold takes less, hard frost nothing, an empty design nothing', () => {
    expect(chargeCurrentA([box()], 'one', 0.5, 0)).toBeCloseTo(30, 9);
    expect(chargeCurrentA([box()], 'one', 0.5, -20)).toBe(0);
    expect(chargeCurrentA([], 'one', 0.5, 20)).toBe(0);
  });
  test('two packs in parallel: shared by resistance, the first at its limit decides', () => {
    // Twice the modules' resistance on one side: of three amperes it carries one.
    const stiff = { ...sheet, resistanceOhm: 0.006 };
    const both = [box(), box({ name: 'front', pack: 2, sheet: stiff })];
    expect(chargeCurrentA(both, 'parallel', 0.5, 20)).toBeCloseTo(120 / (2 / 3), 9);
    expect(chargeCurrentA([box(), box({ name: 'front', pack: 2 })], 'parallel', 0.5, 20)).toBeCloseTo(240, 9);
  });
});
