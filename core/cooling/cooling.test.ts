import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { airWarming, cooledBy } from './air.ts';
import { CABIN, CABIN_WARM_C, cabinAfter, holdingPower, warmUpSeconds } from './cabin.ts';
import { coolantFlow, MODULE_J_PER_KGK, packRise } from './coolant.ts';
import { heaterAmps, heaterPower, isPlain } from './heater.ts';

const STYLES = Object.keys(CABIN) as (keyof typeof CABIN)[];

describe('air that takes heat', () => {
  // By hand: 1.2 kg/m³ × (360/3600) m³/s × 1006 J/(kg·K) = 120.72 W/K; 1207.2 W warm it by 10 K.
  test('by hand: 360 m³/h take 1 207 W at 10 K', () => expect(airWarming(1207.2, 360)).toBeCloseTo(10, 9));
  test('no flow takes nothing: it warms without end', () => {
    expect(airWarming(100, 0)).toBe(Number.POSITIVE_INFINITY);
    expect(airWarming(100, Number.NaN)).toBe(Number.POSITIVE_INFINITY);
  });
  test('a pack cools towards the air and never past it; after one time constant 63.2 % of the way', () => {
    const heat = 120.72 * 600;
    expect(cooledBy(360, 40, 20, heat, 600)).toBeCloseTo(20 + 20 / Math.E, 9);
    fc.assert(
      fc.property(fc.double({ min: -30, max: 60, noNaN: true }), fc.integer({ min: 0, max: 1e6 }), (packC, seconds) => {
        const now = cooledBy(360, packC, 20, heat, seconds);
        expect(Math.abs(now - 20)).toBeLessThanOrEqual(Math.abs(packC - 20) + 1e-9);
        expect((now - 20) * (packC - 20)).toBeGreaterThanOrEqual(-1e-9);
      }),
    );
  });
  test('two halves of the time are the whole', () => {
    const half = cooledBy(200, 45, 20, 60_000, 300);
    expect(cooledBy(200, half, 20, 60_000, 300)).toBeCloseTo(cooledBy(200, 45, 20, 60_000, 600), 9);
  });
  test('without flow, or with nothing to cool, it stays', () => {
    expect(cooledBy(0, 45, 20, 60_000, 600)).toBe(45);
    expect(cooledBy(200, 45, 20, 0, 600)).toBe(45);
  });
});

describe('coolant', () => {
  // By hand: 5 kW ÷ (3.4 kJ/(kg·K) × 10 K) = 0.147 kg/s; ÷ 1.07 kg/l × 60 = 8.246 l/min.
  test('by hand: 5 kW with 10 K', () => expect(coolantFlow(5000, 10)).toBeCloseTo(8.246, 3));
  test('half the rise wants twice the flow; no rise carries nothing', () => {
    expect(coolantFlow(5000, 5)).toBeCloseTo(2 * coolantFlow(5000, 10), 12);
    expect(coolantFlow(5000, 0)).toBe(Number.POSITIVE_INFINITY);
  });
  test('a pack of 100 kg at 950 J/(kg·K) rises 3.79 K by 100 Wh', () => {
    expect(packRise(100, 100)).toBeCloseTo((100 * 3600) / (100 * MODULE_J_PER_KGK), 12);
    expect(packRise(100, 100)).toBeCloseTo(3.789, 3);
    expect(packRise(100, 0)).toBe(0);
  });
});

describe('a cabin', () => {
  test.each(STYLES)('%s: heated for as long as it takes, it is warm', (style) => {
    const seconds = warmUpSeconds(CABIN[style], -5, 4000);
    expect(cabinAfter(CABIN[style], -5, 4000, seconds)).toBeCloseTo(CABIN_WARM_C, 9);
    expect(cabinAfter(CABIN[style], -5, 4000, seconds / 2)).toBeLessThan(CABIN_WARM_C);
  });
  test('what holds it warm never warms it up, and a heater under that never gets there', () => {
    const hold = holdingPower(CABIN.van, 0);
    // By hand: 16 K × 60 W/K.
    expect(hold).toBe(960);
    expect(warmUpSeconds(CABIN.van, 0, hold)).toBe(Number.POSITIVE_INFINITY);
    expect(warmUpSeconds(CABIN.van, 0, 0)).toBe(Number.POSITIVE_INFINITY);
    expect(cabinAfter(CABIN.van, 0, hold, 1e7)).toBeCloseTo(CABIN_WARM_C, 6);
  });
  test('on a warm day nothing is asked', () => {
    expect(holdingPower(CABIN.bus, 20)).toBe(0);
    expect(warmUpSeconds(CABIN.bus, 16, 3000)).toBe(0);
  });
  test('a stronger heater is never slower', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...STYLES),
        fc.integer({ min: -20, max: 15 }),
        fc.integer({ min: 100, max: 9000 }),
        (style, outside, watts) =>
          warmUpSeconds(CABIN[style], outside, watts * 1.1) <= warmUpSeconds(CABIN[style], outside, watts),
      ),
    );
  });
});

describe('heaters', () => {
  const plain = { powerW: 1500, ratedV: 110 };
  // Common practice, no source: 1 500 W at 110 V are 8.07 Ω, 2 834 W and 18.7 A at 151.2 V.
  test('a plain element of 1 500 W at 110 V gives 2 834 W and 18.7 A at 151.2 V', () => {
    expect(heaterPower(plain, 151.2)).toBeCloseTo(2834, 0);
    expect(heaterAmps(plain, { emptyV: 120, fullV: 151.2 })).toBeCloseTo(18.74, 2);
    expect(heaterPower(plain, 110)).toBe(1500);
  });
  test('a regulated one keeps its power, and draws most at the empty pack', () => {
    const regulated = { powerW: 3000 };
    expect(isPlain(regulated as { ratedV?: number })).toBe(false);
    expect(heaterPower(regulated, 400)).toBe(heaterPower(regulated, 250));
    expect(heaterAmps(regulated, { emptyV: 250, fullV: 400 })).toBe(12);
  });
});
