import { describe, expect, test } from 'vitest';
import type { RoadVehicle } from '../road/roadLoad.ts';
import { accelerate } from './accelerate.ts';
import { drivelineLoads, measureFirst } from './driveline.ts';
import { steepestHeld, steepestStart, topSpeed } from './limits.ts';
import { motorTorque } from './motorCurve.ts';
import { kmhPer1000Rpm, motorPull, rpmAt } from './pull.ts';
import { gripLimit, type Stance } from './traction.ts';

const MOTOR = { peakTorqueNm: 150, peakPowerW: 60_000, maxRpm: 10_000 };
const GEARING = { ratio: 9, efficiency: 0.96, wheelRadiusM: 0.29 };
const VEHICLE: RoadVehicle = {
  massKg: 1300,
  rollingCoefficient: 0.012,
  dragAreaM2: 1,
  airDensity: 1.225,
  rotationFactor: 1.05,
  headwindMs: 0,
};
const STANCE: Stance = {
  frontAxleKg: 700,
  rearAxleKg: 600,
  wheelbaseM: 2.2,
  massCentreHeightM: 0.6,
  drivenAxle: 'front',
};

describe('motor and gearing', () => {
  test('flat torque, then constant power, then nothing', () => {
    expect(motorTorque(MOTOR, 0)).toBe(150);
    expect(motorTorque(MOTOR, 2000)).toBe(150);
    const omega = (8000 * 2 * Math.PI) / 60;
    expect(motorTorque(MOTOR, 8000) * omega).toBeCloseTo(60_000, 6);
    expect(motorTorque(MOTOR, 10_001)).toBe(0);
  });
  test('road speed per 1000 rpm agrees with rpm at that speed', () => {
    expect(rpmAt(GEARING, kmhPer1000Rpm(GEARING) / 3.6)).toBeCloseTo(1000, 9);
    expect(motorPull(MOTOR, GEARING, 0)).toBeCloseTo((150 * 9 * 0.96) / 0.29, 9);
  });
});

describe('grip', () => {
  test('force and load are in balance for front drive: F = μ·(front load − F·h/L)', () => {
    const force = gripLimit(STANCE, 0.8);
    expect(force).toBeCloseTo(0.8 * (700 * 9.80665 - (force * 0.6) / 2.2), 6);
  });
  test('rear drive gains load, all wheels use all of it', () => {
    const rear = gripLimit({ ...STANCE, drivenAxle: 'rear' }, 0.8);
    expect(rear).toBeCloseTo(0.8 * (600 * 9.80665 + (rear * 0.6) / 2.2), 6);
    expect(gripLimit({ ...STANCE, drivenAxle: 'both' }, 0.8)).toBeCloseTo(0.8 * 1300 * 9.80665, 6);
  });
  test('a tall short vehicle is limited by its front wheels lifting', () => {
    const tall = { ...STANCE, drivenAxle: 'rear' as const, massCentreHeightM: 3 };
    expect(gripLimit(tall, 0.9)).toBeCloseTo((700 * 9.80665 * 2.2) / 3, 6);
    expect(gripLimit(STANCE, 0.8, 0.3)).toBeLessThan(gripLimit(STANCE, 0.8));
  });
});

describe('limits', () => {
  const pull = (v: number) => Math.min(motorPull(MOTOR, GEARING, v), gripLimit(STANCE, 0.8));
  const byRpm = ((10_000 / 9) * 2 * Math.PI * 0.29) / 60;
  test('a short gear runs out of revolutions, a weak motor out of pull', () => {
    expect(topSpeed(VEHICLE, pull, byRpm)).toEqual({ kmh: byRpm * 3.6, by: 'rotation' });
    const weak = topSpeed(VEHICLE, (v) => Math.min(3000, 5000 / Math.max(v, 0.1)), byRpm);
    expect(weak.by).toBe('roadLoad');
    const v = weak.kmh / 3.6;
    expect(5000 / v).toBeCloseTo(1300 * 9.80665 * 0.012 + 0.5 * 1.225 * v * v, 3);
  });
  test('steepest start balances pull and weight', () => {
    const grade = steepestStart(VEHICLE, () => 3000);
    const cos = 1 / Math.sqrt(1 + grade * grade);
    expect(1300 * 9.80665 * (0.012 * cos + grade * cos)).toBeCloseTo(3000, 2);
    expect(steepestStart(VEHICLE, () => 10)).toBe(0);
    expect(steepestStart(VEHICLE, () => 1e6)).toBe(4);
  });
  test('a steeper hill is started than held at speed', () => {
    expect(steepestHeld(VEHICLE, () => 3000, 50 / 3.6)).toBeLessThan(steepestStart(VEHICLE, () => 3000));
    expect(steepestHeld(VEHICLE, () => 0, 10)).toBeNull();
  });
  test('targets that are never reached are null', () => {
    const run = accelerate(VEHICLE, () => 300, [20, 500]);
    expect(run.secondsTo.get(20)).toBeGreaterThan(0);
    expect(run.secondsTo.get(500)).toBeNull();
    expect(run.ended).toBe('stuck');
    expect(accelerate(VEHICLE, () => 0, [20])).toMatchObject({ ended: 'stuck', endKmh: 0 });
    expect(accelerate(VEHICLE, () => 0, [20]).secondsTo.get(20)).toBeNull();
    expect(accelerate(VEHICLE, () => 3000, [20]).ended).toBe('reached');
  });
  test('a target before the balance is reached however long it takes', () => {
    // 152 s to 50 km/h, and forces balance at 56: what lies beyond is stuck, what lies before is timed.
    const slow = accelerate(VEHICLE, () => 300, [50, 500]);
    expect(slow.secondsTo.get(50)!).toBeGreaterThan(120);
    expect(slow.secondsTo.get(500)).toBeNull();
    expect(slow.ended).toBe('stuck');
  });
  test('a slow vehicle still gaining speed is not one that never gets there', () => {
    // No resistance but mass: 1 N on a tonne gains 3.6 km/h in a thousand seconds, and goes on gaining.
    const free = { ...VEHICLE, massKg: 1000, rotationFactor: 1, rollingCoefficient: 0, dragAreaM2: 0 };
    const slow = accelerate(free, () => 1, [3]);
    expect(slow).toMatchObject({ ended: 'tooLong' });
    expect(slow.secondsTo.get(3)).toBeNull();
    expect(slow.endKmh).toBeCloseTo(2.16, 2);
  });
});

test('driveline: the weakest part comes first, with the whole newton-metres that stay within it', () => {
  const parts = [
    { part: 'input', limitNm: 200, after: 'motor' as const },
    { part: 'shaft', limitNm: 1500, after: 'final' as const },
    { part: 'hub', limitNm: 9000, after: 'hub' as const },
  ];
  const [worst, next] = drivelineLoads(parts, { gearbox: 2, final: 4, hub: 1.25 }, 250);
  expect(worst).toMatchObject({ part: 'shaft', torqueNm: 2000, margin: 0.75, capNm: 187 });
  expect(next).toMatchObject({ part: 'input', margin: 0.8 });
});

describe('drive modes', () => {
  const rear = { key: 'r', name: 'rear only', frontShare: 0, rearShare: 1 };
  const fixed = { key: 'f', name: 'forty to sixty', frontShare: 0.4, rearShare: 0.6 };
  const locked = { key: 'l', name: 'locked', frontShare: 1, rearShare: 1 };
  const shaft = (axle: 'front' | 'rear') =>
    ({ part: `${axle} half shaft`, limitNm: 500, after: 'final', axle, oneOfTwo: true }) as const;
  const ratios = { gearbox: 2, final: 4, hub: 1 };
  const load = (modes: readonly (typeof rear)[], part: string) =>
    drivelineLoads([shaft('front'), shaft('rear')], ratios, 100, modes).find((one) => one.part === part);
  // By hand: 100 N·m · 8 = 800 N·m; an open differential gives each shaft 400, of 60 % each 240, of 40 % 160.
  test('an open differential halves, a transfer case divides, a locked one may give all to either axle', () => {
    expect(load([rear], 'rear half shaft')).toMatchObject({ torqueNm: 400, capNm: 125, mode: null });
    expect(load([rear], 'front half shaft')).toBeUndefined();
    expect(load([fixed], 'rear half shaft')!.torqueNm).toBeCloseTo(240, 9);
    expect(load([fixed], 'front half shaft')!.torqueNm).toBeCloseTo(160, 9);
    expect(load([locked], 'front half shaft')!.torqueNm).toBe(400);
  });
  test('each part is told of the worst mode that is allowed', () => {
    expect(load([fixed, rear], 'rear half shaft')).toMatchObject({ torqueNm: 400, mode: 'rear only' });
    expect(load([fixed, rear], 'front half shaft')).toMatchObject({ mode: 'forty to sixty' });
    expect(load([fixed, locked], 'front half shaft')).toMatchObject({ torqueNm: 400, mode: 'locked' });
  });
  test('a part known by power alone limits nothing until it is measured', () => {
    const box = { part: 'transfer case', limitNm: 0, after: 'gearbox', powerOnlyW: 450_000 } as const;
    expect(drivelineLoads([box], ratios, 100)).toEqual([]);
    expect(measureFirst([box, shaft('rear')])).toEqual([box]);
  });
});
