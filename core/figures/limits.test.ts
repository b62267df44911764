import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { fitting } from '../testing/shelf.ts';
import { CHARGER, DRIVE, MODULE, slots, VARIANT, VEHICLE } from '../testing/wren.ts';
import { chainPeak, chainPeakLow } from './drive/chain.ts';
import { chainLinks } from './drive/chainRows.ts';
import { gearing } from './drive/gearing.ts';
import { mounts } from './drive/mountMargin.ts';
import { createSheet } from './evaluate.ts';
import { FIGURE_IDS, FIGURES, type FigureId } from './index.ts';
import { packFacts } from './pack/packFacts.ts';
import { driveLine } from './road/driveLine.ts';
import { roadVehicle } from './road/roadVehicle.ts';
import { cycleRun } from './road/useRuns.ts';
import type { Slots } from './slots.ts';

/** The accessories' 200 W at the empty pack's 216 V: what passes the links of the pack beside the drive. */
const BESIDE_A = 200 / 216;

const sheetOf = (change: Partial<Slots> = {}) => createSheet(slots(change));
const value = (id: FigureId, change: Partial<Slots> = {}) => sheetOf(change).get(FIGURES[id]).value;
const result = (id: FigureId, change: Partial<Slots> = {}) => sheetOf(change).get(FIGURES[id]);
const drive = (change: Partial<Slots['drive']>) => ({ drive: { ...slots().drive, ...change } });
const electric = (change: Partial<Slots['electric']>) => ({ electric: { ...slots().electric, ...change } });
const use = (change: Partial<Slots['use']>) => ({ use: { ...slots().use, ...change } });
const unit = (change: object) => ({ ...DRIVE, sheet: { ...DRIVE.sheet, ...change } });
const inverter = (maxCurrentA: number, more: object = {}) =>
  fitting('inverter', 'Inverter', { minV: 100, maxV: 420, maxCurrentA, ...more });
const bare = unit({ hasInverter: false });
const withModule = (change: object): Partial<Slots> => {
  const module = { ...MODULE, sheet: { ...MODULE.sheet, ...change } };
  return { pack: { ...slots().pack, module, boxes: slots().pack.boxes.map((box) => ({ ...box, module })) } };
};

describe('the pack as it is that day', () => {
  const pack = (change: Partial<Slots['pack']>) => ({ pack: { ...slots().pack, ...change } });
  test('a fifth of the charge left: its own voltage, and the lowest voltage of the cells sooner', () => {
    const { emptyV, nominalV, resistanceOhm } = sheetOf().get(packFacts).value!;
    const low = emptyV + 0.4 * (nominalV - emptyV);
    expect(sheetOf().get(chainPeakLow).value!.ask.openV).toBeCloseTo(low, 9);
    // Strong cells and motor: what holds is I = (V0 − V empty) / R.
    const strong = {
      ...withModule({ peakA: 5000, resistanceOhm: 0.05 }),
      ...drive({ unit: unit({ peakPowerW: 4e5 }) }),
    };
    const weak = sheetOf(strong);
    const ohm = weak.get(packFacts).value!.resistanceOhm;
    expect(ohm).toBeGreaterThan(resistanceOhm);
    const { limitA, limitBy } = weak.get(chainPeakLow).value!;
    expect(limitBy.link).toBe('cellVoltage');
    expect(limitA).toBeCloseTo((low - emptyV) / ohm - BESIDE_A, 6);
    expect(value('drivePowerLow', strong)!).toBeLessThan(value('drivePower', strong)!);
    expect(value('topSpeedLow')!).toBeLessThanOrEqual(value('topSpeed')!);
    expect(value('topSpeedLow', strong)!).toBeLessThan(value('topSpeed', strong)!);
  });
  test('a measured resistance stands in for the sheets’, and moves with the cold as theirs does', () => {
    const sheets = value('packResistance')!;
    const measured = pack({ measuredOhm: 2 * sheets });
    expect(value('packResistance', measured)).toBeCloseTo(2 * sheets, 12);
    const cold = use({ ambientC: -10 });
    expect(value('packResistance', { ...measured, ...cold })).toBeCloseTo(2 * value('packResistance', cold)!, 12);
    const silent = withModule({ resistanceOhm: 0 });
    expect(value('packResistance', { pack: { ...silent.pack!, measuredOhm: 0.2 } })).toBe(0.2);
  });
});

describe('what each part of the chain allows', () => {
  test('a sheet that lets the cells run to nothing leaves every figure finite', () => {
    const bare = withModule({ minV: 0 });
    for (const id of ['fullCurrent', 'drivePower', 'topSpeed', 'rangeCycle', 'packSagVoltage'] as const)
      expect(Number.isFinite(value(id, bare)), id).toBe(true);
    expect(Number.isFinite(value('fullCurrent', { ...bare, ...use({ auxiliaryW: 0 }) }))).toBe(true);
  });
  // By hand: at 100 A the pack stands at 260.4 V, and 4200 W at 216 V are 19.4 A of them.
  test('a heater of 4 kW takes its amperes from what the pack may give, and from nothing behind it', () => {
    const weak = withModule({ peakA: 100 });
    const heated = use({ heaterW: 4000 });
    expect(value('fullCurrent', { ...weak, ...heated })).toBeCloseTo(100, 6);
    expect(value('drivePower', { ...weak, ...heated })).toBeCloseTo((264 - 3.6) * (100 - 4200 / 216), 6);
    const behind = drive({ unit: unit({ maxCurrentA: 100 }) });
    expect(value('fullCurrent', { ...behind, ...heated })).toBeCloseTo(100 + 4200 / 216, 6);
    expect(value('packSagVoltage', heated)!).toBeLessThan(value('packSagVoltage')!);
  });
  test('the drive takes 200 A: no more flows, and it is named', () => {
    const held = drive({ unit: unit({ maxCurrentA: 200 }) });
    expect(value('fullCurrent', held)).toBeCloseTo(200 + BESIDE_A, 6);
    expect(result('drivePower', held).working?.held).toBe('Drive unit, battery side (Drive T)');
    expect(value('fullCurrent', drive({ unit: unit({ maxCurrentA: 200 }), motors: 2 }))).toBeGreaterThan(350);
  });
  test('an inverter of 50 A halves nothing less than the power; without one nothing turns', () => {
    expect(value('drivePower', drive({ unit: bare, inverter: inverter(50) }))).toBeCloseTo(
      (264 - (50 + BESIDE_A) * 0.036) * 50,
      6,
    );
    for (const id of ['drivePower', 'topSpeed', 'hillStart', 'rangeCycle', 'fullCurrent'] as const)
      expect(result(id, drive({ unit: bare })).reason, id).toBe('noInverter');
  });
  test('contactor box, fuse and cable that the design names', () => {
    const box = fitting('contactorBox', 'Box', { minV: 100, maxV: 420, continuousA: 100, peakA: 150 });
    const fuse = fitting('fuse', 'Fuse', { ratedA: 100, maxV: 500, breakingA: 20_000 });
    const cable = fitting('cable', 'Cable', { sectionMm2: 25, outsideMm: 12, continuousA: 90 });
    expect(value('fullCurrent', electric({ contactorBox: box }))).toBeCloseTo(150, 6);
    expect(value('fullCurrent', electric({ fuse }))).toBeCloseTo(160, 6);
    expect(value('fullCurrent', electric({ cable }))).toBeCloseTo(144, 6);
    expect(value('fullCurrent', electric({ cable, ampacity: { cable: 70 } }))).toBeCloseTo(112, 6);
    expect(result('drivePower', electric({ contactorBox: box, fuse, cable })).working?.held).toBe('HV cable (Cable)');
  });
  test('phase current holds torque where both sheets speak of it', () => {
    const own = drive({
      unit: unit({ hasInverter: false, nmPerPhaseA: 0.5 }),
      inverter: inverter(600, { phaseA: 200 }),
    });
    expect(value('hillStart', own)).toBeCloseTo(value('hillStart', drive({ torqueCapNm: 100 }))!, 9);
    expect(result('hillStart', own).working?.held).toContain('phase current');
    const silent = drive({ unit: bare, inverter: inverter(600, { phaseA: 200 }) });
    expect(value('hillStart', silent)).toBe(value('hillStart'));
  });
  test('the row of links names what holds and what is not known', () => {
    const rows = sheetOf(drive({ unit: unit({ maxCurrentA: 200 }) })).get(chainLinks).value!;
    const row = (name: string) => rows.find((one) => one.name === name)!;
    expect(row('Drive unit, battery side')).toMatchObject({ limit: 200, holds: true });
    expect(row('Drive unit, battery side').left).toBeCloseTo(0, 9);
    expect(row('Contactor box')).toMatchObject({ limit: null, left: null, holds: false });
    expect(row('Modules, ten seconds').left).toBeCloseTo(1 - (200 + BESIDE_A) / 400, 9);
    expect(row('Grip of the tyres, dry').limit).toBeGreaterThan(3000);
    // Tyres that slip before the torque is there hold the start in its place.
    const strong = sheetOf(drive({ unit: unit({ peakTorqueNm: 900 }) })).get(chainLinks).value!;
    const holding = strong.filter((one) => one.holds).map((one) => one.name);
    expect(holding).toContain('Grip of the tyres, dry');
    expect(holding).not.toContain('Motor, torque');
  });
});

describe('a use beyond the drive is not shown bare', () => {
  const kept = unit({ output: 'gearboxInput' as const, ownRatio: 1, maxRpm: 6000 });
  test('first gear, and 90 km/h', () => {
    const first = { ...drive({ unit: kept, gear: 1 }), ...use({ constantKmh: 90 }) };
    expect(value('topSpeed', first)!).toBeLessThan(60);
    for (const id of ['rangeConstant', 'consumptionConstant', 'rangeConstantFrost'] as const)
      expect(result(id, first), id).toMatchObject({ reason: 'cannotHold', reasonAt: { value: 90, kind: 'speed' } });
    expect(result('rangeCycle', first)).toMatchObject({ reason: 'cannotKeepUp' });
  });
  test('a torque cap of 5 N·m leaves hardly any speed, and no range', () => {
    const capped = drive({ torqueCapNm: 0.5 });
    expect(value('topSpeed', capped)).toBe(0);
    for (const id of ['rangeConstant', 'rangeRound', 'rangeCycle', 'rangeRoundFrost'] as const)
      expect(value(id, capped), id).toBeNull();
    expect(result('gradeHeld50', capped)).toMatchObject({ reason: 'cannotHold', reasonAt: { value: 50 } });
  });
  test('battery power is what the capped motor really takes', () => {
    // 20 N·m at 10 000 rpm are 20.9 kW at the shaft, though pack and sheet would give 60.
    expect(value('drivePower', drive({ torqueCapNm: 20 }))).toBeCloseTo((20 * 10_000 * 2 * Math.PI) / 60 / 0.9, 6);
  });
  test('a weak drive goes as fast as it can, and its distance is the way it really made', () => {
    const weak = sheetOf(drive({ powerCapW: 14_000 })).get(cycleRun).value!;
    expect(weak.shortS).toBeGreaterThan(20);
    expect(weak.distanceKm).toBeLessThan(11);
    expect(weak.behind!.askedKmh).toBeGreaterThan(weak.behind!.reachedKmh + 2);
    const { airWh, tyresWh, hillsWh, brakesWh, driveLossWh, auxiliaryWh, batteryWh } = weak;
    expect(airWh + tyresWh + hillsWh + brakesWh + driveLossWh + auxiliaryWh).toBeCloseTo(batteryWh, 6);
  });
});

describe('hills, hubs, transfer case', () => {
  test('what is held at 50 km/h is never steeper than what is started on, with grip on the slope', () =>
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 900 }), fc.integer({ min: 10_000, max: 400_000 }), (nm, watts) => {
        const sheet = sheetOf(drive({ unit: unit({ peakTorqueNm: nm, peakPowerW: watts }) }));
        const held = sheet.get(FIGURES.gradeHeld50).value;
        if (held !== null) expect(held).toBeLessThanOrEqual(sheet.get(FIGURES.hillStart).value! + 1e-6);
      }),
      { numRuns: 60 },
    ));
  test('a hub reduction does not turn the mounts', () => {
    const hubbed = { ...VEHICLE, variant: { ...VARIANT, gearbox: { ...VARIANT.gearbox, hub: 2 } } };
    const sheet = sheetOf({ vehicle: hubbed });
    const force = sheet.get(mounts).value!.find((load) => load.point === 'steady')!.forceN;
    const { efficiency } = sheet.get(gearing).value!;
    expect(force).toBeCloseTo((150 * 9 * efficiency) / 0.35 + 25 * 9.80665, 3);
  });
  test('a transfer case costs a mesh, on the propeller shaft only', () => {
    const cased = { ...VEHICLE, variant: { ...VARIANT, gearbox: { ...VARIANT.gearbox, transferLow: 2 } } };
    const efficiency = (output: string, vehicle: Slots['vehicle']) =>
      sheetOf({ vehicle, ...drive({ unit: unit({ output, ownRatio: 1 }), gear: 3 }) }).get(gearing).value!.efficiency;
    expect(efficiency('gearboxInput', cased) / efficiency('gearboxInput', VEHICLE)).toBeCloseTo(0.98, 9);
    expect(efficiency('halfShafts', cased)).toBe(efficiency('halfShafts', VEHICLE));
  });
});

describe('charging and putting back', () => {
  test('a pack of 120 V takes the post’s amperes, not its power', () => {
    // 36 kWh at 120 V are 300 Ah; a 50 kW post gives 125 A.
    const low = withModule({ nominalV: 10, minV: 9, maxV: 11.5, capacityAh: 300 });
    const most = value('dcPowerMost', low)!;
    expect(most).toBeLessThanOrEqual(125 * 12 * 11.5);
    expect(result('dcPowerMost', low).working?.formula).toContain('amperes of the post decides');
  });
  test('what is put back follows the module’s own rate, the weakest of a mixed pack, in any order', () => {
    const rates = [
      { state: 0, perHour: 0.12 },
      { state: 1, perHour: 0.12 },
    ];
    const slow = { ...MODULE, sheet: { ...MODULE.sheet, rates } };
    // 0.12 · 100 Ah · 264 V = 3.17 kW.
    expect(sheetOf(withModule({ rates })).get(driveLine).value!.regenPowerW).toBeCloseTo(12 * 264, 6);
    const [box] = slots().pack.boxes;
    const front = { ...box!, bay: { ...box!.bay, key: 'front', name: 'front' }, modules: 4, module: slow };
    const mixed = (boxes: Slots['pack']['boxes']) => ({ pack: { ...slots().pack, boxes } });
    const one = mixed([{ ...box!, modules: 8 }, front]);
    const other = mixed([front, { ...box!, modules: 8 }]);
    expect(sheetOf(one).get(driveLine).value!.regenPowerW).toBeCloseTo(12 * 264, 6);
    for (const id of FIGURE_IDS) if (id !== 'boxClearance') expect(value(id, one), id).toEqual(value(id, other));
  });
  test('an inlet with one phase on three, and a battery of two', () => {
    const charger = { ...CHARGER, sheet: { ...CHARGER.sheet, powerW: 11_000, phases: 3 as const } };
    const supply = { volts: 230, amps: 16, phases: 3 as const };
    const charge = (inletPhases: 1 | 3) => ({
      charge: { ...slots().charge, charger, inletPhases },
      ...use({ supply }),
    });
    expect(value('chargePower', charge(1))).toBe(3680);
    expect(value('chargePower', charge(3))).toBe(11_000);
    expect(value('lvBatteryTime', electric({ lvBatteries: 2 }))! / value('lvBatteryTime')!).toBeCloseTo(2, 12);
  });
  test('in hard frost a pack is not charged, and says so', () => {
    expect(result('chargePower', use({ ambientC: -25 })).reason).toBe('tooCold');
    expect(result('dcPowerMost', use({ ambientC: -25 })).reason).toBe('tooCold');
    expect(sheetOf(use({ ambientC: -25 })).get(driveLine).value!.regenPowerW).toBe(0);
    expect(value('chargePower', use({ ambientC: 0 }))!).toBeLessThanOrEqual(value('chargePower')!);
  });
});

describe('cold', () => {
  const FARTHER = ['rangeConstant', 'rangeRound', 'rangeCycle', 'rangeRoute'] as const;
  test('colder never goes further nor quicker, from 25 to −30 °C', () => {
    const steps = Array.from({ length: 12 }, (_, i) => sheetOf(use({ ambientC: 25 - 5 * i })));
    for (let i = 1; i < steps.length; i++) {
      for (const id of FARTHER)
        expect(steps[i]!.get(FIGURES[id]).value!, id).toBeLessThan(steps[i - 1]!.get(FIGURES[id]).value!);
      for (const id of ['packPower', 'drivePower'] as const)
        expect(steps[i]!.get(FIGURES[id]).value!, id).toBeLessThanOrEqual(steps[i - 1]!.get(FIGURES[id]).value! + 1e-6);
      expect(steps[i]!.get(FIGURES.time0to50).value!).toBeGreaterThanOrEqual(
        steps[i - 1]!.get(FIGURES.time0to50).value! - 1e-6,
      );
    }
  });
  test('frost is the same figure at 0 °C, and what is colder still stays as cold', () => {
    for (const id of FARTHER) {
      const frost = `${id}Frost` as FigureId;
      expect(value(frost), id).toBeCloseTo(value(id, use({ ambientC: 0 }))!, 9);
      expect(value(frost, use({ ambientC: -20 })), id).toBeCloseTo(value(id, use({ ambientC: -20 }))!, 9);
    }
  });
});

test('tightening any limit raises no power, speed, range or pull', () => {
  const WATCHED = ['drivePower', 'topSpeed', 'hillStart', 'gradeHeld50', 'rangeConstant', 'rangeCycle'] as const;
  const TIGHTER: readonly Partial<Slots>[] = [
    drive({ unit: unit({ maxCurrentA: 120 }) }),
    drive({ unit: unit({ minV: 258 }) }),
    drive({ unit: unit({ peakPowerW: 30_000 }) }),
    drive({ unit: unit({ peakTorqueNm: 60 }) }),
    drive({ unit: unit({ maxRpm: 7000 }) }),
    drive({ torqueCapNm: 60 }),
    drive({ powerCapW: 20_000 }),
    withModule({ peakA: 100 }),
    withModule({ resistanceOhm: 0.03 }),
    electric({ fuse: fitting('fuse', 'Fuse', { ratedA: 80, maxV: 500, breakingA: 20_000 }) }),
  ];
  for (const change of TIGHTER)
    for (const id of WATCHED) {
      const tight = value(id, change);
      // No value at all is tighter still.
      if (tight !== null)
        expect(tight, `${id} ${JSON.stringify(change).slice(0, 80)}`).toBeLessThanOrEqual(value(id)! * (1 + 1e-9));
    }
});

test('an acceleration through the chain with sag: the pull at any speed is what the pack can feed', () => {
  const sheet = sheetOf({ ...withModule({ resistanceOhm: 0.02 }), ...drive({ unit: unit({ ratedV: 264 }) }) });
  const { ask, full, motor } = sheet.get(chainPeak).value!;
  expect(full.volts).toBeLessThan(ask.openV * 0.85);
  expect(motor.peakPowerW / 0.9).toBeCloseTo(full.volts * full.amps, 6);
});

describe('a trailer', () => {
  const trailer = { massKg: 600, ballKg: 50, dragAreaM2: 0.9 };
  test('rolls, is lifted and is pushed through the air behind; its ball load is the vehicle’s', () => {
    const [bare, towing] = [sheetOf(), sheetOf(use({ trailer }))];
    const [a, b] = [bare, towing].map((sheet) => sheet.get(roadVehicle).value!);
    expect(b!.massKg - a!.massKg).toBeCloseTo(600, 9);
    expect(b!.dragAreaM2 - a!.dragAreaM2).toBeCloseTo(0.9, 12);
    expect(towing.get(FIGURES.grossMassNow).value! - bare.get(FIGURES.grossMassNow).value!).toBeCloseTo(50, 9);
    // Moments: the ball lies 3500 − 500 mm behind the front axle, the wheelbase is 2000.
    expect(towing.get(FIGURES.rearAxleLaden).value! - bare.get(FIGURES.rearAxleLaden).value!).toBeCloseTo(75, 9);
    for (const id of ['rangeRound', 'hillStart', 'gradeHeld50'] as const)
      expect(towing.get(FIGURES[id]).value!, id).toBeLessThan(bare.get(FIGURES[id]).value!);
  });
});

describe('runs', () => {
  test('half the power takes less energy and warms less; more air allows more; none stated is none told', () => {
    expect(value('runEnergy')!).toBeGreaterThan(50);
    expect(value('runsHalf')!).toBeGreaterThanOrEqual(value('runsFull')!);
    const hot = (airM3h: number) =>
      value('runsFull', {
        ...withModule({ resistanceOhm: 0.03 }),
        ...use({ runs: { distanceM: 1500, restS: 120, airM3h } }),
      })!;
    expect(hot(3000)).toBeGreaterThan(hot(0));
    expect(result('runsFull', use({ runs: null })).reason).toBe('noRuns');
    const still = use({ runs: { distanceM: 400, restS: 60, airM3h: 0 } });
    expect(result('runAir', still).reason).toBe('noAirFlow');
    // The mean heat of a run over ρ·V̇·c_p of 480 m³/h: 160.96 W a kelvin.
    const watts = result('runAir').working!.terms[0]!.value;
    expect(value('runAir')! * ((1.2 * 480 * 1006) / 3600)).toBeCloseTo(watts, 9);
    expect(result('runsFull', { ...use({}), ...drive({ torqueCapNm: 0.5 }) }).reason).toBe('neverReached');
  });
  test('the energy of a run is what the vehicle then has in speed, lost to road and air, and lost on the way', () => {
    const energyJ = value('runEnergy')! * 3600;
    const { massKg } = sheetOf().get(roadVehicle).value!;
    const v =
      sheetOf()
        .get(FIGURES.timeQuarterMile)
        .working!.terms.find((term) => term.symbol === 'speed there')!.value / 3.6;
    const motion = 0.5 * massKg * 1.05 * v * v;
    expect(energyJ).toBeGreaterThan(motion / 0.9);
    expect(energyJ).toBeLessThan((motion / 0.8) * 1.35);
  });
});
