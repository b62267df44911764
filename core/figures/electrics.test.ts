import { describe, expect, test } from 'vitest';
import { type LvCase, lvStrings, lvWatts } from '../lowvoltage/loads.ts';
import { fitting, SHELF } from '../testing/shelf.ts';
import { CHARGER, DRIVE, slots } from '../testing/wren.ts';
import { cableChoice, cableDuty } from './electric/cable.ts';
import { fuses } from './electric/fuses.ts';
import { converterChoice, lvSide } from './electric/lowVoltage.ts';
import { prechargeNow, resistorChoice } from './electric/precharge.ts';
import { createSheet } from './evaluate.ts';
import { FIGURES, type FigureId } from './index.ts';
import type { Slots } from './slots.ts';

/** The accessories' 200 W at the empty pack's 216 V: what passes the links of the pack beside the drive. */
const BESIDE_A = 200 / 216;

const sheetOf = (change: Partial<Slots> = {}) => createSheet(slots(change));
const value = (id: FigureId, change: Partial<Slots> = {}) => sheetOf(change).get(FIGURES[id]).value;
const reason = (id: FigureId, change: Partial<Slots> = {}) => sheetOf(change).get(FIGURES[id]).reason;
const electric = (change: Partial<Slots['electric']>) => ({ electric: { ...slots().electric, ...change } });
const drive = (change: Partial<Slots['drive']>) => ({ drive: { ...slots().drive, ...change } });
const shelf = (change: Partial<Slots['shelf']>) => ({ shelf: { ...SHELF, ...change } });
const linked = (linkUf: number) => ({ ...DRIVE, sheet: { ...DRIVE.sheet, linkUf } });

describe('precharge of the van (302.4 V full)', () => {
  test('the link is the drive’s, else the inverter’s, else assumed and said; two motors have two', () => {
    const uf = (change: Partial<Slots['drive']>) => sheetOf(drive(change)).get(prechargeNow).value!;
    const inverter = fitting('inverter', 'Inverter', { minV: 100, maxV: 420, maxCurrentA: 400, linkUf: 900 });
    expect(uf({ unit: linked(500), inverter })).toMatchObject({ linkUf: 500, linkKnown: true });
    expect(uf({ inverter })).toMatchObject({ linkUf: 900, linkKnown: true });
    expect(uf({})).toMatchObject({ linkUf: 600, linkKnown: false });
    expect(uf({ unit: linked(500), motors: 2 }).linkUf).toBe(1000);
  });
  // By hand: 1 s ÷ (500e-6 · 2.99573) = 667.6 Ω → 620 Ω; ½·500e-6·302.4² = 22.86 J; 302.4² ÷ 620 = 147.5 W.
  test('500 µF to 95 % in one second', () => {
    const change = drive({ unit: linked(500) });
    expect(value('prechargeResistor', change)).toBe(620);
    expect(value('prechargeEnergy', change)).toBeCloseTo(22.86, 2);
    expect(value('prechargePeak', change)).toBeCloseTo(147.5, 1);
    expect(value('prechargeTime', change)).toBeCloseTo(620 * 500e-6 * Math.log(20), 9);
    expect(value('prechargeTimeOut', change)).toBe(3);
  });
  test('half the time takes half the resistance', () =>
    expect(value('prechargeResistor', { ...drive({ unit: linked(500) }), ...electric({ prechargeS: 0.5 }) })).toBe(
      330,
    ));
  test('the biggest resistor of the shelf that is quick enough and takes the pulse; none is said as none', () => {
    const named = (change: Partial<Slots>) => sheetOf(change).get(resistorChoice).value?.name ?? null;
    expect(named(drive({ unit: linked(500) }))).toBe('Resistor 470');
    expect(named({ ...drive({ unit: linked(500) }), ...electric({ prechargeS: 0.2 }) })).toBe('Resistor 100');
    expect(named(drive({ unit: linked(20_000) }))).toBeNull();
    expect(named(shelf({ resistors: [] }))).toBeNull();
  });
});

describe('cable and fuses of the van', () => {
  test('the duty is what the drive gives without end, and full throttle for half a minute', () => {
    const sheet = sheetOf();
    const duty = sheet.get(cableDuty).value!;
    expect(duty.useA).toBe(sheet.get(FIGURES.rmsCurrent).value);
    // The same by hand for the 30 kW it gives without end: a quadratic in the current, the accessories' beside it.
    const goodV = 264 - 0.036 * BESIDE_A;
    const goodA = (goodV - Math.sqrt(goodV ** 2 - 4 * 0.036 * (30_000 / 0.9))) / 0.072;
    expect(duty.continuousA).toBeCloseTo(goodA + BESIDE_A, 6);
    expect(duty.fullS).toBe(30);
    expect(duty.fullA).toBe(sheet.get(FIGURES.fullCurrent).value);
    // 60 kW ÷ 0.9 at 264 V less sag, the accessories' own too: (V − √(V² − 4·0.036·66667)) ÷ 0.072.
    const volts = 264 - 0.036 * BESIDE_A;
    const driveA = (volts - Math.sqrt(volts ** 2 - 4 * 0.036 * (60_000 / 0.9))) / 0.072;
    expect(duty.fullA).toBeCloseTo(driveA + BESIDE_A, 6);
    expect(sheet.get(FIGURES.peak30sCurrent).value!).toBeLessThanOrEqual(duty.fullA);
  });
  const between = fitting('fuse', 'Fuse 175', { ratedA: 175, maxV: 500, breakingA: 20_000 });
  const finer = shelf({ fuses: [...SHELF.fuses, between] });
  test('the smallest that holds: 35 mm² carries 180 A, half a minute of 262 A is within 1.6 times that', () => {
    expect(value('cableSection', finer)).toBe(35);
    expect(value('mainFuse', finer)).toBe(175);
    expect(value('cableBend', finer)).toBe(14 * 5);
    expect(value('cableDrop', finer)!).toBeLessThan(0.015);
  });
  test('cable and fuse together: without a fuse between 164 and 180 A the next cable is taken, with its fuse', () => {
    expect(value('cableSection')).toBe(70);
    expect(value('mainFuse')).toBe(250);
    // 284 A of the thickest cable cannot be protected by 300 A: no pair is left.
    const coarse = fitting('fuse', 'Fuse 300', { ratedA: 300, maxV: 500, breakingA: 20_000 });
    for (const id of ['cableSection', 'mainFuse'] as const)
      expect(reason(id, shelf({ fuses: [coarse] }))).toBe('noPairFits');
  });
  test('a longer or warmer cable drops more; a tight limit asks for a thicker one, in the end for none there is', () => {
    const own = (change: object) => ({ ...finer, ...electric(change) });
    expect(value('cableDrop', own({ cableLengthM: 8 }))! / value('cableDrop', finer)!).toBeCloseTo(2, 9);
    expect(value('cableDrop', own({ cableC: 90 }))!).toBeGreaterThan(value('cableDrop', finer)!);
    const now = value('cableDrop', finer)!;
    expect(value('cableSection', own({ cableDrop: now * 0.8 }))).toBe(70);
    expect(reason('cableSection', own({ cableDrop: now * 0.1 }))).toBe('noCableFits');
    expect(reason('mainFuse', shelf({ cables: [] }))).toBe('noCableFits');
    expect(sheetOf(shelf({ cables: [] })).get(cableChoice).value).toBeNull();
  });
  test('what a cable carries where it will lie is for the design to say', () => {
    const section = (ampacity: Record<string, number>) =>
      value('cableSection', { ...finer, ...electric({ ampacity }) });
    expect(section({ 'cable-35': 174 })).toBe(70);
    expect(section({ 'cable-35': 176 })).toBe(35);
    expect(section({ 'cable-16': 200 })).toBe(16);
  });
  test('a fuse each for pack, charger, converter and heater; branch currents at the empty pack', () => {
    const list = sheetOf().get(fuses).value!;
    expect(list.map((fuse) => fuse.name)).toEqual(['main', 'charger', 'DC-DC', 'heater']);
    // 3300 W · 0.9 ÷ 216 V, 110 A · 12 V · 1.15 ÷ 0.9 ÷ 216 V, 3000 W ÷ 216 V.
    expect(list[1]!.continuousA).toBeCloseTo((3300 * 0.9) / 216, 9);
    expect(list[2]!.continuousA).toBeCloseTo((110 * 12 * 1.15) / 0.9 / 216, 9);
    expect(list[3]!.continuousA).toBeCloseTo(3000 / 216, 9);
    expect(list.slice(1).map((fuse) => fuse.part?.name)).toEqual(['Fuse 20', 'Fuse 20', 'Fuse 20']);
  });
  test('branches the design does not have need no fuse', () => {
    const change = { ...electric({ heater: null, converter: null }), charge: { ...slots().charge, charger: null } };
    expect(
      sheetOf(change)
        .get(fuses)
        .value!.map((fuse) => fuse.name),
    ).toEqual(['main']);
  });
  test('a combined unit counts for its converter too', () => {
    const combined = fitting('combinedUnit', 'Combined', { ...CHARGER.sheet, dcdcA: 90, lowVoltageV: 12 });
    const list = sheetOf(electric({ converter: combined })).get(fuses).value!;
    expect(list[2]!.continuousA).toBeCloseTo((90 * 12 * 1.15) / 0.9 / 216, 9);
  });
  test('the main fuse neither under the load nor over the cable, for the voltage and what it must break', () => {
    const main = (change: Partial<Slots> = {}) => sheetOf(change).get(fuses).value![0]!;
    expect(main().need.atLeastA).toBeCloseTo(sheetOf().get(FIGURES.fullCurrent).value! / 1.6, 9);
    expect(main(finer).part?.name).toBe('Fuse 175');
    const weak = { ...between, sheet: { ...between.sheet, maxV: 250 } };
    expect(reason('mainFuse', shelf({ fuses: [weak] }))).toBe('noPairFits');
    const soft = { ...between, sheet: { ...between.sheet, breakingA: 1000 } };
    expect(reason('mainFuse', shelf({ fuses: [soft] }))).toBe('noPairFits');
  });
  // Loop: 12 · 3 mΩ · 0.85 in a warm pack, joints 2 mΩ, twice 4 m of 35 mm²: 30.6 + 2 + 4.432 = 37.03 mΩ; 302.4 V ÷ that.
  test('what the fuse must break, fed by a warm pack', () =>
    expect(value('fuseBreaking', finer)).toBeCloseTo(302.4 / 0.037032, 0));
});

describe('low voltage of the van', () => {
  const lvLoads = [
    { name: 'lamps', watts: 138, day: 0, nightWet: 1, worst: 1 },
    { name: 'fan', watts: 276, day: 0.5, nightWet: 0.25, worst: 1 },
  ];
  // 13.8 V: day 138 ÷ 13.8 = 10 A; wet night (138 + 69) ÷ 13.8 = 15 A; worst 414 ÷ 13.8 = 30 A.
  test('three cases by hand', () => {
    const change = electric({ lvLoads });
    expect(value('lvDay', change)).toBeCloseTo(10, 9);
    expect(value('lvNight', change)).toBeCloseTo(15, 9);
    expect(value('lvWorst', change)).toBeCloseTo(30, 9);
    expect(value('converterNeed', change)).toBeCloseTo(37.5, 9);
    // 45 Ah · 12 V · ½ ÷ 207 W.
    expect(value('lvBatteryTime', change)).toBeCloseTo((45 * 12 * 0.5) / 207, 9);
  });
  test('the usual loads stand in until somebody lists them', () => {
    expect(sheetOf().get(lvSide).value!.usual).toBe(true);
    expect(sheetOf(electric({ lvLoads })).get(lvSide).value!.usual).toBe(false);
    expect(value('lvWorst')!).toBeGreaterThan(value('lvNight')!);
    expect(value('lvNight')!).toBeGreaterThan(value('lvDay')!);
  });
  test('no battery among the parts is said; no load lasts for ever and is no figure', () => {
    expect(reason('lvBatteryTime', electric({ lvBattery: null }))).toBe('noLvBattery');
    expect(reason('lvBatteryTime', electric({ lvLoads: [] }))).toBe('neverReached');
  });
  test('the smallest converter of the vehicle’s voltage inside the pack’s window', () => {
    const named = (change: Partial<Slots> = {}) => sheetOf(change).get(converterChoice).value?.name ?? null;
    const small = fitting('dcdc', 'Converter 60', { minV: 150, maxV: 430, outputA: 60, lowVoltageV: 12 });
    const other = fitting('dcdc', 'Converter 24', { minV: 150, maxV: 430, outputA: 300, lowVoltageV: 24 });
    const narrow = fitting('dcdc', 'Narrow', { minV: 230, maxV: 430, outputA: 300, lowVoltageV: 12 });
    expect(named()).toBe('Converter 110');
    expect(named({ ...shelf({ converters: [small, ...SHELF.converters] }), ...electric({ lvLoads }) })).toBe(
      'Converter 60',
    );
    expect(named(shelf({ converters: [other, narrow] }))).toBeNull();
    const lorry = { ...slots().vehicle, variant: { ...slots().vehicle.variant, systemVoltage: 24 as const } };
    expect(named({ ...shelf({ converters: [other] }), vehicle: lorry })).toBe('Converter 24');
  });
});

test.each([
  [2, 12, 24, 1],
  [1, 12, 24, 0],
  [4, 12, 24, 2],
  [2, 12, 12, 2],
  [1, 24, 12, 0],
])('%d batteries of %d V make, at %d V, %d strings', (batteries, volts, system, strings) =>
  expect(lvStrings(batteries, volts, system)).toBe(strings));

describe('modes of the low-voltage side', () => {
  const lvLoads = [
    { name: 'box', watts: 100, day: 1, nightWet: 1, worst: 1, parked: 0.02, charging: 1, night: 0.9, wet: 0.8 },
    { name: 'old', watts: 50, day: 0.2, nightWet: 0.6, worst: 1 },
  ];
  test('each mode by its own shares; what an older design leaves out follows the nearest', () => {
    const watts = (which: LvCase) => lvWatts(lvLoads, which);
    expect([watts('parked'), watts('charging')]).toEqual([2, 100]);
    expect([watts('day'), watts('nightWet'), watts('worst')]).toEqual([110, 130, 150]);
    expect(watts('night')).toBeCloseTo(90 + 30, 9);
    expect(watts('wet')).toBeCloseTo(80 + 10, 9);
  });
  test('amperes while charging, and days parked', () => {
    expect(value('lvCharging', electric({ lvLoads }))).toBeCloseTo(100 / 13.8, 9);
    // 45 Ah · 12 V · ½ ÷ 2 W ÷ 24 h.
    expect(value('lvParkedDays', electric({ lvLoads }))).toBeCloseTo((45 * 12 * 0.5) / 2 / 24, 9);
    expect(reason('lvParkedDays', electric({ lvLoads: [lvLoads[1]!] }))).toBe('noParkedLoad');
  });
});
