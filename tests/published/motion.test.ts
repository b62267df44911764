import { Solver } from 'odex';
import { describe, expect, test } from 'vitest';
import { accelerate } from '../../core/drive/accelerate.ts';
import { airDensity } from '../../core/road/airDensity.ts';
import { type DriveLine, driveOver, steadyBatteryPower } from '../../core/road/driveOver.ts';
import { GRAVITY, type RoadVehicle } from '../../core/road/roadLoad.ts';

const FREE: RoadVehicle = {
  massKg: 1200,
  rollingCoefficient: 0,
  dragAreaM2: 0,
  airDensity: 1.225,
  rotationFactor: 1,
  headwindMs: 0,
};
const VAN: RoadVehicle = {
  massKg: 1500,
  rollingCoefficient: 0.012,
  dragAreaM2: 1.05,
  airDensity: 1.225,
  rotationFactor: 1.05,
  headwindMs: 0,
};

// Source: International Standard Atmosphere, ISO 2533 (from memory).
describe('air density', () => {
  test('sea level, 15 °C: 1.225 kg/m³', () => expect(airDensity(15, 0)).toBeCloseTo(1.225, 3));
  test('1000 m, 8.5 °C: 1.1116 kg/m³', () => expect(airDensity(8.5, 1000)).toBeCloseTo(1.1116, 3));
  test('2000 m, 2 °C: 1.0065 kg/m³', () => expect(airDensity(2, 2000)).toBeCloseTo(1.0065, 3));
});

// Source: closed form of motion at constant power, any textbook of mechanics: v = √(2Pt/m) once force no longer limits.
describe('acceleration against closed forms', () => {
  const P = 40_000;
  const F = 4000;
  const pull = (v: number) => Math.min(F, P / Math.max(v, 1e-9));
  const v1 = P / F;
  const t1 = (1200 * v1) / F;
  const closed = (v: number) => (v <= v1 ? (1200 * v) / F : t1 + (1200 * (v * v - v1 * v1)) / (2 * P));
  test.each([20, 36, 50, 80, 100])('to %d km/h, constant force then constant power', (kmh) => {
    const seconds = accelerate(FREE, pull, [kmh]).secondsTo.get(kmh)!;
    expect(Math.abs(seconds / closed(kmh / 3.6) - 1)).toBeLessThan(0.001);
  });
  test('long after the start v = √(2Pt/m) within the head start of the force limit', () => {
    const seconds = accelerate(FREE, pull, [200]).secondsTo.get(200)!;
    expect(Math.sqrt((2 * P * (seconds - t1 / 2)) / 1200) * 3.6).toBeCloseTo(200, 0);
  });
});

// Reference: odex, a general-purpose integrator (Gragg–Bulirsch–Stoer, after Hairer, Nørsett and Wanner).
describe('acceleration with road load against odex', () => {
  const pull = (v: number) => Math.min(4200, 55_000 / Math.max(v, 1e-9));
  test.each([30, 50, 80, 100])('to %d km/h within 0.1 %', (kmh) => {
    const ours = accelerate(VAN, pull, [kmh]).secondsTo.get(kmh)!;
    const slope = (v: number) =>
      (pull(v) - VAN.massKg * GRAVITY * VAN.rollingCoefficient - 0.5 * VAN.airDensity * VAN.dragAreaM2 * v * v) /
      (VAN.massKg * VAN.rotationFactor);
    const solver = new Solver(1);
    solver.absoluteTolerance = solver.relativeTolerance = 1e-9;
    solver.maxStepSize = 0.02;
    const end = solver.solve((_t, [v]) => [slope(v!)], 0, [0], ours).y[0]!;
    expect(Math.abs((end * 3.6) / kmh - 1)).toBeLessThan(0.001);
  });
});

describe('road load by hand', () => {
  const drive: DriveLine = {
    gearEfficiency: 0.95,
    motorEfficiency: 0.9,
    maxPowerW: 1e6,
    regenPowerW: 0,
    regenShare: 0,
    auxiliaryW: 300,
  };
  // 1500·9.80665·0.012 = 176.52 N; ½·1.225·1.05·(80/3.6)² = 317.59 N; × 22.222 m/s = 10 980 W; ÷ 0.855 + 300.
  test('80 km/h on the level', () =>
    expect(steadyBatteryPower(VAN, drive, 80, 0)).toBeCloseTo(((176.5197 + 317.5926) * (80 / 3.6)) / 0.855 + 300, 0));
  test('a second at a steady speed on a trace is the same power', () => {
    const speedMs = new Float64Array(3601).fill(80 / 3.6);
    const run = driveOver({ speedMs, grade: new Float64Array(3601) }, VAN, drive);
    expect(run.batteryWh).toBeCloseTo(steadyBatteryPower(VAN, drive, 80, 0), 3);
    expect(run.distanceKm).toBeCloseTo(80, 6);
  });
  // m·g·h: 1500 kg up 100 m is 408.6 Wh at the wheels whatever the way.
  test('climbing takes m·g·h', () => {
    const n = 1001;
    const speedMs = new Float64Array(n).fill(10);
    const sinus = 0.01;
    const grade = new Float64Array(n).fill(sinus / Math.sqrt(1 - sinus * sinus));
    const run = driveOver({ speedMs, grade }, { ...VAN, rollingCoefficient: 0, dragAreaM2: 0 }, drive);
    expect(run.hillsWh).toBeCloseTo((1500 * GRAVITY * 100) / 3600, 6);
  });
});
