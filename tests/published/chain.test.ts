import { create, all as everything } from 'mathjs';
import { Solver } from 'odex';
import { describe, expect, test } from 'vitest';
import { gearing } from '../../core/figures/drive/gearing.ts';
import { pull } from '../../core/figures/drive/pull.ts';
import { createSheet } from '../../core/figures/evaluate.ts';
import { FIGURES } from '../../core/figures/index.ts';
import { roadVehicle } from '../../core/figures/road/roadVehicle.ts';
import type { QuantityKind } from '../../core/quantity/kinds.ts';
import { readTyped } from '../../core/quantity/typed.ts';
import { GRAVITY } from '../../core/road/roadLoad.ts';
import { DRIVE, MODULE, slots } from '../../core/testing/wren.ts';

const math = create(everything!);

// Reference: odex on m·k·dv/dt = pull − tyres − air, where the pull is found anew at every instant by bisection on the
// torque: the motor's constant power at V/Vs of its sheet, V = V0 − R·I with V·I the battery power that the torque takes.
describe('acceleration through the chain, the voltage sagging with the current, against odex', () => {
  const SHEET_V = 300;
  const module = { ...MODULE, sheet: { ...MODULE.sheet, resistanceOhm: 0.02 } };
  const unit = { ...DRIVE, sheet: { ...DRIVE.sheet, ratedV: SHEET_V } };
  const sheet = createSheet(
    slots({
      pack: { ...slots().pack, module, boxes: slots().pack.boxes.map((box) => ({ ...box, module })) },
      drive: { ...slots().drive, unit },
    }),
  );
  const vehicle = sheet.get(roadVehicle).value!;
  const { ratio, efficiency, wheelRadiusM } = sheet.get(gearing).value!;
  const { gripDryN } = sheet.get(pull).value!;
  const ohm = 12 * 0.02;
  const torque = (omega: number): number => {
    let [low, high] = [0, 150];
    for (let i = 0; i < 50; i++) {
      const nm = (low + high) / 2;
      // The accessories' 200 W at whatever voltage there is; ours takes their current at the lowest one.
      const batteryW = (nm * omega) / 0.9 + 200;
      const root = 264 ** 2 - 4 * ohm * batteryW;
      const volts = root > 0 ? (264 + Math.sqrt(root)) / 2 : 0;
      const allowedW = 60_000 * Math.min(1, volts / SHEET_V);
      // The modules' lowest voltage, the drive's lowest, and ten-second current hold besides.
      const amps = volts > 0 ? batteryW / volts : Number.POSITIVE_INFINITY;
      if (nm * omega <= allowedW && volts >= 216 && amps <= 400) low = nm;
      else high = nm;
    }
    return low;
  };
  test.each([50, 100] as const)('to %d km/h within 0.2 %%', (kmh) => {
    const seconds = sheet.get(kmh === 50 ? FIGURES.time0to50 : FIGURES.time0to100).value!;
    const slope = (v: number) => {
      const omega = (v / wheelRadiusM) * ratio;
      const force = Math.min(gripDryN, (torque(Math.max(omega, 1e-6)) * ratio * efficiency) / wheelRadiusM);
      const { massKg, rollingCoefficient, airDensity, dragAreaM2, rotationFactor } = vehicle;
      const against = massKg * GRAVITY * rollingCoefficient + 0.5 * airDensity * dragAreaM2 * v * v;
      return (force - against) / (massKg * rotationFactor);
    };
    const solver = new Solver(1);
    solver.absoluteTolerance = solver.relativeTolerance = 1e-8;
    solver.maxStepSize = 0.02;
    const end = solver.solve((_t, [v]) => [slope(v!)], 0, [0], seconds).y[0]!;
    expect(Math.abs((end * 3.6) / kmh - 1)).toBeLessThan(0.002);
  });
});

// Reference: mathjs, a general-purpose library with units of its own.
describe('quantities as typed, against mathjs', () => {
  test.each<[string, QuantityKind, string, string]>([
    ['4 in', 'length', '4 inch', 'mm'],
    ['6.5 ft', 'length', '6.5 ft', 'mm'],
    ['210 lb', 'mass', '210 lbs', 'kg'],
    ['9 oz', 'mass', '9 oz', 'kg'],
    ['120 lb ft', 'torque', '120 lbf ft', 'N m'],
    ['55 mph', 'speed', '55 mi/h', 'km/h'],
    ['40 m/s', 'speed', '40 m/s', 'km/h'],
    ['95 hp', 'shaftPower', '95 hp', 'W'],
    ['104 °F', 'temperature', '104 degF', 'degC'],
    ['20 ft2', 'area', '20 ft^2', 'm^2'],
    ['900 lbf', 'force', '900 lbf', 'N'],
    ['12 MJ', 'energy', '12 MJ', 'W h'],
    ['285 cfm', 'airFlow', '285 ft^3/min', 'm^3/h'],
    ['45 min', 'hours', '45 minute', 'hour'],
  ])('%s', (typed, kind, unit, to) => {
    const read = readTyped(typed, kind, 'metric');
    expect(read.ok && read.value / math.unit(unit).toNumber(to)).toBeCloseTo(1, 5);
  });
});
