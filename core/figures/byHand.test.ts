import { describe, expect, test } from 'vitest';
import { DRIVE, MODULE, slots, VARIANT, VEHICLE } from '../testing/wren.ts';
import { drivelineWorst } from './drive/drivelineWorst.ts';
import { gearing } from './drive/gearing.ts';
import { createSheet } from './evaluate.ts';
import { FIGURES } from './index.ts';
import type { Slots } from './slots.ts';

/** The accessories' 200 W at the empty pack's 216 V: what passes the links of the pack beside the drive. */
const BESIDE_A = 200 / 216;

const sheetOf = (change: Partial<Slots> = {}) => createSheet(slots(change));
const drive = (change: object, gear: number | null = null): Partial<Slots> => ({
  drive: { ...slots().drive, unit: { ...DRIVE, sheet: { ...DRIVE.sheet, ...change } }, gear },
});
const vehicle = (change: object): Partial<Slots> => ({ vehicle: { ...VEHICLE, variant: { ...VARIANT, ...change } } });

describe('gearing by what the drive turns', () => {
  const kept = { ...VARIANT.gearbox, ratios: [3.5, 2, 1.4, 1], finalDrive: 4, transfer: 1.2, hub: 1.25 };
  test('half shafts: the unit’s own reduction and the hub', () => {
    expect(
      sheetOf({ ...vehicle({ gearbox: kept }), ...drive({ ownRatio: 9 }) }).get(FIGURES.totalRatio).value,
    ).toBeCloseTo(9 * 1.25, 9);
  });
  test('propeller shaft: reducer, transfer, final drive, hub', () => {
    expect(
      sheetOf({ ...vehicle({ gearbox: kept }), ...drive({ output: 'propShaft', ownRatio: 2.9 }) }).get(
        FIGURES.totalRatio,
      ).value,
    ).toBeCloseTo(2.9 * 1.2 * 4 * 1.25, 9);
  });
  test.each([
    [1, 3.5],
    [2, 2],
    [4, 1],
    [null, 1.4],
    [9, 1],
  ])('kept gearbox in gear %s: %d : 1 before transfer, final drive, hub', (gear, ratio) => {
    const own = { ...vehicle({ gearbox: kept }), ...drive({ output: 'gearboxInput', ownRatio: 1 }, gear) };
    expect(sheetOf(own).get(FIGURES.totalRatio).value).toBeCloseTo(ratio * 1.2 * 4 * 1.25, 9);
  });
  test('every mesh costs two per cent', () => {
    expect(sheetOf(drive({ ownRatio: 9 })).get(gearing).value?.efficiency).toBeCloseTo(0.98 ** 2, 9);
    expect(sheetOf(drive({ output: 'gearboxInput', ownRatio: 1 }, 3)).get(gearing).value?.efficiency).toBeCloseTo(
      0.98 ** 3,
      9,
    );
  });
  test('a tyre nobody can read leaves the figures open', () => {
    const sheet = sheetOf(vehicle({ tyre: 'the round ones' }));
    expect(sheet.get(FIGURES.speedPer1000Rpm)).toMatchObject({ value: null, reason: 'tyreUnreadable' });
    expect(sheet.get(FIGURES.time0to50).reason).toBe('tyreUnreadable');
  });
  test('165/80 R 13 at 9 : 1 goes 12.07 km/h per 1000 rpm', () => {
    // radius 0.97 · 594.2 / 2 mm = 0.28819 m; 2π·0.28819·1000/60/9·3.6
    expect(sheetOf().get(FIGURES.speedPer1000Rpm).value).toBeCloseTo(12.07, 2);
  });
});

describe('driveline', () => {
  const parts = [
    { part: 'gearbox input', limitNm: 100, after: 'motor' as const },
    { part: 'pinion', limitNm: 300, after: 'gearbox' as const },
    { part: 'half shafts', limitNm: 1800, after: 'final' as const },
  ];
  const names = (change: Partial<Slots>) =>
    sheetOf({ ...vehicle({ driveline: parts }), ...change })
      .get(drivelineWorst)
      .value?.map((load) => load.part);
  test('parts that the drive bypasses do not count', () => {
    expect(names(drive({}))).toEqual(['half shafts']);
    expect(names(drive({ output: 'propShaft', ownRatio: 3 }))?.sort()).toEqual(['half shafts', 'pinion']);
    expect(names(drive({ output: 'gearboxInput', ownRatio: 1 }, 2))).toHaveLength(3);
  });
  test('a cap takes the load down in proportion', () => {
    const margin = (torqueCapNm: number | null) =>
      sheetOf({ ...vehicle({ driveline: parts }), drive: { ...slots().drive, unit: DRIVE, torqueCapNm } }).get(
        FIGURES.drivelineMargin,
      ).value!;
    expect(margin(null)).toBeCloseTo(1800 / (150 * 9) - 1, 9);
    expect(margin(75)).toBeCloseTo(1800 / (75 * 9) - 1, 9);
  });
});

describe('power and voltage', () => {
  test('the pack or the drive decides, whichever gives less', () => {
    // pack: (12·22 − 400·12·0.003)·400 = 99 840 W, less the accessories; drive: 60 000/0.9 = 66 667 W
    expect(sheetOf().get(FIGURES.packPower).value).toBeCloseTo((264 - 400 * 0.036) * 400, 6);
    expect(sheetOf().get(FIGURES.drivePower).value).toBeCloseTo(60_000 / 0.9, 6);
    expect(sheetOf(drive({ peakPowerW: 200_000 })).get(FIGURES.drivePower).value).toBeCloseTo(
      (264 - 14.4) * (400 - BESIDE_A),
      6,
    );
  });
  test('the loaded empty pack gives the drive its power, or the modules’ current stops it', () => {
    const sag = sheetOf().get(FIGURES.packSagVoltage).value!;
    const amps = (216 - sag) / 0.036;
    expect(sag * amps).toBeCloseTo(60_000 / 0.9 + 200, 3);
    const weak = { ...MODULE, sheet: { ...MODULE.sheet, peakA: 100 } };
    expect(
      sheetOf({ pack: { ...slots().pack, boxes: slots().pack.boxes.map((box) => ({ ...box, module: weak })) } }).get(
        FIGURES.packSagVoltage,
      ).value,
    ).toBeCloseTo(216 - 100 * 0.036, 9);
  });
});

describe('charging', () => {
  test('3.3 kW on a 16 A socket: the charger decides; on 10 A the supply', () => {
    expect(sheetOf().get(FIGURES.chargePower)).toMatchObject({ value: 3300 });
    const supply = { volts: 230, amps: 10, phases: 1 as const };
    const slow = sheetOf({ use: { ...slots().use, supply } });
    expect(slow.get(FIGURES.chargePower).value).toBe(2300);
    expect(slow.get(FIGURES.chargePower).working?.formula).toContain('the supply decides');
  });
  test('20 to 80 % is six tenths of the usable energy at full power', () => {
    expect(sheetOf().get(FIGURES.chargeTime20to80).value).toBeCloseTo((0.6 * 23_760) / (3300 * 0.9), 9);
  });
  test('an inlet for less holds everything back', () => {
    expect(sheetOf({ charge: { ...slots().charge, inletAmps: 8 } }).get(FIGURES.chargePower).value).toBe(1840);
  });
});

describe('range', () => {
  test('range times consumption is the usable energy, on every use', () => {
    // With regeneration allowed from the full pack on there is no dearer first part.
    const sheet = sheetOf({ drive: { ...slots().drive, regenCeiling: 1 } });
    for (const [range, use] of [
      ['rangeRound', 'consumptionRound'],
      ['rangeCycle', 'consumptionCycle'],
      ['rangeConstant', 'consumptionConstant'],
    ] as const) {
      expect(sheet.get(FIGURES[range]).value! * sheet.get(FIGURES[use]).value!).toBeCloseTo(23_760, 6);
    }
  });
  test('a speed the drive cannot hold has no range', () => {
    const use = { ...slots().use, constantKmh: 150 };
    expect(sheetOf({ use, ...drive({ peakPowerW: 15_000 }) }).get(FIGURES.rangeConstant)).toMatchObject({
      value: null,
      reason: 'cannotHold',
      reasonAt: { value: 150, kind: 'speed' },
    });
  });
  test('no round, and a round nobody can drive', () => {
    expect(sheetOf({ use: { ...slots().use, round: null } }).get(FIGURES.rangeRound).reason).toBe('noRound');
    expect(
      sheetOf({ use: { ...slots().use, round: { lengthKm: 4, stops: 80, meanKmh: 50, climbM: 0 } } }).get(
        FIGURES.rangeRound,
      ).reason,
    ).toBe('meanTooFast');
  });
  test('cold air is thicker, thin air is kinder, wind against costs', () => {
    const range = (change: object) => sheetOf({ use: { ...slots().use, ...change } }).get(FIGURES.rangeConstant).value!;
    expect(range({ ambientC: -10 })).toBeLessThan(range({ ambientC: 30 }));
    expect(range({ altitudeM: 2000 })).toBeGreaterThan(range({ altitudeM: 0 }));
    expect(range({ headwindMs: 5 })).toBeLessThan(range({ headwindMs: 0 }));
  });
});

describe('what is missing says so', () => {
  test('price and day without kit or stages', () => {
    const work = { ...slots().work, labourHours: null, remainingHours: null };
    expect(sheetOf({ work }).get(FIGURES.jobPrice).reason).toBe('noKit');
    expect(sheetOf({ work }).get(FIGURES.readyDate).reason).toBe('noStages');
    expect(sheetOf({ work: { ...work, partsCents: null } }).get(FIGURES.partsPrice).reason).toBe('noPrices');
    expect(sheetOf({ kit: { newHoles: null } }).get(FIGURES.newHoles).reason).toBe('noKit');
  });
  test('an empty pack', () => {
    const pack = { ...slots().pack, boxes: [] };
    expect(sheetOf({ pack }).get(FIGURES.packEnergy).reason).toBe('noModules');
    expect(sheetOf({ pack }).get(FIGURES.packMass).reason).toBe('noModules');
    expect(sheetOf({ pack }).get(FIGURES.bmsSatellites).reason).toBe('noModules');
    expect(sheetOf({ pack }).get(FIGURES.unladenMass).value).toBeCloseTo(910, 9);
  });
});
