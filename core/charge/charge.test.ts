import { describe, expect, test } from 'vitest';
import { acPower } from './acPower.ts';
import { chargeHours } from './chargeTime.ts';
import { pilotAmps } from './pilot.ts';

const limits = {
  chargerW: 6600,
  chargerAmps: 32,
  chargerPhases: 1 as const,
  inletAmps: 32,
  inletPhases: 3 as const,
  supply: { volts: 230, amps: 16, phases: 1 as const },
};

describe('AC power', () => {
  test('the least decides and is named', () => {
    expect(acPower(limits)).toEqual({ watts: 3680, by: 'supply', phases: 1 });
    expect(acPower({ ...limits, supply: { volts: 230, amps: 40, phases: 1 } })).toEqual({
      watts: 6600,
      by: 'charger',
      phases: 1,
    });
    expect(acPower({ ...limits, inletAmps: 10 })).toEqual({ watts: 2300, by: 'inlet', phases: 1 });
  });
  test('three phases only count when both sides have them', () => {
    const supply = { volts: 230, amps: 16, phases: 3 as const };
    expect(acPower({ ...limits, supply }).watts).toBe(3680);
    expect(acPower({ ...limits, chargerW: 11_100, chargerAmps: 16, chargerPhases: 3, supply }).watts).toBe(11_040);
  });
  test('an inlet with one phase on three gives a third, and is named', () => {
    const supply = { volts: 230, amps: 16, phases: 3 as const };
    const three = { ...limits, chargerW: 11_100, chargerAmps: 16, chargerPhases: 3 as const, supply };
    expect(acPower({ ...three, inletPhases: 1 })).toEqual({ watts: 3680, by: 'inlet', phases: 1 });
  });
  test('a cold pack takes less than the charger gives', () =>
    expect(acPower({ ...limits, packW: 900 })).toEqual({ watts: 900, by: 'pack', phases: 1 }));
});

describe('charging time', () => {
  test('is plain below 90 %, longer above', () => {
    expect(chargeHours(10_000, 3300, 0.9, 0.2, 0.8)).toBeCloseTo(6000 / 2970, 9);
    const last = chargeHours(10_000, 3300, 0.9, 0.9, 1);
    expect(last).toBeGreaterThan(1000 / 2970);
    expect(last).toBeCloseTo((1000 / 2970) * (Math.log(2) / 0.5), 6);
  });
  test('parts add up; nothing to do takes no time; no power takes for ever', () => {
    const whole = chargeHours(10_000, 3300, 0.9);
    expect(chargeHours(10_000, 3300, 0.9, 0, 0.95) + chargeHours(10_000, 3300, 0.9, 0.95, 1)).toBeCloseTo(whole, 9);
    expect(chargeHours(10_000, 3300, 0.9, 0.8, 0.8)).toBe(0);
    expect(chargeHours(10_000, 0, 0.9)).toBe(Number.POSITIVE_INFINITY);
  });
});

test('control pilot: nothing outside 10 to 96 %', () => {
  expect(pilotAmps(5)).toBeNull();
  expect(pilotAmps(97)).toBeNull();
  expect(pilotAmps(26.7)).toBeCloseTo(16.02, 6);
});
