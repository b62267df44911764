import { describe, expect, test } from 'vitest';
import { fitting, SHELF } from '../testing/shelf.ts';
import { DRIVE, MODULE, slots, VARIANT, VEHICLE } from '../testing/wren.ts';
import { gearReach } from './drive/gearAdvice.ts';
import { motorNow } from './drive/motorNow.ts';
import { mounts } from './drive/mountMargin.ts';
import { pull } from './drive/pull.ts';
import { createSheet } from './evaluate.ts';
import { heaterChoice } from './heat/cabin.ts';
import { driveLoopChoice, packPumpChoice } from './heat/cooling.ts';
import { FIGURES, type FigureId } from './index.ts';
import { driveLine, driveLineFrost } from './road/driveLine.ts';
import { roadVehicle, roadVehicleFrost } from './road/roadVehicle.ts';
import { hardestRun, mainRun, USE_RUNS } from './road/useRuns.ts';
import type { Slots } from './slots.ts';

/** The accessories' 200 W at the empty pack's 216 V: what passes the links of the pack beside the drive. */
const BESIDE_A = 200 / 216;

const sheetOf = (change: Partial<Slots> = {}) => createSheet(slots(change));
const value = (id: FigureId, change: Partial<Slots> = {}) => sheetOf(change).get(FIGURES[id]).value;
const reason = (id: FigureId, change: Partial<Slots> = {}) => sheetOf(change).get(FIGURES[id]).reason;
const drive = (change: Partial<Slots['drive']>) => ({ drive: { ...slots().drive, ...change } });
const use = (change: Partial<Slots['use']>) => ({ use: { ...slots().use, ...change } });
const unit = (change: object) => ({ ...DRIVE, sheet: { ...DRIVE.sheet, ...change } });
const kept = unit({ output: 'gearboxInput' as const, ownRatio: 1, maxRpm: 6000 });

describe('the motor at the voltage there is', () => {
  test('without a rated voltage the sheet holds; below it power falls in proportion', () => {
    const volts = sheetOf().get(motorNow).value!.volts;
    expect(value('time0to50', drive({ unit: unit({ ratedV: volts / 2 }) }))).toBeCloseTo(value('time0to50')!, 6);
    // A sheet for 330 V: at V it gives 60 kW · V/330, draws 60 000/(0.9 · 330) = 202 A whatever V is, and leaves 264 − 0.036 · 203.
    const now = sheetOf(drive({ unit: unit({ ratedV: 330 }) })).get(motorNow).value!;
    const under = (watts: number) => (watts * (264 - 0.036 * (watts / (0.9 * 330) + BESIDE_A))) / 330;
    expect(now.peak.peakPowerW).toBeCloseTo(under(60_000), 6);
    expect(now.volts).toBeCloseTo(264 - 0.036 * (60_000 / (0.9 * 330) + BESIDE_A), 6);
    expect(now.continuous.peakPowerW).toBeCloseTo(under(30_000), 6);
    expect(now.peak.peakTorqueNm).toBe(150);
  });
  test('two motors give twice, and the pack may not keep up', () => {
    const two = sheetOf(drive({ motors: 2 }));
    expect(two.get(motorNow).value!.peak.peakTorqueNm).toBe(300);
    // The pack gives (264 − 400·0.036)·400 = 99 840 W with the accessories, less than 2 · 60 000 ÷ 0.9.
    expect(two.get(FIGURES.drivePower).value).toBeCloseTo((264 - 14.4) * (400 - BESIDE_A), 6);
    // To 50 km/h the tyres decide; from there on the power does.
    expect(value('time0to100', drive({ motors: 2 }))!).toBeLessThan(value('time0to100')!);
  });
  test('a power cap costs speed on the hill, a torque cap costs the start', () => {
    expect(value('gradeHeld50', drive({ powerCapW: 20_000 }))!).toBeLessThan(value('gradeHeld50')!);
    expect(value('hillStart', drive({ powerCapW: 20_000 }))).toBe(value('hillStart'));
    expect(value('hillStart', drive({ torqueCapNm: 60 }))!).toBeLessThan(value('hillStart')!);
  });
  // By hand at 50 km/h: grade = tan(asin((F − air − tyres) ÷ m·g)) for small tyres' cosine.
  test('the hill held at 50 km/h', () => {
    const sheet = sheetOf();
    const vehicle = sheet.get(roadVehicle).value!;
    const grade = sheet.get(FIGURES.gradeHeld50).value!;
    const force = sheet.get(pull).value!.onGrade(50 / 3.6, grade);
    const weight = vehicle.massKg * 9.80665;
    const air = 0.5 * vehicle.airDensity * vehicle.dragAreaM2 * (50 / 3.6) ** 2;
    const theta = Math.atan(grade);
    expect(weight * Math.sin(theta) + weight * 0.012 * Math.cos(theta) + air).toBeCloseTo(force, -1);
  });
});

describe('gears', () => {
  test('each reaches less far and pulls more than the next; the advice follows', () => {
    const sheet = sheetOf(drive({ unit: kept, gear: 2 }));
    const reach = sheet.get(gearReach).value!;
    for (let i = 1; i < reach.length; i++) {
      expect(reach[i]!.topKmh).toBeGreaterThan(reach[i - 1]!.topKmh);
      expect(reach[i]!.pullAtRestN).toBeLessThanOrEqual(reach[i - 1]!.pullAtRestN);
    }
    // One number for efficiency: no gear uses less than another, so the tallest that does what is asked.
    const { massKg, rollingCoefficient } = sheet.get(roadVehicle).value!;
    const cos = 1 / Math.hypot(1, 0.12);
    const load = massKg * 9.80665 * cos * (rollingCoefficient + 0.12);
    const p = sheet.get(pull).value!;
    const starts = p.gears.filter((gear) => gear.motorN(0) >= 1.1 * load).map((gear) => gear.way.gear);
    const turns = p.gears.filter((gear) => gear.maxSpeedMs * 3.6 * 0.85 >= 60).map((gear) => gear.way.gear);
    expect(value('gearTown', drive({ unit: kept, gear: 2 }))).toBe(
      Math.max(...starts.filter((g) => turns.includes(g))!.map(Number)),
    );
    const steep = { ...drive({ unit: kept, gear: 2 }), wishes: { startGrade: 0.6, speedKmh: null } };
    expect(reason('gearTown', steep)).toBe('noGearDoes');
    const fast = (speedKmh: number) => ({ ...drive({ unit: kept, gear: 2 }), wishes: { startGrade: null, speedKmh } });
    expect(value('gearOpenRoad', fast(60))!).toBeGreaterThanOrEqual(value('gearTown', drive({ unit: kept, gear: 2 }))!);
    expect(reason('gearOpenRoad', fast(160))).toBe('noGearDoes');
    expect(reason('gearTown')).toBe('noGearbox');
  });
  test('changing up reaches the speed of the highest gear', () => {
    const low = drive({ unit: kept, gear: 1 });
    const shifting = drive({ unit: kept, gear: 1, shifting: true });
    expect(value('topSpeed', shifting)!).toBeGreaterThan(value('topSpeed', low)! * 1.5);
    expect(value('topSpeed', shifting)!).toBeCloseTo(
      Math.max(
        ...sheetOf(low)
          .get(gearReach)
          .value!.map((g) => g.topKmh),
      ),
      3,
    );
  });
  test('the low ratio of a transfer case slows and strengthens', () => {
    const variant = { ...VARIANT, gearbox: { ...VARIANT.gearbox, transferLow: 2 } };
    const change = { vehicle: { ...VEHICLE, variant }, ...drive({ unit: kept, gear: 3, transferLow: true }) };
    const high = { ...change, ...drive({ unit: kept, gear: 3 }) };
    expect(value('totalRatio', change)! / value('totalRatio', high)!).toBe(2);
    expect(value('speedPer1000Rpm', high)! / value('speedPer1000Rpm', change)!).toBeCloseTo(2, 9);
  });
});

describe('driveline and mounts', () => {
  test('the cap that protects is what just loads the weakest part, and costs what it costs', () => {
    const variant = { ...VARIANT, driveline: [{ part: 'half shafts', limitNm: 900, after: 'final' as const }] };
    const change = { vehicle: { ...VEHICLE, variant } };
    // 900 N·m ÷ 9.
    expect(value('protectiveCap', change)).toBe(100);
    const with100 = value('time0to50', { ...change, ...drive({ torqueCapNm: 100 }) })!;
    expect(value('capCost', change)).toBeCloseTo(with100 - value('time0to50', change)!, 6);
    expect(value('capCost')).toBe(0);
    expect(value('drivelineMargin', { ...change, ...drive({ torqueCapNm: 100 }) })).toBeCloseTo(0, 9);
  });
  test('a unit on half shafts reacts with its whole wheel torque; a bare motor with its own reduction only', () => {
    const load = (change: Partial<Slots>) =>
      sheetOf(change)
        .get(mounts)
        .value!.find((m) => m.point === 'steady')!.forceN;
    // Lever 350 mm, one point a line: T ÷ 0.35 + half of 50 kg.
    const halfShafts = 150 * 9 * sheetOf().get(pull).value!.engaged.way.efficiency;
    expect(load({})).toBeCloseTo(halfShafts / 0.35 + 25 * 9.80665, 3);
    expect(load(drive({ unit: kept, gear: 3 }))).toBeLessThan(load({}));
    expect(reason('mountMargin', { electric: { ...slots().electric, cradlePoints: [] } })).toBe('noCradle');
    expect(reason('mountMargin', { electric: { ...slots().electric, cradlePoints: ['lower'] } })).toBe('mountsInLine');
  });
});

describe('range', () => {
  test('above the ceiling without regeneration, below with it', () => {
    const sheet = sheetOf(drive({ regenCeiling: 0.8 }));
    const mild = sheet.get(USE_RUNS.round.mild).value!;
    const braked = sheetOf(drive({ regenCeiling: 0.8, regenPowerW: 0 }));
    const dry = braked.get(USE_RUNS.round.mild).value!;
    const usable = 12 * 22 * 100 * 0.9;
    const top = 0.2 * 12 * 22 * 100;
    const km = top / (dry.batteryWh / dry.distanceKm) + (usable - top) / (mild.batteryWh / mild.distanceKm);
    expect(sheet.get(FIGURES.rangeRound).value).toBeCloseTo(km, 9);
    expect(dry.recoveredWh).toBe(0);
  });
  test('frost: denser air, harder tyres, the cabin held warm or what the heater has', () => {
    const sheet = sheetOf();
    expect(sheet.get(roadVehicleFrost).value!.rollingCoefficient).toBeCloseTo(0.012 * 1.12, 9);
    expect(sheet.get(roadVehicleFrost).value!.airDensity).toBeCloseTo(1.292, 2);
    // The van loses 60 W/K: 960 W at 16 K.
    expect(sheet.get(driveLineFrost).value!.auxiliaryW).toBeCloseTo(200 + 960, 9);
    const small = fitting('heater', 'Small', { minV: 100, maxV: 420, powerW: 500 });
    const weak = sheetOf({ electric: { ...slots().electric, heater: small } });
    expect(weak.get(driveLineFrost).value!.auxiliaryW).toBe(700);
    const none = sheetOf({ electric: { ...slots().electric, heater: null } });
    expect(none.get(driveLineFrost).value!.auxiliaryW).toBe(200);
    expect(none.get(FIGURES.rangeRoundFrost).value!).toBeGreaterThan(sheet.get(FIGURES.rangeRoundFrost).value!);
  });
  test('eighty per cent of the battery goes eighty per cent of the way', () =>
    expect(value('rangeCycleAged')! / value('rangeCycle')!).toBeCloseTo(0.8, 12));
  test('heated seats take less than the heater', () => {
    expect(value('rangeRound', use({ seatsW: 120 }))!).toBeLessThan(value('rangeRound')!);
    expect(value('seatsCost')!).toBeLessThan(value('heatCost')!);
  });
  test('wind, height and cold change what they should', () => {
    expect(value('rangeConstant', use({ headwindMs: 5 }))!).toBeLessThan(value('rangeConstant')!);
    expect(value('rangeConstant', use({ altitudeM: 2000 }))!).toBeGreaterThan(value('rangeConstant')!);
    expect(value('rangeConstant', use({ ambientC: -15 }))!).toBeLessThan(value('rangeConstant')!);
  });
  test('regeneration is held to its limit and to what the pack takes', () => {
    expect(sheetOf(drive({ regenPowerW: 5000 })).get(driveLine).value!.regenPowerW).toBe(5000);
    // NMC at half charge: 1.2 an hour of 26.4 kWh is 31.7 kW; two fifths of 60 kW is less.
    expect(sheetOf().get(driveLine).value!.regenPowerW).toBe(24_000);
    expect(sheetOf(drive({ regenPowerW: 90_000 })).get(driveLine).value!.regenPowerW).toBeCloseTo(1.2 * 26_400, 6);
  });
  test('the round speaks for the vehicle, else the route, else the cycle', () => {
    const speaks = (change: Partial<Slots>) => sheetOf(change).get(mainRun).value!.use;
    expect(speaks({})).toBe('round');
    expect(speaks(use({ round: null }))).toBe('route');
    expect(speaks({ ...use({ round: null }), route: null })).toBe('cycle');
    expect(sheetOf().get(hardestRun).value!.use).toBe('cycle');
  });
});

describe('charging and money', () => {
  test('every supply: what it gives, who holds it back, when the pack is full', () => {
    const otherSupplies = [{ name: 'kiosk', volts: 230, amps: 10, phases: 1 as const }];
    const sheet = sheetOf(use({ otherSupplies, homeAtH: 19 }));
    expect(sheet.get(FIGURES.fullAt).value).toBeCloseTo(19 + sheet.get(FIGURES.chargeTime).value!, 9);
    expect(value('fullAt')).toBeCloseTo(18 + value('chargeTime')!, 9);
  });
  test('rapid charging: least of post, vehicle and pack', () => {
    // 100 Ah NMC at most 1.4 an hour: 140 A; the 50 kW post gives 50 000 ÷ 400 = 125 A at most. At the knee, where the
    // rate is 1.2, 120 A at half charge; before that the post's amperes at the voltage that the pack has by then.
    expect(value('dcPowerMost')!).toBeLessThanOrEqual(125 * (216 + 0.8 * (302.4 - 216)));
    expect(value('dcPowerMost', use({ dcPostA: 500 }))!).toBeGreaterThan(value('dcPowerMost')!);
    expect(value('dcPowerMost', use({ dcPostA: 60 }))).toBeCloseTo(60 * (216 + 0.8 * 86.4), 6);
    expect(value('dcPowerMost', { charge: { ...slots().charge, inletDcA: 60 } })).toBeCloseTo(60 * 285.12, 6);
    expect(value('dcPowerMost', use({ dcPostW: 22_000, dcPostA: 200 }))).toBe(22_000);
    expect(value('dcPowerMost', { charge: { ...slots().charge, dcMaxW: 15_000 } })).toBe(15_000);
    expect(reason('dcPowerMost', { charge: { ...slots().charge, inletDc: false } })).toBe('noDcInlet');
    expect(reason('dcTime10to80', use({ dcPostW: null }))).toBe('noDcPost');
    // I²·R at nominal voltage.
    expect(value('dcHeat')).toBeCloseTo((value('dcPowerMost')! / 264) ** 2 * 0.036, 6);
    const rates = [
      { state: 0, perHour: 0.5 },
      { state: 1, perHour: 0.5 },
    ];
    const slow = { ...MODULE, sheet: { ...MODULE.sheet, rates } };
    const boxes = slots().pack.boxes.map((box) => ({ ...box, module: slow }));
    expect(value('dcPowerMost', { pack: { ...slots().pack, boxes } })).toBeCloseTo(50 * 285.12, 6);
  });
  // 10 000 km · c ÷ 0.9 · 0.30 €; 10 000 km · 9 l/100 km · 1.80 €.
  test('a year by hand', () => {
    const cost = {
      centsPerKwh: 30,
      litresPer100Km: 9,
      centsPerLitre: 180,
      kmPerYear: 10_000,
      gramsCo2PerKwh: 100,
      gramsCo2PerLitre: 2300,
    };
    const c = value('consumptionRound')!;
    expect(value('energyCostYear', use({ cost }))).toBe(Math.round(((c * 10_000) / 1000 / 0.9) * 30));
    expect(value('fuelCostYear', use({ cost }))).toBe(162_000);
    expect(value('savingYear', use({ cost }))).toBe(162_000 - value('energyCostYear', use({ cost }))!);
    expect(value('co2SavedYear', use({ cost }))).toBeCloseTo(900 * 2.3 - ((c * 10) / 0.9) * 0.1, 6);
  });
});

describe('heat', () => {
  test('losses over time, I²·R, and the coolant that carries them', () => {
    const sheet = sheetOf();
    const { run } = sheet.get(hardestRun).value!;
    expect(sheet.get(FIGURES.driveHeatMean).value! * run.durationS).toBeCloseTo(run.driveLossWh * 3600, 4);
    expect(sheet.get(FIGURES.driveHeatWorst).value!).toBeGreaterThan(sheet.get(FIGURES.driveHeatMean).value!);
    expect(sheet.get(FIGURES.packHeat).value).toBeCloseTo((run.rmsPowerW / 264) ** 2 * 0.036, 6);
    const litres = sheet.get(FIGURES.driveFlow).value!;
    expect((litres / 60) * 1.07 * 3400 * 5).toBeCloseTo(sheet.get(FIGURES.driveHeatWorst).value!, 6);
  });
  test('while charging: what the charger loses, and what pump, fan and contactors draw', () => {
    // 3300 W at η 0.9; 70 W of contactors, half of a pump of 45 W and 0.3 of a fan of 120 W.
    const heat = 3300 * 0.1 + 70 + 22.5 + 36;
    expect(value('chargeHeat')).toBeCloseTo(heat, 6);
    expect((value('chargeFlow')! / 60) * 1.07 * 3400 * 5).toBeCloseTo(heat, 6);
    const charger = { ...slots().charge, charger: null };
    expect(sheetOf({ charge: charger }).get(FIGURES.chargeHeat).value).toBeNull();
  });
  test('radiator, pumps and heater from the shelf, or none', () => {
    const loop = sheetOf().get(driveLoopChoice).value!;
    expect([loop.radiator?.name, loop.pump?.name]).toEqual(['Radiator 8', 'Pump 15']);
    const bare = sheetOf({ shelf: { ...SHELF, radiators: [], pumps: [], heaters: [] } });
    expect(bare.get(driveLoopChoice).value).toEqual({ radiator: null, pump: null });
    expect(bare.get(packPumpChoice).value).toBeNull();
    expect(bare.get(heaterChoice).value).toBeNull();
    expect(sheetOf().get(heaterChoice).value?.name).toBe('Heater 3');
    const narrow = fitting('heater', 'Narrow', { minV: 250, maxV: 420, powerW: 3000 });
    expect(sheetOf({ shelf: { ...SHELF, heaters: [narrow] } }).get(heaterChoice).value).toBeNull();
  });
  test('a heater weaker than the losses never makes it warm', () => {
    const weak = fitting('heater', 'Weak', { minV: 100, maxV: 420, powerW: 900 });
    expect(reason('heaterWarmUp', { electric: { ...slots().electric, heater: weak } })).toBe('neverWarm');
    // −(60 000 ÷ 60)·ln(1 − 960 ÷ 3000) = 386 s.
    expect(value('heaterWarmUp')! * 3600).toBeCloseTo(-1000 * Math.log(1 - 0.32), 6);
  });
});

describe('steady speed', () => {
  // 60 km/h: (m·g·C_rr + ½·ρ·CdA·v²)·v ÷ (η gear · η motor) + 200 W, per km.
  test.each([0, 4])('what it takes at 60 km/h with %d m/s of wind against', (headwindMs) => {
    const sheet = sheetOf(use({ headwindMs }));
    const { massKg, airDensity } = sheet.get(roadVehicle).value!;
    const v = 60 / 3.6;
    const force = massKg * 9.80665 * 0.012 + 0.5 * airDensity * 2.2 * 0.45 * (v + headwindMs) ** 2;
    const eta = sheet.get(pull).value!.engaged.way.efficiency * 0.9;
    expect(sheet.get(FIGURES.consumptionConstant).value).toBeCloseTo(((force * v) / eta + 200) / 60, 9);
  });
});

describe('balance', () => {
  // Common practice: where a load sits by body, as a share of the wheelbase.
  test.each([
    ['van', 0.75],
    ['bus', 0.55],
    ['lorry', 0.8],
    ['fourByFour', 0.7],
    ['tug', 0.5],
    ['open', 0.5],
  ] as const)('a load in a %s rests with %d of itself on the rear axle', (style, share) => {
    const vehicle = { ...VEHICLE, variant: { ...VARIANT, shape: { ...VARIANT.shape, style } } };
    const rear = (payloadKg: number) => value('rearAxleLaden', { vehicle, ...use({ payloadKg }) })!;
    expect(rear(300) - rear(0)).toBeCloseTo(300 * share, 9);
  });
  const corners = {
    frontLeftKg: 320,
    frontRightKg: 280,
    rearLeftKg: 190,
    rearRightKg: 210,
    state: 'stripped' as const,
    by: 'x',
    at: '',
  };
  test('left and right from the corner weights and what is put in to the side', () => {
    const vehicle = { ...VEHICLE, weighing: corners };
    const bare = { vehicle, added: [], pack: { ...slots().pack, boxes: [] } };
    expect(value('rightShare', bare)).toBeCloseTo((280 + 210) / 1000, 9);
    const chest = [{ name: 'chest', massKg: 100, xMm: 1000, yMm: 625 }];
    // The chest stands on the right wheels' line: all of it on them.
    expect(value('rightShare', { ...bare, added: chest })).toBeCloseTo((490 + 100) / 1100, 9);
    expect(value('rightShare', { added: [], pack: { ...slots().pack, boxes: [] } })).toBe(0.5);
  });
  test('what is left to plate and ratings, and the change against before', () => {
    const sheet = sheetOf();
    expect(sheet.get(FIGURES.grossMargin).value).toBeCloseTo(1600 - sheet.get(FIGURES.grossMassNow).value!, 9);
    expect(sheet.get(FIGURES.frontAxleMargin).value).toBeCloseTo(800 - sheet.get(FIGURES.frontAxleLaden).value!, 9);
    expect(sheet.get(FIGURES.rearAxleMargin).value).toBeCloseTo(900 - sheet.get(FIGURES.rearAxleLaden).value!, 9);
    expect(sheet.get(FIGURES.rearAxleChange).value).toBeCloseTo(sheet.get(FIGURES.rearAxleNow).value! / 400 - 1, 9);
  });
  // Box 500 × 700 × 250 in a bay of 800 × 900 × 400: 75 mm above is the least.
  test('the tightest clearance', () => expect(value('boxClearance')).toBe(75));
});
