import { describe, expect, test } from 'vitest';
import { acPower, supplyPowerW } from '../../core/charge/acPower.ts';
import { chargeHours } from '../../core/charge/chargeTime.ts';
import { pilotAmps } from '../../core/charge/pilot.ts';
import type { ModuleSheet } from '../../core/component/sheets.ts';
import { heaterAmps, heaterPower } from '../../core/cooling/heater.ts';
import { createSheet } from '../../core/figures/evaluate.ts';
import { FIGURES } from '../../core/figures/index.ts';
import { satelliteCount } from '../../core/pack/satellites.ts';
import { judgeCheck } from '../../core/prove/check.ts';
import { checkById } from '../../core/prove/index.ts';
import { packOf as packFacts } from '../../core/testing/packOf.ts';
import { slots } from '../../core/testing/wren.ts';

// Source: SAE J1772, AC levels (from memory).
describe('SAE J1772 charge levels', () => {
  test('level 1: 120 V × 16 A = 1.92 kW', () => expect(supplyPowerW({ volts: 120, amps: 16, phases: 1 })).toBe(1920));
  test('level 2 at most: 240 V × 80 A = 19.2 kW', () =>
    expect(supplyPowerW({ volts: 240, amps: 80, phases: 1 })).toBe(19_200));
  test('three-phase 230 V × 16 A = 11.0 kW', () =>
    expect(supplyPowerW({ volts: 230, amps: 16, phases: 3 }) / 1000).toBeCloseTo(11.0, 1));
  test('a 19.2 kW post does not speed up a 3.3 kW charger', () => {
    expect(
      acPower({
        chargerW: 3300,
        chargerAmps: 16,
        chargerPhases: 1,
        inletAmps: 80,
        inletPhases: 1,
        supply: { volts: 240, amps: 80, phases: 1 },
      }).watts,
    ).toBe(3300);
  });
});

// Source: IEC 61851-1, control pilot duty cycle against current (from memory).
describe('IEC 61851-1 control pilot', () => {
  test.each([
    [10, 6],
    [16, 9.6],
    [26.67, 16],
    [50, 30],
    [53.33, 32],
    [85, 51],
    [90, 65],
    [96, 80],
  ])('%d %% is %d A', (duty, amps) => expect(pilotAmps(duty)).toBeCloseTo(amps, 1));
});

// Source: UN R100 and ISO 6469-3: at least 100 Ω per volt DC, earth bond under 0.1 Ω (from memory).
describe('limits of electrical safety checks', () => {
  const sheet = createSheet(slots());
  test('insulation of a 302.4 V pack is at least 30.24 kΩ', () => {
    const check = checkById('insulationPlus')!;
    expect(check.limit(sheet)?.min).toBeCloseTo(30.24, 9);
    expect(judgeCheck(check, 30.2, sheet).verdict).toBe('failed');
    expect(judgeCheck(check, 30.3, sheet).verdict).toBe('passed');
  });
  test('earth bond of 0.1 Ω passes, 0.11 Ω does not', () => {
    expect(judgeCheck(checkById('earthBond')!, 0.1, sheet).verdict).toBe('passed');
    expect(judgeCheck(checkById('earthBond')!, 0.11, sheet).verdict).toBe('failed');
  });
});

// Common practice, no source.
describe('packs of the trade', () => {
  const cell55: ModuleSheet = {
    chemistry: 'NMC',
    cellsSeries: 4,
    cellsParallel: 2,
    capacityAh: 110,
    minV: 12,
    nominalV: 14.8,
    maxV: 16.8,
    continuousA: 150,
    peakA: 400,
    resistanceOhm: 0.002,
    channels: 4,
  };
  test('192 cells of 55 Ah, 3.7 V as 2p96s make about 39 kWh and 400 V full', () => {
    const facts = packFacts(cell55, 24, 1);
    if (typeof facts === 'string') throw new Error(facts);
    expect(facts.seriesCells).toBe(96);
    expect(facts.energyWh / 1000).toBeCloseTo(39, 0);
    expect(facts.fullV).toBeGreaterThan(395);
    expect(facts.fullV).toBeLessThan(405);
  });
  test('satellites of 18 channels: a box of 24 needs two', () => expect(satelliteCount([24], 18)).toBe(2));
  test('21 kWh, nine tenths of it used, from a 3.3 kW charger takes about six and a half hours', () => {
    const hours = chargeHours(0.9 * 21_000, 3300, 0.9);
    expect(hours).toBeGreaterThan(5.9);
    expect(hours).toBeLessThan(7);
  });
  test('an upright old vehicle uses 300 to 360 Wh per mile on the open road', () => {
    const how = { ...slots().use, constantKmh: 88, payloadKg: 250 };
    const vehicle = {
      ...slots().vehicle,
      figures: {
        ...slots().vehicle.figures,
        dragCoefficient: { value: 0.5, source: 'library' as const },
        frontalArea: { value: 2.4, source: 'library' as const },
      },
    };
    const whPerKm = createSheet(slots({ use: how, vehicle })).get(FIGURES.consumptionConstant).value!;
    expect(whPerKm * 1.609344).toBeGreaterThan(300);
    expect(whPerKm * 1.609344).toBeLessThan(360);
  });
});

// Common practice, no source: an element of 1500 W at 110 V is 8.07 Ω and gives 2834 W and 18.7 A at 151.2 V.
describe('plain resistive heaters', () => {
  const element = { powerW: 1500, ratedV: 110 };
  test('power with the square of the voltage, most at the full pack', () => {
    expect(110 ** 2 / 1500).toBeCloseTo(8.07, 2);
    expect(heaterPower(element, 151.2)).toBeCloseTo(2834, 0);
    expect(heaterAmps(element, { emptyV: 108, fullV: 151.2 })).toBeCloseTo(18.7, 1);
    expect(heaterPower(element, 151.2) / 1500).toBeCloseTo(1.9, 1);
  });
  test('a regulated one draws most at the empty pack', () =>
    expect(heaterAmps({ powerW: 1500 }, { emptyV: 100, fullV: 150 })).toBe(15));
});
