import fc from 'fast-check';
import highsLoader from 'highs';
import { beforeAll, describe, expect, test } from 'vitest';
import { highsSolver } from '../milp/highs.ts';
import type { Solver } from '../milp/solver.ts';
import { boxGaps } from '../pack/boxGaps.ts';
import type { Bay } from '../vehicle/variant.ts';
import { WEIGHTS } from './model.ts';
import { type Layout, layoutOf, layouts, type NoLayout } from './solve.ts';
import { type Filling, fillingsOf, LAYOUT_AIMS, type LayoutTask, overlap } from './task.ts';

let solve: Solver;
beforeAll(async () => {
  solve = highsSolver(await highsLoader());
});

const bay = (key: string, xMm: number, part: Partial<Bay> = {}): Bay => ({
  ...{ key, name: key, xMm, yMm: 0, zMm: 400, lengthMm: 700, widthMm: 600, heightMm: 400 },
  ...{ maxMassKg: 250, inside: false, access: '', source: 'drawing' },
  ...part,
});
const task = (part: Partial<LayoutTask> = {}): LayoutTask => ({
  module: { lengthMm: 360, widthMm: 150, heightMm: 110, massKg: 12 },
  modules: 12,
  bays: [bay('front', -100), bay('middle', 1200), bay('rear', 2500)].map((one) => ({ bay: one, use: 'may' })),
  clearanceMm: 10,
  wheelbaseMm: 2400,
  unladen: { massKg: 800, momentKgMm: 800 * 1100 },
  laden: { massKg: 1150, momentKgMm: 800 * 1100 + 350 * 1800 },
  aimShare: 0.5,
  ...{ frontRatingKg: 900, rearRatingKg: 900, grossKg: 1600, hubXMm: 0, aim: 'weight' },
  ...part,
});
const all = (of: LayoutTask, most = 4): { found: Layout[]; why: NoLayout | null } => {
  const found: Layout[] = [];
  const steps = layouts(of, solve, { most });
  for (;;) {
    const step = steps.next();
    if (step.done) return { found, why: step.value };
    found.push(step.value);
  }
};

/** Every division of the modules over the bays, tried one by one; where boxes stand by intervals, no solver. */
function bruteForce(of: LayoutTask): number {
  const fillings = fillingsOf(of);
  const { unladen, laden, wheelbaseMm: wb, aimShare, bays, hubXMm } = of;
  let best = Number.POSITIVE_INFINITY;
  const walk = (at: number, left: number, chosen: readonly Filling[]): void => {
    if (at === bays.length) {
      if (left === 0) best = Math.min(best, objective(chosen));
      return;
    }
    if (bays[at]!.use !== 'must') walk(at + 1, left, chosen);
    for (const filling of fillings)
      if (
        filling.bay === at &&
        filling.modules <= left &&
        !chosen.some((one) => overlap(bays[one.bay]!.bay, bays[at]!.bay))
      )
        walk(at + 1, left - filling.modules, [...chosen, filling]);
  };
  const objective = (chosen: readonly Filling[]): number => {
    const mass = chosen.reduce((total, { massKg }) => total + massKg, 0);
    if (laden.massKg + mass > of.grossKg) return Number.POSITIVE_INFINITY;
    // All moments the boxes can make, cut to what the axles bear.
    const ends = (end: 'fromXMm' | 'toXMm') => chosen.reduce((total, one) => total + one.massKg * one[end], 0);
    const from = Math.max(ends('fromXMm'), (laden.massKg + mass - of.frontRatingKg) * wb - laden.momentKgMm);
    const to = Math.min(ends('toXMm'), of.rearRatingKg * wb - laden.momentKgMm);
    if (from > to + 1e-6) return Number.POSITIVE_INFINITY;
    const wanted = (1 - aimShare) * (unladen.massKg + mass) * wb - unladen.momentKgMm;
    const moment = Math.min(to, Math.max(from, wanted));
    const places = [hubXMm, ...chosen.map((one) => bays[one.bay]!.bay.xMm)];
    const weights = WEIGHTS[of.aim];
    return (
      (weights.kg * Math.abs(wanted - moment)) / wb +
      (weights.m * 2 * (Math.max(...places) - Math.min(...places))) / 1000 +
      weights.box * chosen.length
    );
  };
  walk(0, of.modules, []);
  return best;
}

describe('layouts', () => {
  test('by hand: half the mass in front of the middle and half behind it keeps an even vehicle even', () => {
    // 800 kg with its centre in the middle of 2400 mm; two bays as far from it: six modules each way.
    const even = task({
      unladen: { massKg: 800, momentKgMm: 800 * 1200 },
      bays: [bay('front', 200), bay('rear', 2200)].map((one) => ({ bay: one, use: 'may' })),
    });
    const [best] = all(even).found;
    expect(best).toMatchObject({ optimal: true, gap: 0 });
    expect(best?.boxes.map(({ modules }) => modules)).toEqual([6, 6]);
    expect(best?.frontShare).toBeCloseTo(0.5, 9);
    // The hub lies on the front axle: there and back to the rear bay.
    expect(best?.cableM).toBeCloseTo(4.4);
  });

  test('a bay that must be used is, one that may not is not; what shares room holds one box', () => {
    const bays = task().bays.map(({ bay: own }, i) => ({ bay: own, use: (['must', 'not', 'may'] as const)[i]! }));
    for (const { boxes } of all(task({ bays, modules: 10 })).found) {
      expect(boxes.some(({ bay: key }) => key === 'front')).toBe(true);
      expect(boxes.some(({ bay: key }) => key === 'middle')).toBe(false);
    }
    const same = [bay('front', -100), bay('shelf', 100), bay('rear', 2500)];
    const { found } = all(task({ bays: same.map((one) => ({ bay: one, use: 'may' as const })) }));
    expect(found.length).toBeGreaterThan(0);
    for (const { boxes } of found)
      expect(boxes.filter(({ bay: key }) => key === 'front' || key === 'shelf').length).toBeLessThan(2);
  });

  test('says why there is none', () => {
    expect(all(task({ modules: 400 }))).toEqual({ found: [], why: 'noRoom' });
    expect(all(task({ grossKg: 1200 }))).toEqual({ found: [], why: 'noLayout' });
    expect(all(task({ rearRatingKg: 300 }))).toEqual({ found: [], why: 'noLayout' });
  });

  const anyTask = fc
    .record({
      modules: fc.integer({ min: 1, max: 14 }),
      xs: fc.array(fc.integer({ min: -400, max: 2900 }), { minLength: 1, maxLength: 4 }),
      sizes: fc.infiniteStream(fc.integer({ min: 300, max: 900 })),
      masses: fc.infiniteStream(fc.integer({ min: 40, max: 250 })),
      uses: fc.infiniteStream(fc.constantFrom('may', 'may', 'may', 'must', 'not')),
      aim: fc.constantFrom(...LAYOUT_AIMS),
      aimShare: fc.double({ min: 0.35, max: 0.65, noNaN: true }),
      ratings: fc.integer({ min: 600, max: 1100 }),
      hubXMm: fc.integer({ min: -200, max: 2600 }),
    })
    .map(({ modules, xs, sizes, masses, uses, aim, aimShare, ratings, hubXMm }) =>
      task({
        ...{ modules, aim, aimShare, hubXMm, frontRatingKg: ratings, rearRatingKg: ratings + 100 },
        bays: xs.map((x, i) => ({
          bay: bay(`b${i}`, x, {
            ...{ lengthMm: sizes.next().value, widthMm: sizes.next().value, maxMassKg: masses.next().value },
          }),
          use: uses.next().value as 'may',
        })),
      }),
    );

  test('are as good as trying every division one by one, on small cases', () => {
    fc.assert(
      fc.property(anyTask, (of) => {
        const best = bruteForce(of);
        const { found } = all(of, 1);
        if (!Number.isFinite(best)) return found.length === 0;
        return found.length === 1 && found[0]!.optimal && Math.abs(found[0]!.objective - best) < 1e-4;
      }),
      { numRuns: 150 },
    );
  });

  test('never overlap, never leave a bay or its mass, keep both axles; the best comes first and none twice', () => {
    fc.assert(
      fc.property(anyTask, (of) => {
        const { found } = all(of, 3);
        const names = found.map(({ boxes }) => boxes.map(({ bay: key, modules }) => `${key} ${modules}`).join());
        if (new Set(names).size !== names.length) return false;
        if (found.some(({ objective }, i) => i > 0 && objective < found[i - 1]!.objective - 1e-6)) return false;
        return found.every(({ boxes, frontLadenKg, rearLadenKg }) => {
          const stand = boxes.map((box) => {
            const own = of.bays.find(({ bay: { key } }) => key === box.bay)!.bay;
            const { outer } = box.how;
            const bottom = own.zMm - own.heightMm / 2;
            return { bay: own, outer, xMm: own.xMm + box.shiftMm, yMm: own.yMm, zMm: bottom + outer.heightMm / 2, box };
          });
          const tightest = Math.min(
            ...boxGaps(stand)
              .filter(({ to }) => / of the bay$/.test(to))
              .map(({ gapMm }) => gapMm),
          );
          const clash = boxGaps(stand).some(({ to, gapMm }) => / box$/.test(to) && gapMm < -1e-6);
          return (
            !clash &&
            (boxes.length === 0 || tightest >= of.clearanceMm - 1e-6) &&
            stand.every(({ bay: { maxMassKg }, box }) => box.massKg <= maxMassKg) &&
            boxes.reduce((total, { modules }) => total + modules, 0) === of.modules &&
            frontLadenKg <= of.frontRatingKg + 1e-4 &&
            rearLadenKg <= of.rearRatingKg + 1e-4
          );
        });
      }),
      { numRuns: 80 },
    );
  });

  test('24 modules into 4 bays', () => {
    const bays = [-200, 700, 1600, 2600].map((x, i) => ({ bay: bay(`b${i}`, x), use: 'may' as const }));
    const { found } = all(task({ bays, modules: 24, grossKg: 1900, frontRatingKg: 1100, rearRatingKg: 1100 }));
    expect(found).toHaveLength(4);
    expect(found.every(({ optimal }) => optimal)).toBe(true);
  });

  test('figures are by plain moments', () => {
    const of = task();
    const [filling] = fillingsOf(of).filter(({ bay: at, modules }) => at === 2 && modules === 4);
    const { frontShare, rearLadenKg } = layoutOf(of, [{ filling: filling!, xMm: 2500 }]);
    const rear = (800 * 1100 + filling!.massKg * 2500) / 2400;
    expect(frontShare).toBeCloseTo(1 - rear / (800 + filling!.massKg), 12);
    expect(rearLadenKg).toBeCloseTo((800 * 1100 + 350 * 1800 + filling!.massKg * 2500) / 2400, 9);
  });
});
