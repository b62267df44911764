import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { packOf as packFacts } from '../testing/packOf.ts';
import { MODULE } from '../testing/wren.ts';
import { arrangeModules, emptyBoxMassKg } from './arrange.ts';
import { loadedVoltage } from './loadedVoltage.ts';
import { satelliteCount } from './satellites.ts';

describe('pack', () => {
  test('series adds voltage, strings add current', () => {
    const facts = packFacts(MODULE.sheet, 12, 2);
    expect(facts).toMatchObject({
      seriesModules: 6,
      fullV: 151.2,
      emptyV: 108,
      continuousA: 300,
      energyWh: 26_400,
      seriesCells: 36,
    });
    expect((facts as { resistanceOhm: number }).resistanceOhm).toBeCloseTo(0.009, 9);
  });
  test('refuses no modules and unequal strings', () => {
    expect(packFacts(MODULE.sheet, 0, 1)).toBe('noModules');
    expect(packFacts(MODULE.sheet, 12, 0)).toBe('unequalStrings');
    expect(packFacts(MODULE.sheet, 7, 2)).toBe('unequalStrings');
  });
  test('more modules in one string never lower energy or voltage', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 100 }), (n) => {
        const a = packFacts(MODULE.sheet, n, 1);
        const b = packFacts(MODULE.sheet, n + 1, 1);
        return typeof a === 'object' && typeof b === 'object' && b.energyWh > a.energyWh && b.fullV > a.fullV;
      }),
    );
  });
});

describe('voltage under load', () => {
  test('power balances at the terminals', () => {
    const { volts, amps } = loadedVoltage(300, 0.05, 60_000);
    expect(volts * amps).toBeCloseTo(60_000, 6);
    expect(volts).toBeCloseTo(300 - amps * 0.05, 9);
  });
  test('a perfect pack does not sag; an impossible power gives the most there is', () => {
    expect(loadedVoltage(300, 0, 30_000)).toEqual({ volts: 300, amps: 100 });
    expect(loadedVoltage(100, 1, 1e9).volts).toBe(50);
  });
});

test('satellites are counted per box', () => {
  expect(satelliteCount([24], 18)).toBe(2);
  expect(satelliteCount([10, 10], 18)).toBe(2);
  expect(satelliteCount([], 18)).toBe(0);
});

describe('modules in a bay', () => {
  const bay = { lengthMm: 560, widthMm: 860, heightMm: 300 };
  test('a box of four goes in with its walls and headroom', () => {
    const { fits, most } = arrangeModules(MODULE, 4, bay);
    expect(most).toBeGreaterThanOrEqual(10);
    expect(fits!.along * fits!.across * fits!.layers).toBeGreaterThanOrEqual(4);
    expect(fits!.outer.lengthMm).toBeLessThanOrEqual(bay.lengthMm - 20);
    expect(fits!.outer.widthMm).toBeLessThanOrEqual(bay.widthMm - 20);
    expect(fits!.outer.heightMm).toBeLessThanOrEqual(bay.heightMm - 20);
  });
  test('too many, none, and a bay too low say so', () => {
    expect(arrangeModules(MODULE, 99, bay).fits).toBeNull();
    expect(arrangeModules(MODULE, 0, bay).fits).toBeNull();
    expect(arrangeModules(MODULE, 1, { ...bay, heightMm: 120 })).toEqual({ fits: null, most: 0 });
  });
  test('whatever fits stays inside with 10 mm to spare', () => {
    const size = fc.integer({ min: 150, max: 1500 });
    fc.assert(
      fc.property(size, size, size, fc.integer({ min: 1, max: 40 }), (lengthMm, widthMm, heightMm, count) => {
        const { fits, most } = arrangeModules(MODULE, count, { lengthMm, widthMm, heightMm });
        if (!fits) return count > most;
        return (
          fits.outer.lengthMm <= lengthMm - 20 &&
          fits.outer.widthMm <= widthMm - 20 &&
          fits.outer.heightMm <= heightMm - 20 &&
          fits.along * fits.across * fits.layers >= count
        );
      }),
    );
  });
  test('an empty box weighs its sheet', () => {
    expect(emptyBoxMassKg({ lengthMm: 1000, widthMm: 1000, heightMm: 1000 })).toBeCloseTo(6 * 15.7 * 1.1, 6);
  });
});
