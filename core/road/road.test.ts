import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { traceDistanceM } from '../testing/traceDistance.ts';
import { CYCLE_R83 } from './cycleR83.ts';
import { type DriveLine, driveOver, steadyBatteryPower } from './driveOver.ts';
import type { RoadVehicle } from './roadLoad.ts';
import { roadForces } from './roadLoad.ts';
import { cruiseSpeed, ROUND_ACCELERATION, ROUND_DECELERATION, roundLeg } from './statedRound.ts';
import type { Trace } from './trace.ts';

const VEHICLE: RoadVehicle = {
  massKg: 1300,
  rollingCoefficient: 0.012,
  dragAreaM2: 1,
  airDensity: 1.225,
  rotationFactor: 1.05,
  headwindMs: 0,
};
const DRIVE: DriveLine = {
  gearEfficiency: 0.96,
  motorEfficiency: 0.9,
  maxPowerW: 80_000,
  regenPowerW: 25_000,
  regenShare: 0.5,
  auxiliaryW: 250,
};

/** Battery energy must equal the sum of where it went, to a millionth. */
function balance(trace: Trace, drive = DRIVE, vehicle = VEHICLE): number {
  const run = driveOver(trace, vehicle, drive);
  return run.airWh + run.tyresWh + run.hillsWh + run.brakesWh + run.driveLossWh + run.auxiliaryWh - run.batteryWh;
}

describe('road load', () => {
  test('standing still resists only on a hill', () => {
    expect(roadForces(VEHICLE, 0, 0)).toEqual({ tyresN: 0, airN: 0, hillN: 0 });
    expect(roadForces(VEHICLE, 0, 0.1).hillN).toBeCloseTo((1300 * 9.80665 * 0.1) / Math.sqrt(1.01), 6);
  });
  test('a tail wind faster than the vehicle pushes', () => {
    expect(roadForces({ ...VEHICLE, headwindMs: -10 }, 5, 0).airN).toBeCloseTo(-0.5 * 1.225 * 25, 9);
  });
});

describe('driving over a trace', () => {
  test('the energy balance closes on the cycle, with and without a weak drive', () => {
    expect(Math.abs(balance(CYCLE_R83))).toBeLessThan(1e-9);
    expect(Math.abs(balance(CYCLE_R83, { ...DRIVE, maxPowerW: 12_000 }))).toBeLessThan(1e-9);
    expect(driveOver(CYCLE_R83, VEHICLE, { ...DRIVE, maxPowerW: 12_000 }).shortS).toBeGreaterThan(0);
  });
  test('it closes on any stated round', () => {
    const arbitrary = fc.record({
      lengthKm: fc.double({ min: 2, max: 200, noNaN: true }),
      stops: fc.integer({ min: 0, max: 30 }),
      meanKmh: fc.double({ min: 5, max: 60, noNaN: true }),
      climbM: fc.double({ min: 0, max: 2000, noNaN: true }),
    });
    fc.assert(
      fc.property(arbitrary, (round) => {
        const leg = roundLeg(round);
        return typeof leg === 'string' || Math.abs(balance(leg)) < 1e-6;
      }),
    );
  });
  test('more mass never uses less; regeneration never uses more', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 600, max: 3000, noNaN: true }),
        fc.double({ min: 1, max: 500, noNaN: true }),
        (massKg, more) => {
          const light = driveOver(CYCLE_R83, { ...VEHICLE, massKg }, { ...DRIVE, maxPowerW: 1e6 });
          const heavy = driveOver(CYCLE_R83, { ...VEHICLE, massKg: massKg + more }, { ...DRIVE, maxPowerW: 1e6 });
          return heavy.batteryWh > light.batteryWh;
        },
      ),
    );
    const without = driveOver(CYCLE_R83, VEHICLE, { ...DRIVE, regenPowerW: 0 });
    expect(without.recoveredWh).toBe(0);
    expect(without.batteryWh).toBeGreaterThan(driveOver(CYCLE_R83, VEHICLE, DRIVE).batteryWh);
  });
  test('peak over 30 s lies between mean and the highest second', () => {
    const run = driveOver(CYCLE_R83, VEHICLE, DRIVE);
    expect(run.peak30sPowerW).toBeGreaterThan(run.rmsPowerW);
    expect(run.rmsPowerW).toBeGreaterThan(run.meanPowerW);
  });
  test('an empty trace gives nothing rather than NaN', () => {
    const run = driveOver({ speedMs: new Float64Array(1), grade: new Float64Array(1) }, VEHICLE, DRIVE);
    expect(run).toMatchObject({ batteryWh: 0, meanPowerW: 0, peak30sPowerW: 0 });
  });
  test('rolling downhill takes only the accessories', () => {
    expect(steadyBatteryPower(VEHICLE, DRIVE, 40, -0.1)).toBe(250);
  });
});

describe('stated round', () => {
  test('cruising speed gives the wished mean', () => {
    const v = cruiseSpeed(2000, 8);
    const time = 2000 / v + (v / 2) * (1 / ROUND_ACCELERATION + 1 / ROUND_DECELERATION);
    expect(2000 / time).toBeCloseTo(8, 9);
  });
  test('distance of the legs comes to the round', () => {
    const leg = roundLeg({ lengthKm: 42, stops: 18, meanKmh: 30, climbM: 230 }) as Trace;
    expect((traceDistanceM(leg) * 19) / 42_000).toBeCloseTo(1, 1);
  });
  test('what goes up comes down', () => {
    const leg = roundLeg({ lengthKm: 20, stops: 1, meanKmh: 40, climbM: 200 }) as Trace;
    let height = 0;
    let highest = 0;
    leg.speedMs.forEach((v, i) => {
      height += v * leg.grade[i]!;
      highest = Math.max(highest, height);
    });
    expect(highest).toBeGreaterThan(95);
    expect(Math.abs(height)).toBeLessThan(3);
  });
  test('too fast for so many stops, and no length, say so', () => {
    expect(roundLeg({ lengthKm: 5, stops: 100, meanKmh: 60, climbM: 0 })).toBe('meanTooFast');
    expect(roundLeg({ lengthKm: 0, stops: 0, meanKmh: 30, climbM: 0 })).toBe('noLength');
  });
});
