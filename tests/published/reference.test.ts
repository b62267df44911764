import { create, all as everything } from 'mathjs';
import { Solver } from 'odex';
import { describe, expect, test } from 'vitest';
import { axleLoads, rightLoad } from '../../core/balance/axleLoads.ts';
import { chargedAfter, chargeHours } from '../../core/charge/chargeTime.ts';
import { type DcLimits, dcHours, dcPower, rateAt, USUAL_RATES } from '../../core/charge/dcCharge.ts';
import { CABIN, cabinAfter, holdingPower, warmUpSeconds } from '../../core/cooling/cabin.ts';
import { coolantFlow, packRise } from '../../core/cooling/coolant.ts';
import { accelerate } from '../../core/drive/accelerate.ts';
import { drivelineLoads } from '../../core/drive/driveline.ts';
import { etaReader } from '../../core/drive/efficiency.ts';
import { kmhPer1000Rpm } from '../../core/drive/pull.ts';
import { GRIP_DRY, gripLimit, type Stance } from '../../core/drive/traction.ts';
import { composePack } from '../../core/pack/compose.ts';
import { loadedVoltage } from '../../core/pack/loadedVoltage.ts';
import { BASE_UNIT, type QuantityKind } from '../../core/quantity/kinds.ts';
import { toBase, toShown, UNIT_SETS, unitOf } from '../../core/quantity/units.ts';
import { EARTH_RADIUS_M, greatCircleM } from '../../core/road/geo.ts';
import { GRAVITY, type RoadVehicle } from '../../core/road/roadLoad.ts';
import { MODULE } from '../../core/testing/wren.ts';

const math = create(everything!);

// Reference: mathjs, a general-purpose library with units of its own.
describe('units against mathjs', () => {
  test.each([
    ['shaftPower', 'uk', 1000, 'W', 'hp'],
    ['torque', 'uk', 100, 'N m', 'lbf ft'],
    ['distance', 'us', 250, 'km', 'mile'],
    ['speed', 'uk', 100, 'km/h', 'mi/h'],
    ['mass', 'us', 1234, 'kg', 'lbs'],
    ['consumption', 'us', 180, 'W h/km', 'W h/mi'],
  ] as const)('%s in %s', (kind, set, value, from, to) => {
    const reference = math.unit(value, from).toNumber(to);
    expect(toShown(value, kind, set) / reference).toBeCloseTo(1, 6);
    expect(toBase(reference, kind, set) / value).toBeCloseTo(1, 6);
  });
  test('every kind of every set comes back to what it was', () => {
    for (const set of UNIT_SETS)
      for (const kind of Object.keys(BASE_UNIT) as QuantityKind[]) {
        expect(toBase(toShown(123.456, kind, set), kind, set), `${kind} ${set}`).toBeCloseTo(123.456, 9);
        expect(Number.isFinite(unitOf(kind, set).factor)).toBe(true);
      }
  });
});

// Reference: mathjs solves the two equations of balance (sum of forces, sum of moments) as a matrix.
describe('axle loads against a linear system', () => {
  test('engine and tank out, three boxes and a drive in', () => {
    const L = 2160;
    const items = [
      { name: 'front', massKg: 612, xMm: 0 },
      { name: 'rear', massKg: 452, xMm: L },
      { name: 'engine', massKg: -124, xMm: -120 },
      { name: 'tank', massKg: -38, xMm: 2050, yMm: 300 },
      { name: 'box', massKg: 64, xMm: -140 },
      { name: 'floor', massKg: 98, xMm: 1080, yMm: -40 },
      { name: 'rear box', massKg: 64, xMm: 2300 },
      { name: 'drive', massKg: 58, xMm: 0 },
    ];
    const mass = items.reduce((sum, item) => sum + item.massKg, 0);
    const moment = items.reduce((sum, item) => sum + item.massKg * item.xMm, 0);
    const solved = math.lusolve(
      [
        [1, 1],
        [0, L],
      ],
      [[mass], [moment]],
    ) as number[][];
    const loads = axleLoads(items, L);
    expect(loads.frontKg).toBeCloseTo(solved[0]![0]!, 9);
    expect(loads.rearKg).toBeCloseTo(solved[1]![0]!, 9);
    // Moments about the left wheels by hand: 1186·(1260/2) + Σ m·y = 747180 − 15320; ÷ 1260.
    expect(rightLoad(loads, 1260)).toBeCloseTo((mass * 630 + (-38 * 300 - 98 * 40)) / 1260, 9);
  });
  // By hand: 1000 kg with its centre 40 % of the wheelbase behind the front axle bears 400 kg on the rear.
  test('a point mass', () => expect(axleLoads([{ name: 'm', massKg: 1000, xMm: 800 }], 2000).rearKg).toBe(400));
});

// Reference: Kirchhoff's laws as a linear system, solved by mathjs: two packs in parallel into one load.
describe('two packs in parallel against a linear system', () => {
  test('current divides and the terminal voltage follows', () => {
    const box = (name: string, modules: number, parallel: number, pack: 1 | 2) => ({
      name,
      modules,
      parallel,
      sheet: MODULE.sheet,
      capacityAh: MODULE.sheet.capacityAh,
      pack,
    });
    const both = composePack([box('a', 12, 1, 1), box('b', 24, 2, 2)], 'parallel');
    if (typeof both === 'string') throw new Error(both);
    const emf = 12 * MODULE.sheet.nominalV;
    const [ra, rb] = [12 * MODULE.sheet.resistanceOhm, (12 * MODULE.sheet.resistanceOhm) / 2];
    const load = 200;
    // Unknown: I_a, I_b, V.  emf − I_a·R_a = V;  emf − I_b·R_b = V;  I_a + I_b = load.
    const [ia, ib, v] = (
      math.lusolve(
        [
          [ra, 0, 1],
          [0, rb, 1],
          [1, 1, 0],
        ],
        [[emf], [emf], [load]],
      ) as number[][]
    ).map((row) => row[0]!);
    expect(both.nominalV - load * both.resistanceOhm).toBeCloseTo(v!, 9);
    expect(ia! / ib!).toBeCloseTo(0.5, 9);
    // Both reach their limit together here: 150 A and 300 A.
    expect(both.continuousA).toBeCloseTo(3 * MODULE.sheet.continuousA, 9);
    expect(both.energyWh).toBeCloseTo(36 * MODULE.sheet.nominalV * MODULE.sheet.capacityAh, 6);
  });
  // Maximum power transfer theorem: V²/4R at half the voltage.
  test('a source gives most at half its voltage', () => {
    const { volts, amps } = loadedVoltage(300, 0.1, 1e9);
    expect(volts).toBeCloseTo(150, 9);
    expect(volts * amps).toBeCloseTo(300 ** 2 / 0.4, 6);
  });
});

const VAN: RoadVehicle = {
  massKg: 1565,
  rollingCoefficient: 0.012,
  dragAreaM2: 1.035,
  airDensity: 1.225,
  rotationFactor: 1.05,
  headwindMs: 0,
};

// Reference: odex, Gragg–Bulirsch–Stoer after Hairer, Nørsett and Wanner, on the whole non-linear problem: constant
// torque, constant power, and tyres whose load shifts with the very acceleration they cause.
describe('acceleration with weight transfer against odex', () => {
  const stance = (drivenAxle: 'front' | 'rear'): Stance => ({
    frontAxleKg: 755,
    rearAxleKg: 810,
    wheelbaseM: 2.16,
    massCentreHeightM: 0.59,
    drivenAxle,
  });
  // Independent of gripLimit: at the limit F = μ·N, with N from N_front = m(g·b − a·h)/L, N_rear = m(g·a' + a·h)/L where
  // a is what F alone gives; solved by bisection on F.
  const slipForce = ({ frontAxleKg, rearAxleKg, wheelbaseM: L, massCentreHeightM: h, drivenAxle }: Stance) => {
    const m = frontAxleKg + rearAxleKg;
    const b = (frontAxleKg / m) * L;
    const load = (force: number) => {
      const a = force / m;
      return drivenAxle === 'front' ? (m * (GRAVITY * b - a * h)) / L : (m * (GRAVITY * (L - b) + a * h)) / L;
    };
    let [low, high] = [0, m * GRAVITY];
    for (let i = 0; i < 60; i++) {
      const mid = (low + high) / 2;
      if (mid < GRIP_DRY * load(mid)) low = mid;
      else high = mid;
    }
    return low;
  };
  test.each(['front', 'rear'] as const)('%s wheels driven: the limit of grip', (axle) =>
    expect(gripLimit(stance(axle), GRIP_DRY) / slipForce(stance(axle))).toBeCloseTo(1, 9));
  test.each([
    ['front', 50],
    ['front', 100],
    ['rear', 50],
    ['rear', 100],
  ] as const)('%s wheels driven, to %d km/h within 0.1 %%', (axle, kmh) => {
    const limit = slipForce(stance(axle));
    const motor = (v: number) => Math.min(7400, 88_000 / Math.max(v, 1e-9));
    const ours = accelerate(VAN, (v) => Math.min(motor(v), gripLimit(stance(axle), GRIP_DRY)), [kmh]);
    const slope = (v: number) =>
      (Math.min(motor(v), limit) -
        VAN.massKg * GRAVITY * VAN.rollingCoefficient -
        0.5 * VAN.airDensity * VAN.dragAreaM2 * v * v) /
      (VAN.massKg * VAN.rotationFactor);
    const solver = new Solver(1);
    solver.absoluteTolerance = solver.relativeTolerance = 1e-10;
    solver.maxStepSize = 0.01;
    const end = solver.solve((_t, [v]) => [slope(v!)], 0, [0], ours.secondsTo.get(kmh)!).y[0]!;
    expect(Math.abs((end * 3.6) / kmh - 1)).toBeLessThan(0.001);
  });
  // Closed form, any textbook: at constant power P from rest, x = ⅔·√(2P/m)·t^1.5.
  test('a quarter mile at constant power', () => {
    const free = { ...VAN, rollingCoefficient: 0, dragAreaM2: 0, rotationFactor: 1, massKg: 1200 };
    const P = 50_000;
    // The closed form asks for endless force at rest; 20 kN until 2.5 m/s costs it under a tenth of a second.
    const run = accelerate(free, (v) => Math.min(20_000, P / Math.max(v, 1e-9)), [], { distanceM: 402.336 });
    const closed = (402.336 / ((2 / 3) * Math.sqrt((2 * P) / 1200))) ** (2 / 3);
    expect(run.distance!.seconds / closed).toBeCloseTo(1, 2);
    expect(run.distance!.kmh / 3.6 / Math.sqrt((2 * P * closed) / 1200)).toBeCloseTo(1, 2);
  });
});

// Common practice: 400 lb·ft through 12.3 : 1 puts nearly 5 000 lb·ft on the road. mathjs multiplies the chain.
describe('torque through stacked ratios', () => {
  test('400 lb·ft through 12.3', () => {
    const nm = toBase(400, 'torque', 'uk');
    const [load] = drivelineLoads(
      [{ part: 'half shafts', limitNm: 9000, after: 'final' }],
      { gearbox: 3, final: 4.1, hub: 1 },
      nm,
    );
    expect(toShown(load!.torqueNm, 'torque', 'uk')).toBeCloseTo(4920, 6);
  });
  test('five stages', () => {
    const chain = [2.4, 2.6, 4.1, 1.25];
    const [hubs] = drivelineLoads(
      [{ part: 'hubs', limitNm: 1, after: 'hub' }],
      { gearbox: chain[0]! * chain[1]!, final: chain[2]!, hub: chain[3]! },
      235,
    );
    expect(hubs!.torqueNm / (235 * Number(math.prod(chain)))).toBeCloseTo(1, 12);
  });
  // By hand: 2π·0.3 m·1000/60/4 = 7.854 m/s.
  test('road speed at 1000 rpm', () =>
    expect(kmhPer1000Rpm({ ratio: 4, efficiency: 1, wheelRadiusM: 0.3 })).toBeCloseTo(7.85398 * 3.6, 4));
});

describe('charging', () => {
  const NMC: DcLimits = {
    energyWh: 30_000,
    packA: (state) => 100 * rateAt(USUAL_RATES.NMC, state),
    packV: () => 300,
    postW: 50_000,
    amps: [],
    vehicleW: null,
  };
  // Reference: odex on ds/dt = P(s)·η/E with the easing off above 90 %.
  test('easing off integrates as odex says, both ways', () => {
    const hours = chargeHours(30_000, 3300, 0.92);
    const solver = new Solver(1);
    solver.absoluteTolerance = solver.relativeTolerance = 1e-10;
    solver.maxStepSize = 0.02;
    const left = (s: number) => (s <= 0.9 ? 1 : 1 - 5 * (s - 0.9));
    const slope = (_t: number, [s]: number[]) => [(3300 * 0.92 * left(s!)) / 30_000];
    expect(solver.solve(slope, 0, [0], hours).y[0]).toBeCloseTo(1, 5);
    for (const share of [0.2, 0.7, 0.95]) {
      const t = share * hours;
      expect(chargedAfter(30_000, 3300, 0.92, t)).toBeCloseTo(solver.solve(slope, 0, [0], t).y[0]!, 5);
    }
    expect(chargedAfter(30_000, 3300, 0.92, hours)).toBeCloseTo(1, 9);
  });
  // Common practice: 21 kWh from a 3.3 kW charger takes about six hours.
  test('21 kWh at 3.3 kW', () => expect(Math.abs(chargeHours(21_000, 3300, 0.92) / 7 - 1)).toBeLessThan(0.12));
  // By hand: post-limited 20 kW on 30 kWh from 10 to 50 %: 12 kWh ÷ 20 kW.
  test('a small post alone decides', () =>
    expect(dcHours({ ...NMC, postW: 20_000 }, 0.1, 0.5)).toBeCloseTo(12 / 20, 9));
  test('rapid charging integrates as odex says', () => {
    const solver = new Solver(1);
    solver.absoluteTolerance = solver.relativeTolerance = 1e-9;
    solver.maxStepSize = 0.002;
    const hours = dcHours(NMC, 0.1, 0.8);
    const end = solver.solve((_t, [s]) => [dcPower(NMC, s!) / 30_000], 0, [0.1], hours).y[0]!;
    expect(end).toBeCloseTo(0.8, 4);
  });
  test('rates fall from the knee to the top', () => {
    for (const rates of Object.values(USUAL_RATES))
      for (let s = 0.2; s < 1; s += 0.05) expect(rateAt(rates, s + 0.05)).toBeLessThanOrEqual(rateAt(rates, s) + 1e-12);
  });
});

// Source: heat balance by hand; glycol figures common practice.
describe('heat', () => {
  // 10 kW ÷ (3.4 kJ/kgK · 5 K) = 0.588 kg/s ÷ 1.07 kg/l = 33.0 l/min.
  test('10 kW with 5 K', () => expect(coolantFlow(10_000, 5)).toBeCloseTo(32.99, 1));
  // 500 Wh = 1.8 MJ into 180 kg of 950 J/kgK is 10.5 K.
  test('half a kilowatt hour in 180 kg of modules', () => expect(packRise(500, 180)).toBeCloseTo(10.53, 2));
  test('the cabin warms as odex says', () => {
    const cabin = CABIN.van;
    const seconds = warmUpSeconds(cabin, 0, 3000);
    const solver = new Solver(1);
    solver.absoluteTolerance = solver.relativeTolerance = 1e-9;
    const slope = (_t: number, [T]: number[]) => [(3000 - cabin.lossWPerK * T!) / (cabin.heatKjPerK * 1000)];
    expect(solver.solve(slope, 0, [0], seconds).y[0]).toBeCloseTo(16, 4);
    expect(cabinAfter(cabin, 0, 3000, seconds)).toBeCloseTo(16, 9);
  });
  test('a heater no stronger than the losses never gets there', () =>
    expect(warmUpSeconds(CABIN.van, 0, holdingPower(CABIN.van, 0))).toBe(Number.POSITIVE_INFINITY));
});

// Source: spherical trigonometry; mean radius of the Earth by IUGG (from memory).
describe('great circles', () => {
  test('a degree of latitude is R·π/180', () =>
    expect(greatCircleM(10, 5, 11, 5)).toBeCloseTo((EARTH_RADIUS_M * Math.PI) / 180, 3));
  test('a minute of arc is a sea mile within 0.1 %', () =>
    expect(Math.abs(greatCircleM(0, 0, 1 / 60, 0) / 1852 - 1)).toBeLessThan(0.001));
  test('pole to equator is a quarter of the way round', () =>
    expect(greatCircleM(90, 0, 0, 77)).toBeCloseTo((EARTH_RADIUS_M * Math.PI) / 2, 3));
  test('a degree of longitude shrinks with the cosine', () =>
    expect(greatCircleM(60, 0, 60, 0.01) / greatCircleM(0, 0, 0, 0.01)).toBeCloseTo(0.5, 6));
});

// Bilinear interpolation by hand.
describe('efficiency map', () => {
  const map = {
    rpm: [0, 1000, 3000],
    torqueNm: [0, 100],
    eta: [
      [0.5, 0.7],
      [0.6, 0.9],
      [0.8, 0.9],
    ],
  };
  const at = etaReader(map);
  test.each([
    [0, 0, 0.5],
    [1000, 100, 0.9],
    [500, 50, 0.675],
    [2000, 0, 0.7],
    [9000, 500, 0.9],
    [2000, -50, 0.8],
  ])('%d rpm, %d N·m: %d', (rpm, nm, eta) => expect(at(rpm, nm)).toBeCloseTo(eta, 12));
});
