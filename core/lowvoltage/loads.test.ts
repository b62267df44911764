import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  LV_CASE_NAME,
  LV_CASES,
  type LvLoad,
  lvBatteryHours,
  lvShare,
  lvStrings,
  lvWatts,
  runningVolts,
  USUAL_LV_LOADS,
} from './loads.ts';

const OLD: LvLoad = { name: 'old', watts: 100, day: 0.2, nightWet: 0.6, worst: 1 };

describe('loads of the low-voltage side', () => {
  test('by hand: the usual ones ask 710 W with everything on, 25 W of it lamps that are on for three tenths', () => {
    const lamps = USUAL_LV_LOADS.find(({ name }) => name === 'Brake and turn lamps')!;
    expect(lvShare(lamps, 'worst') * lamps.watts).toBeCloseTo(25.2, 9);
    // 70 + 45 + 120 + 150 + 25.2 + 60 + 90 + 110 + 40
    expect(lvWatts(USUAL_LV_LOADS, 'worst')).toBeCloseTo(710.2, 9);
  });
  test('no mode asks more than the worst, and none less than nothing', () => {
    for (const which of LV_CASES) {
      expect(lvWatts(USUAL_LV_LOADS, which)).toBeLessThanOrEqual(lvWatts(USUAL_LV_LOADS, 'worst'));
      expect(lvWatts(USUAL_LV_LOADS, which)).toBeGreaterThanOrEqual(0);
      expect(LV_CASE_NAME[which]).not.toBe('');
    }
  });
  test('a design from before there were more modes: a dry night is a wet one, nothing runs parked or charging', () => {
    expect(LV_CASES.map((which) => lvShare(OLD, which))).toEqual([0, 0, 0.2, 0.2, 0.6, 0.6, 1]);
    expect(lvShare({ ...OLD, night: 0.3, wet: 0.4, parked: 0.01, charging: 0.5 }, 'night')).toBe(0.3);
    expect(lvShare({ ...OLD, wet: 0.4 }, 'wet')).toBe(0.4);
    expect(lvShare({ ...OLD, parked: 0.01 }, 'parked')).toBe(0.01);
  });
  test('the sum does not depend on their order, and doubling all doubles it', () => {
    const loads = fc.array(
      fc.record({
        name: fc.constant('x'),
        ...{ watts: fc.integer({ min: 0, max: 500 }), day: fc.constantFrom(0, 0.5, 1) },
        ...{ nightWet: fc.constantFrom(0, 0.5, 1), worst: fc.constantFrom(0, 0.5, 1) },
      }),
      { maxLength: 8 },
    );
    fc.assert(
      fc.property(loads, fc.constantFrom(...LV_CASES), (all, which) => {
        expect(lvWatts(all.toReversed(), which)).toBeCloseTo(lvWatts(all, which), 9);
        expect(lvWatts([...all, ...all], which)).toBeCloseTo(2 * lvWatts(all, which), 9);
      }),
    );
  });
});

describe('batteries of the low-voltage side', () => {
  test('13.8 V on 12 and 27.6 on 24', () => {
    expect(runningVolts(12)).toBeCloseTo(13.8, 12);
    expect(runningVolts(24)).toBeCloseTo(27.6, 12);
  });
  // By hand: 45 Ah × 12 V × half of it = 270 Wh; 90 W for three hours.
  test('45 Ah carry 90 W for three hours, nothing for ever', () => {
    expect(lvBatteryHours(45, 12, 90)).toBe(3);
    expect(lvBatteryHours(45, 12, 0)).toBe(Number.POSITIVE_INFINITY);
  });
  test.each([
    [1, 12, 12, 1],
    [2, 12, 12, 2],
    [2, 12, 24, 1],
    [4, 12, 24, 2],
    [1, 12, 24, 0],
    [3, 12, 24, 0],
    [1, 24, 12, 0],
    [2, 6, 12, 1],
  ])('%i of %i V at %i V are %i strings', (batteries, batteryV, systemV, strings) =>
    expect(lvStrings(batteries, batteryV, systemV)).toBe(strings));
});
