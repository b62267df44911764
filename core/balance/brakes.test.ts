import { describe, expect, test } from 'vitest';
import { idealFrontShare, rearLiftsAtG, rearLocksFromG, regenShareOfStop, stopEnergyWh } from './brakes.ts';

const VAN = { frontKg: 600, rearKg: 600, wheelbaseMm: 2400, massCentreHeightMm: 600 };

describe('brakes', () => {
  // Moments: each tenth of g moves a fortieth of the mass forward: h/L = 0.25.
  test('the ideal front share grows with the deceleration, by moments', () => {
    expect(idealFrontShare(VAN, 0)).toBe(0.5);
    expect(idealFrontShare(VAN, 0.4)).toBeCloseTo(0.6, 12);
    expect(idealFrontShare(VAN, 0.8)).toBeCloseTo(0.7, 12);
    expect(idealFrontShare({ ...VAN, massCentreHeightMm: 3000 }, 0.8)).toBe(1);
  });
  test('the rear wheels lift where all the load has gone forward', () => {
    expect(rearLiftsAtG(VAN)).toBeCloseTo(2, 12);
    expect(idealFrontShare(VAN, rearLiftsAtG(VAN))).toBeCloseTo(1, 12);
  });
  // (0.65 − 0.5) · L/h = 0.15 · 4: at 0.6 g the ideal share is the installed one.
  test('brakes built for 65 % in front: the rear locks first from 0.6 g; a heavier rear stands more', () => {
    expect(rearLocksFromG(VAN, 0.65)).toBeCloseTo(0.6, 12);
    expect(idealFrontShare(VAN, rearLocksFromG(VAN, 0.65))).toBeCloseTo(0.65, 12);
    expect(rearLocksFromG({ ...VAN, rearKg: 700 }, 0.65)).toBeGreaterThan(0.6);
    expect(rearLocksFromG({ ...VAN, frontKg: 900 }, 0.55)).toBeLessThan(0);
  });
  // ½ · 1200 · 1.05 · 25² = 393.75 kJ = 109.4 Wh; mean power at 0.3 g: 1260 · 0.3 · 9.80665 · 12.5 = 46.3 kW.
  test('one stop from 90 km/h, and what 20 kW of regeneration take of it', () => {
    expect(stopEnergyWh(1200, 1.05, 25)).toBeCloseTo(393_750 / 3600, 9);
    expect(regenShareOfStop(1200, 1.05, 25, 0.3, 20_000)).toBeCloseTo(20_000 / (1260 * 0.3 * 9.80665 * 12.5), 9);
    expect(regenShareOfStop(1200, 1.05, 25, 0.01, 20_000)).toBe(1);
  });
});
