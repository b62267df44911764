import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { DRIVE, inStrings, MODULE, slots, VEHICLE, withoutModule } from '../testing/wren.ts';
import { createSheet } from './evaluate.ts';
import { figure } from './figure.ts';
import { FIGURE_IDS, FIGURES } from './index.ts';
import { cycleRun } from './road/useRuns.ts';

const value = (change: Parameters<typeof slots>[0], id: keyof typeof FIGURES) =>
  createSheet(slots(change)).get(FIGURES[id]).value;

describe('the catalogue', () => {
  test('every figure of a whole design has a value, a formula, a source, and no NaN', () => {
    const single = createSheet(slots());
    const gearbox = { ...DRIVE, sheet: { ...DRIVE.sheet, output: 'gearboxInput' as const, ownRatio: 1 } };
    const shifted = createSheet(slots({ drive: { ...slots().drive, unit: gearbox, gear: 2, shifting: true } }));
    for (const id of FIGURE_IDS) {
      const sheet = id === 'gearTown' || id === 'gearOpenRoad' ? shifted : single;
      expect(shifted.get(FIGURES[id]).reason, id).toBeNull();
      const result = sheet.get(FIGURES[id]);
      expect(result.reason, id).toBeNull();
      expect(Number.isFinite(result.value), id).toBe(true);
      expect(result.working?.formula.length, id).toBeGreaterThan(4);
      expect(result.working?.source.length, id).toBeGreaterThan(3);
      for (const term of result.working?.terms ?? [])
        expect(Number.isFinite(term.value), `${id}: ${term.symbol}`).toBe(true);
      expect(FIGURES[id].id).toBe(id);
    }
  });
  test('without module, drive or charger they say what is missing', () => {
    const bare = createSheet(
      slots({
        pack: withoutModule(),
        drive: { ...slots().drive, unit: null },
        charge: { ...slots().charge, charger: null },
      }),
    );
    expect(bare.get(FIGURES.packEnergy).reason).toBe('noModule');
    expect(bare.get(FIGURES.rangeRound).value).toBeNull();
    expect(bare.get(FIGURES.chargeTime).reason).toBe('noModule');
    expect(bare.get(FIGURES.totalRatio).reason).toBe('noDrive');
  });
  test('a figure that comes to infinity is given as never reached', () => {
    const odd = figure({
      id: 'odd',
      name: 'Odd',
      group: null,
      kind: 'hours',
      compute: () => ({ value: 1 / 0, formula: '', terms: [], source: '' }),
    });
    expect(createSheet(slots()).get(odd)).toMatchObject({ value: null, reason: 'neverReached' });
  });
});

describe('evaluation', () => {
  test('computes each entry once, and after a change only what rests on it', () => {
    const sheet = createSheet(slots());
    for (const id of FIGURE_IDS) sheet.get(FIGURES[id]);
    const all = sheet.computed();
    sheet.get(FIGURES.rangeRound);
    expect(sheet.computed()).toBe(all);
    const mass = sheet.get(FIGURES.frontAxleNow);
    sheet.update(slots({ charge: { ...slots().charge, inletAmps: 10 } }));
    for (const id of FIGURE_IDS) sheet.get(FIGURES[id]);
    // What reads the charger, with heat and flow while charging; fuses and the year's cost come out as before, so nothing that rests on them is asked.
    expect(sheet.computed()).toBe(12);
    expect(sheet.get(FIGURES.frontAxleNow)).toBe(mass);
  });
  test('a change that a figure on the way does not feel goes no further', () => {
    const sheet = createSheet(slots());
    const run = sheet.get(cycleRun);
    const range = sheet.get(FIGURES.rangeCycle).value!;
    sheet.update(slots({ pack: { ...slots().pack, usableShare: 0.45 } }));
    expect(sheet.get(FIGURES.rangeCycle).value!).toBeLessThan(range);
    expect(sheet.get(cycleRun)).toBe(run);
  });
  test('inputs of the same content change nothing', () => {
    const sheet = createSheet(slots());
    const before = sheet.get(FIGURES.rangeCycle);
    sheet.update(slots());
    expect(sheet.get(FIGURES.rangeCycle)).toBe(before);
    expect(sheet.slots.use).toEqual(slots().use);
  });
  test('measuring a figure takes it off the unmeasured list of everything that rests on it', () => {
    const sheet = createSheet(slots());
    expect(sheet.get(FIGURES.rangeConstant).unmeasured).toContain('dragCoefficient');
    const figures = { ...VEHICLE.figures, dragCoefficient: { value: 0.4, source: 'measured' as const } };
    sheet.update(slots({ vehicle: { ...VEHICLE, figures } }));
    const after = sheet.get(FIGURES.rangeConstant);
    expect(after.unmeasured).not.toContain('dragCoefficient');
    expect(after.rests).toContain('dragCoefficient');
    expect(after.unmeasured).toContain('rollingCoefficient');
    expect(sheet.get(FIGURES.packEnergy).unmeasured).toEqual([]);
  });
  test('figures after any sequence of changes equal figures computed afresh', () => {
    const change = fc.record({
      payloadKg: fc.integer({ min: 0, max: 500 }),
      strings: fc.constantFrom(1, 2, 3),
      torqueCapNm: fc.option(fc.integer({ min: 20, max: 150 })),
      newHoles: fc.integer({ min: 0, max: 3 }),
    });
    fc.assert(
      fc.property(fc.array(change, { minLength: 1, maxLength: 5 }), (changes) => {
        const kept = createSheet(slots());
        for (const { payloadKg, strings, torqueCapNm, newHoles } of changes) {
          const next = slots({
            use: { ...slots().use, payloadKg },
            pack: inStrings(strings),
            drive: { ...slots().drive, torqueCapNm },
            kit: { newHoles },
          });
          kept.update(next);
          const fresh = createSheet(next);
          for (const id of FIGURE_IDS) expect(kept.get(FIGURES[id])).toEqual(fresh.get(FIGURES[id]));
        }
      }),
      { numRuns: 15 },
    );
  });
});

describe('figures of the van', () => {
  test('pack', () => {
    expect(value({}, 'packEnergy')).toBe(26_400);
    expect(value({}, 'packUsable')).toBeCloseTo(23_760, 6);
    expect(value({}, 'packVoltageFull')).toBeCloseTo(302.4, 9);
    expect(value({}, 'bmsSatellites')).toBe(4);
    expect(value({}, 'packSagVoltage')).toBeLessThan(value({}, 'packVoltageEmpty')!);
  });
  test('weights: engine and tank out, pack and drive in, moments by hand', () => {
    // 1000 − 140 + 180 + 50; rear = (400·2000 + 100·100 − 40·2000 + 180·2000)/2000
    expect(value({}, 'unladenMass')).toBeCloseTo(1090, 9);
    expect(value({}, 'rearAxleNow')).toBeCloseTo((800_000 + 10_000 - 80_000 + 360_000) / 2000, 9);
    expect(value({}, 'addedMass')).toBeCloseTo(90, 9);
    expect(value({}, 'grossMassNow')).toBeCloseTo(1290, 9);
  });
  test('a vehicle weighed stripped loses nothing more', () => {
    const weighing = {
      frontLeftKg: 250,
      frontRightKg: 250,
      rearLeftKg: 180,
      rearRightKg: 180,
      state: 'stripped' as const,
      by: 'JO',
      at: '',
    };
    const figures = {
      ...VEHICLE.figures,
      frontAxleMass: { value: 500, source: 'measured' as const },
      rearAxleMass: { value: 360, source: 'measured' as const },
    };
    expect(value({ vehicle: { ...VEHICLE, figures, weighing } }, 'unladenMass')).toBeCloseTo(860 + 230, 9);
  });
  test('a box that does not fit leaves the weights open instead of guessing', () => {
    const box = { ...slots().pack.boxes[0]!, outer: null };
    expect(createSheet(slots({ pack: { ...slots().pack, boxes: [box] } })).get(FIGURES.unladenMass).reason).toBe(
      'boxTooFull',
    );
  });
  test('more load never goes further; a cap never makes it faster', () => {
    const use = slots().use;
    expect(value({ use: { ...use, payloadKg: 500 } }, 'rangeRound')!).toBeLessThan(value({}, 'rangeRound')!);
    expect(value({ drive: { ...slots().drive, torqueCapNm: 60 } }, 'time0to50')!).toBeGreaterThan(
      value({}, 'time0to50')!,
    );
    expect(value({ use: { ...use, heaterW: 2000 } }, 'rangeCycle')!).toBeLessThan(value({}, 'rangeCycle')!);
  });
  // Day 20 000 is a Friday: two working days on is Tuesday; day 20 010 is a Monday, two on is Wednesday.
  test('money and days', () => {
    expect(value({}, 'jobPrice')).toBe(1_000_000 + 70 * 6000);
    expect(value({}, 'readyDate')).toBe(20_004);
    expect(value({ work: { ...slots().work, latestPartDay: 20_010 } }, 'readyDate')).toBe(20_012);
  });
  test('where a plan says when it is ready, that day; moved by what is more or less to do than it reckoned with', () => {
    const work = slots().work;
    const hours = work.remainingHours!;
    const ready = (change: Partial<typeof work>, readyDay: number | null = 20_010) =>
      value({ work: { ...work, planned: { readyDay, hours, partDay: null }, ...change } }, 'readyDate');
    expect(ready({})).toBe(20_010);
    // A day's work more and less: Monday 20 010 becomes Tuesday, and the Friday before.
    expect(ready({ remainingHours: hours + work.hoursPerDay })).toBe(20_011);
    expect(ready({ remainingHours: hours - work.hoursPerDay })).toBe(20_007);
    // A part later than any it knew of: not before that, and what is more to do after it; a sooner one changes nothing.
    expect(ready({ latestPartDay: 20_024 })).toBe(20_024);
    expect(ready({ latestPartDay: 20_024, remainingHours: hours + work.hoursPerDay })).toBe(20_025);
    expect(ready({ latestPartDay: 20_008 })).toBe(20_010);
    // A plan of yesterday never says that it was ready yesterday.
    expect(ready({ todayDay: 20_012 })).toBe(20_012);
    expect(ready({}, null)).toBeNull();
    const stuck = { ...work, planned: { readyDay: null, hours, partDay: null } };
    expect(createSheet(slots({ work: stuck })).get(FIGURES.readyDate).reason).toBe('notPlannable');
  });
  test('two strings halve the voltage and keep the energy', () => {
    const pack = inStrings(2);
    expect(value({ pack }, 'packVoltageFull')).toBeCloseTo((302.4 as number) / 2, 9);
    expect(value({ pack }, 'packEnergy')).toBe(26_400);
    expect(MODULE.sheet.nominalV).toBe(22);
  });
});
