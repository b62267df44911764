import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { BriefLine } from '../brief/lines.ts';
import type { Component } from '../component/sheets.ts';
import { EMPTY_DESIGN } from '../design/inputs.ts';
import { resolveDesign } from '../design/resolve.ts';
import { createSheet } from '../figures/evaluate.ts';
import { FIGURES } from '../figures/index.ts';
import { fitting, shelfMap } from '../testing/shelf.ts';
import { BAY, CHARGER, DRIVE, MODULE, slots, VARIANT, VEHICLE } from '../testing/wren.ts';
import { type Candidate, type Choice, designOf, objectivesOf, searchBase, shareAim } from './candidate.ts';
import type { SearchTask } from './combination.ts';
import { createFront, dominates, type Objectives } from './front.ts';
import { brokenLine, firmLines, overload, windowOf } from './limits.ts';
import { rankFront } from './rank.ts';
import { type SearchState, search } from './search.ts';
import { drivesFor, inverterFor, type SearchSpace, wholeSpace } from './space.ts';

const LIGHT = {
  ...MODULE,
  id: 'module-l',
  name: 'Light',
  massKg: 9,
  priceCents: 45_000,
  leadDays: 30,
  sheet: { ...MODULE.sheet, capacityAh: 70 },
};
const LIBRARY = new Map<string, Component>([
  ...shelfMap(),
  ...[MODULE, LIGHT, DRIVE, CHARGER].map((part) => [part.id, part as Component] as const),
]);
const line = (
  kind: BriefLine['kind'],
  firm: boolean,
  amount: number | null,
  change: Partial<BriefLine> = {},
): BriefLine => ({
  id: `${kind}${firm ? '!' : ''}`,
  kind,
  firm,
  amount,
  school: null,
  tolerance: null,
  text: '',
  done: false,
  ...change,
});
const SPACE: SearchSpace = {
  modules: [
    { moduleId: MODULE.id, available: null },
    { moduleId: LIGHT.id, available: 14 },
  ],
  bays: [
    { bay: 'rear', most: 9 },
    { bay: 'front', most: 8 },
  ],
  strings: [1, 2],
  drives: [{ driveId: DRIVE.id, inverterId: null, gears: [null] }],
  chargerIds: [CHARGER.id],
};
const task = (change: Partial<SearchTask> = {}): SearchTask => ({
  base: { ...EMPTY_DESIGN, chargerId: CHARGER.id },
  space: SPACE,
  brief: [line('rangeRound', true, 120), line('axleShare', true, null, { school: 'original', tolerance: 0.05 })],
  library: LIBRARY,
  free: new Map([
    [MODULE.id, 10],
    [LIGHT.id, 14],
    [DRIVE.id, 1],
    [CHARGER.id, 1],
  ]),
  vehicle: VEHICLE,
  use: slots().use,
  newHoles: 0,
  work: slots().work,
  ...change,
});
function run(t: SearchTask): { last: SearchState; seen: SearchState[] } {
  const seen: SearchState[] = [];
  const steps = search(t);
  let step = steps.next();
  while (!step.done) {
    seen.push(step.value);
    step = steps.next();
  }
  return { last: step.value, seen };
}

/** Every combination one by one, with nothing ruled out early and every figure from a sheet of its own. */
function bruteForce(t: SearchTask): { front: readonly Candidate[]; good: number; total: number } {
  const front = createFront<Candidate>();
  const lines = firmLines(t.brief);
  let [good, total] = [0, 0];
  const vectors = t.space.bays.reduce<number[][]>(
    (all, { most }) => all.flatMap((v) => Array.from({ length: most + 1 }, (_, n) => [...v, n])),
    [[]],
  );
  for (const { moduleId, available } of t.space.modules)
    for (const strings of t.space.strings)
      for (const { driveId, inverterId, gears } of t.space.drives)
        for (const gear of gears)
          for (const chargerId of t.space.chargerIds)
            for (const counts of vectors) {
              total++;
              const choice: Choice = { moduleId, strings, driveId, inverterId, gear, chargerId, counts };
              const design = designOf(searchBase(t.base), t.space, choice);
              const modules = counts.reduce((sum, n) => sum + n, 0);
              const sheet = createSheet(resolveDesign({ ...t, design }));
              const full = sheet.get(FIGURES.packVoltageFull).value;
              const empty = sheet.get(FIGURES.packVoltageEmpty).value;
              const sag = sheet.get(FIGURES.packSagVoltage).value;
              const window = windowOf(design, t.library);
              if (full === null || empty === null || sag === null || modules > (available ?? Number.POSITIVE_INFINITY))
                continue;
              if (full > window.maxV + 1e-9 || empty < window.minV - 1e-9 || sag < window.minV - 1e-9) continue;
              if (sheet.slots.pack.boxes.some((box) => box.massKg > box.bay.maxMassKg)) continue;
              if (overload(sheet) || brokenLine(lines, sheet)) continue;
              const objectives = objectivesOf(sheet, shareAim(t.brief, sheet));
              if (!objectives) continue;
              good++;
              front.offer({ choice, objectives });
            }
  return { front: front.members(), good, total };
}
const inOrder = (front: readonly Candidate[]) => front.map((one) => JSON.stringify(one.objectives)).sort();

describe('the search against brute force', () => {
  test.each([
    ['range and share firm', {}],
    ['no firm line', { brief: [] }],
    ['hill and price firm', { brief: [line('hillStart', true, 0.2), line('priceCeiling', true, 1_400_000)] }],
    [
      'equal shares wished, time firm',
      { brief: [line('axleShare', false, null, { school: 'equal', tolerance: 0.02 }), line('time0to50', true, 6.5)] },
    ],
    ['a line nothing holds', { brief: [line('rangeRound', true, 5000)] }],
    [
      'a light plate',
      {
        vehicle: {
          ...VEHICLE,
          figures: { ...VEHICLE.figures, grossMass: { value: 1330, source: 'library' as const } },
        },
      },
    ],
  ])('%s: the same front, the same number good, all counted', (_name, change) => {
    const t = task(change);
    const { last } = run(t);
    const brute = bruteForce(t);
    expect(inOrder(last.front)).toEqual(inOrder(brute.front));
    expect(last.good).toBe(brute.good);
    expect(last.total).toBe(brute.total);
    expect(last.looked).toBe(last.total);
    expect(last.good + Object.values(last.broke).reduce((sum, n) => sum + n, 0)).toBe(last.total);
    expect(last.done).toBe(true);
  });
  test('random small spaces', () => {
    const spaces = fc.record({
      rear: fc.integer({ min: 0, max: 7 }),
      front: fc.integer({ min: 0, max: 6 }),
      strings: fc.constantFrom([1], [2], [1, 2]),
      stock: fc.integer({ min: 0, max: 15 }),
      range: fc.integer({ min: 20, max: 260 }),
    });
    fc.assert(
      fc.property(spaces, ({ rear, front, strings, stock, range }) => {
        const t = task({
          space: {
            ...SPACE,
            strings,
            modules: [{ moduleId: MODULE.id, available: stock }],
            bays: [
              { bay: 'rear', most: rear },
              { bay: 'front', most: front },
            ],
          },
          brief: [line('rangeRound', true, range)],
        });
        const { last } = run(t);
        const brute = bruteForce(t);
        return last.good === brute.good && inOrder(last.front).join() === inOrder(brute.front).join();
      }),
      { numRuns: 12 },
    );
  });
  test('it hands out partial results that only grow, and can be left at any of them', () => {
    const { seen, last } = run(
      task({
        brief: [],
        space: { ...SPACE, bays: [...SPACE.bays], drives: Array.from({ length: 40 }, () => SPACE.drives[0]!) },
      }),
    );
    expect(seen.length).toBeGreaterThan(1);
    for (const [i, state] of seen.entries()) {
      expect(state.done).toBe(false);
      if (i > 0) expect(state.looked).toBeGreaterThan(seen[i - 1]!.looked);
    }
    expect(last.looked).toBe(last.total);
  });
  test('a component or bay the library does not have stops its combinations, not the search', () => {
    const { last } = run(
      task({ space: { ...SPACE, modules: [{ moduleId: 'gone', available: null }, ...SPACE.modules] } }),
    );
    expect(last.broke.incomplete).toBe(180);
    expect(last.good).toBeGreaterThan(0);
  });
  test('shifts of the design it starts from stay', () => {
    const base = { ...EMPTY_DESIGN, boxes: [{ bay: 'rear', modules: 3, shiftMm: -40, shiftYMm: 20 }] };
    const design = designOf(base, SPACE, {
      moduleId: 'm',
      strings: 1,
      driveId: 'd',
      inverterId: null,
      gear: null,
      chargerId: null,
      counts: [5, 0],
    });
    expect(design.boxes).toEqual([{ bay: 'rear', modules: 5, shiftMm: -40, shiftYMm: 20, shiftZMm: 0, hold: null }]);
  });
});

describe('the front', () => {
  const o = (rangeKm: number, priceCents: number, shift = 0, leadDays = 0): Objectives => ({
    rangeKm,
    priceCents,
    shift,
    leadDays,
  });
  test('dominates: as good in all, better in one', () => {
    expect(dominates(o(100, 50), o(90, 50))).toBe(true);
    expect(dominates(o(100, 50), o(100, 50))).toBe(false);
    expect(dominates(o(100, 60), o(90, 50))).toBe(false);
  });
  test('no member beats another, and everything offered is beaten or equalled by one', () => {
    const point = fc.tuple(
      fc.integer({ min: 0, max: 6 }),
      fc.integer({ min: 0, max: 6 }),
      fc.integer({ min: 0, max: 3 }),
      fc.integer({ min: 0, max: 2 }),
    );
    fc.assert(
      fc.property(fc.array(point, { maxLength: 60 }), (points) => {
        const front = createFront<{ objectives: Objectives }>();
        const all = points.map(([r, p, s, d]) => ({ objectives: o(r, p, s, d) }));
        for (const one of all) front.offer(one);
        const kept = front.members();
        const clean = kept.every((a) => kept.every((b) => !dominates(a.objectives, b.objectives)));
        const covered = all.every((a) =>
          kept.some(
            (b) =>
              dominates(b.objectives, a.objectives) || JSON.stringify(a.objectives) === JSON.stringify(b.objectives),
          ),
        );
        return clean && covered;
      }),
    );
  });
});

describe('ranking and space', () => {
  test('wishes order the front, weights change the order, unmet ones are named', () => {
    const wishes = [line('rangeRound', false, 330), line('priceCeiling', false, 700_000)];
    const t = task({ brief: wishes });
    const { last } = run(t);
    const by = (weights: [string, number][]) => rankFront(t, last.front, new Map(weights));
    const far = by([
      ['rangeRound', 3],
      ['priceCeiling', 0],
    ])[0]!;
    const cheap = by([
      ['rangeRound', 0],
      ['priceCeiling', 3],
    ])[0]!;
    expect(far.objectives.rangeKm).toBeGreaterThanOrEqual(cheap.objectives.rangeKm);
    expect(cheap.objectives.priceCents).toBeLessThanOrEqual(far.objectives.priceCents);
    for (const { score, unmet } of by([])) {
      expect(score).toBeGreaterThanOrEqual(0);
      expect(score === 1).toBe(unmet.length === 0);
    }
  });
  test('without wishes all score one', () => {
    const t = task({ brief: [] });
    expect(rankFront(t, run(t).last.front, new Map()).every((one) => one.score === 1)).toBe(true);
  });
  test('only drives that couple, with an inverter where they have none, and every gear of a kept box', () => {
    const bare = {
      ...DRIVE,
      id: 'bare',
      sheet: { ...DRIVE.sheet, output: 'gearboxInput' as const, spline: 'S1', boltPattern: 'B1', hasInverter: false },
    };
    const alien = { ...DRIVE, id: 'alien', sheet: { ...DRIVE.sheet, spline: 'X9' } };
    const small = fitting('inverter', 'Small', { minV: 100, maxV: 420, maxCurrentA: 100 });
    const big = { ...fitting('inverter', 'Big', { minV: 100, maxV: 420, maxCurrentA: 600 }), priceCents: 90_000 };
    const library = new Map<string, Component>(
      [DRIVE, bare, alien, small, big].map((part) => [part.id, part as Component]),
    );
    expect(drivesFor(VARIANT, library)).toEqual([
      { driveId: DRIVE.id, inverterId: null, gears: [null] },
      { driveId: 'bare', inverterId: 'big', gears: [1, 2, 3, 4] },
    ]);
    expect(inverterFor(bare, new Map([[small.id, small as Component]]))).toBeNull();
    expect(drivesFor(VARIANT, new Map([[bare.id, bare as Component]]))).toEqual([]);
  });
  test('the whole space knows stock and what a bay can take', () => {
    const space = wholeSpace(VARIANT, LIBRARY, new Map([[MODULE.id, 4]]), EMPTY_DESIGN, false);
    expect(space.modules.map((one) => one.available)).toEqual([4, 0]);
    expect(space.bays.map((one) => one.bay)).toEqual([BAY.name, 'front']);
    expect(space.bays[0]!.most).toBeGreaterThan(10);
    expect(wholeSpace(VARIANT, LIBRARY, new Map(), EMPTY_DESIGN, true).modules[0]!.available).toBeNull();
  });
});
