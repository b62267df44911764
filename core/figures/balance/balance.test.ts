import { describe, expect, test } from 'vitest';
import { slots, VARIANT, VEHICLE } from '../../testing/wren.ts';
import { createSheet } from '../evaluate.ts';
import { FIGURE_GROUP_NAME } from '../groups.ts';
import { FIGURE_IDS, FIGURES } from '../index.ts';
import { FIGURE_GROUPS, FIGURE_NAME } from '../names.ts';
import { brakesReview } from './brakes.ts';
import { ladenLoads } from './ladenLoads.ts';
import { massItems } from './massItems.ts';
import { saferOrder, tipping } from './tipping.ts';
import { unladenLoads } from './unladenLoads.ts';

const withVariant = (change: object) =>
  createSheet(slots({ vehicle: { ...VEHICLE, variant: { ...VARIANT, ...change } } }));

describe('on the lift', () => {
  // 600 and 400 kg on a wheelbase of 2000 mm: 1000 kg with the mass centre at 800.
  const heavy = [
    { name: 'engine', massKg: 150, xMm: -100 },
    { name: 'tank', massKg: 40, xMm: 1900 },
  ];
  test('what comes out goes first, then what goes in; each step by moments, against the pads', () => {
    const sheet = withVariant({ removed: heavy, liftPads: { frontMm: 500, rearMm: 1500 } });
    const { steps } = sheet.get(tipping).value!;
    const [, , ...changes] = sheet.get(massItems).value!;
    expect(steps).toHaveLength(changes.length);
    const signs = steps.map(({ step }) => step.massKg < 0);
    expect(signs.slice(0, 2)).toEqual([true, true]);
    expect(signs.slice(2)).not.toContain(true);
    expect(steps.length).toBeGreaterThan(2);
    expect(new Set(steps.map(({ step }) => step.name)).size).toBe(steps.length);
    // By hand: (800 000 + 15 000) / 850 = 958.8; then (815 000 − 76 000) / 810 = 912.3.
    expect(steps[0]).toMatchObject({
      massKg: 850,
      centreXMm: expect.closeTo(958.82, 2),
      insideMm: expect.closeTo(458.82, 2),
    });
    expect(steps[1]).toMatchObject({ massKg: 810, centreXMm: expect.closeTo(912.35, 2) });
    let [kg, moment] = [810, 810 * steps[1]!.centreXMm];
    for (const { step, massKg, centreXMm } of steps.slice(2)) {
      kg += step.massKg;
      moment += step.massKg * step.xMm;
      expect(massKg).toBeCloseTo(kg, 9);
      expect(centreXMm).toBeCloseTo(moment / kg, 9);
    }
  });
  test('pads as usual where the variant names none: 15 and 85 % of the wheelbase', () => {
    const named = withVariant({ removed: heavy, liftPads: { frontMm: 300, rearMm: 1700 } }).get(tipping).value!;
    const usual = withVariant({ removed: heavy }).get(tipping).value!;
    expect(usual.steps).toEqual(named.steps);
  });
  test('another order is offered where it keeps more room, and not where it is as good', () => {
    // Everything heavy out of the nose first tips it backwards off short pads; something in between does not.
    const long = [
      { name: 'engine', massKg: 350, xMm: -400 },
      { name: 'tank', massKg: 100, xMm: 1900 },
    ];
    const least = (states: readonly { insideMm: number }[]) => Math.min(...states.map((one) => one.insideMm));
    const sheet = withVariant({ removed: long, liftPads: { frontMm: 500, rearMm: 1300 } });
    const tight = sheet.get(tipping).value!;
    const safer = sheet.get(saferOrder).value!;
    expect(least(safer)).toBeGreaterThan(least(tight.steps) + 1);
    expect(safer.map(({ step }) => step.name).sort()).toEqual(tight.steps.map(({ step }) => step.name).sort());
    // One single step has no other order.
    const single = createSheet(
      slots({
        vehicle: { ...VEHICLE, variant: { ...VARIANT, removed: [] } },
        drive: { ...slots().drive, unit: null },
        charge: { ...slots().charge, charger: null },
        added: [],
      }),
    );
    expect(single.get(tipping).value!.steps).toHaveLength(1);
    expect(single.get(saferOrder)).toMatchObject({ value: null, reason: null });
  });
  test('a vehicle that nothing is taken out of or put into has no steps to show', () => {
    const bare = slots({
      vehicle: { ...VEHICLE, variant: { ...VARIANT, removed: [] } },
      pack: { ...slots().pack, boxes: [] },
      drive: { ...slots().drive, unit: null },
      added: [],
    });
    const sheet = createSheet({ ...bare, charge: { ...bare.charge, charger: null } });
    const items = sheet.get(massItems).value;
    const { value, reason } = sheet.get(tipping);
    if (items && items.length > 2) expect(value!.steps).toHaveLength(items.length - 2);
    else expect([value, reason === null]).toEqual([null, false]);
  });
});

test('the brakes before, now and laden: each axle’s share of the load with the transfer, and where the rear lifts', () => {
  const sheet = createSheet(slots());
  const review = sheet.get(brakesReview).value!;
  const [now, laden] = [sheet.get(unladenLoads).value!, sheet.get(ladenLoads).value!];
  // Mass centre 600 mm up, wheelbase 2000: the transfer is 0.3·z of the mass.
  expect(review.rows.map(({ g }) => g)).toEqual([0.2, 0.4, 0.6, 0.8]);
  for (const row of review.rows) {
    expect(row.before).toBeCloseTo(0.6 + 0.3 * row.g, 9);
    expect(row.now).toBeCloseTo(now.frontKg / (now.frontKg + now.rearKg) + 0.3 * row.g, 9);
    expect(row.laden).toBeCloseTo(laden.frontKg / (laden.frontKg + laden.rearKg) + 0.3 * row.g, 9);
  }
  expect(review.liftsBefore).toBeCloseTo(0.4 / 0.3, 9);
  expect(review.liftsLaden).toBeCloseTo(laden.rearKg / (laden.frontKg + laden.rearKg) / 0.3, 9);
});

test('figures by subject: every one of a subject is there, in the order of the catalogue, under its own name', () => {
  expect(Object.keys(FIGURE_GROUPS)).toEqual(Object.keys(FIGURE_GROUP_NAME));
  for (const [group, ids] of Object.entries(FIGURE_GROUPS)) {
    expect(ids).toEqual(FIGURE_IDS.filter((id) => FIGURES[id].group === group));
    expect(ids.length, group).toBeGreaterThan(0);
    expect(ids.length).toBeLessThan(FIGURE_IDS.length / 2);
  }
  expect(FIGURE_NAME.packEnergy).toBe(FIGURES.packEnergy.name);
});
