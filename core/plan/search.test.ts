import { describe, expect, test } from 'vitest';
import { seeded } from '../spread/seeded.ts';
import { decode } from './decode.ts';
import { groundOf } from './ground.ts';
import { latestStarts } from './orders.ts';
import { costOf } from './outcome.ts';
import { makePlan, Planner } from './plan.ts';
import { costSum } from './problem.ts';
import { bigWorkshop, randomProblem } from './workshop.fixture.ts';

/** The least cost after so many passes of one run. */
function after(planner: Planner, marks: readonly number[]): number[] {
  const sums: number[] = [];
  for (const { passes, cost } of planner.steps()) if (marks.includes(passes)) sums.push(costSum(cost));
  return sums;
}

describe('going on with a plan', () => {
  test('never makes it worse, whatever the workshop', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const problem = randomProblem(seeded(seed * 31), 4);
      const [few, more, most] = [50, 300, 1000].map((passes) => makePlan(problem, { seed, passes }));
      const missing = few!.impossible.length;
      expect([more!.impossible.length, most!.impossible.length], `seed ${seed}`).toEqual([missing, missing]);
      expect(costSum(more!.cost), `seed ${seed}`).toBeLessThanOrEqual(costSum(few!.cost));
      expect(costSum(most!.cost), `seed ${seed}`).toBeLessThanOrEqual(costSum(more!.cost));
    }
  });
  test.each([1, 2, 3, 4])('gains all along on a busy workshop, seed %i', (seed) => {
    const [rules, some, many] = after(new Planner(bigWorkshop(6), { seed, passes: 600 }), [9, 60, 600]);
    expect(some).toBeLessThan(rules!);
    expect(many).toBeLessThan(some!);
  });
  test('finds more than as many orders taken by chance', () => {
    const problem = bigWorkshop(20);
    const ground = groundOf(problem);
    const gates = new Float64Array(problem.jobs.length);
    const latest = latestStarts(ground);
    for (let seed = 1; seed <= 3; seed++) {
      const random = seeded(seed);
      const byChance = Array.from({ length: 120 }, () => {
        // Whole jobs in an order of chance: stages in an order of chance do far worse.
        const turns = problem.jobs.map(() => 1e7 * random());
        const keys = Float64Array.from(ground.tasks, ({ job, index }) => turns[job]! + latest[index]!);
        return costSum(costOf(ground, decode(ground, { keys, gates }), null).cost);
      });
      expect(costSum(makePlan(problem, { seed, passes: 120 }).cost)).toBeLessThan(Math.min(...byChance));
    }
  });
  test('its own order gives a plan back, and going on from it begins there', () => {
    for (let seed = 1; seed <= 10; seed++) {
      const problem = randomProblem(seeded(seed * 17), 4);
      const plan = makePlan(problem, { seed, passes: 80 });
      const ground = groundOf(problem);
      const of = new Map(plan.stages.map((one) => [one.id, one]));
      const keys = Float64Array.from(ground.tasks, ({ stage }) => of.get(stage.id)?.key ?? 0);
      const gates = new Float64Array(problem.jobs.length);
      for (const { stage, job } of ground.tasks) gates[job] = Math.max(gates[job]!, of.get(stage.id)?.gate ?? 0);
      expect(costSum(costOf(ground, decode(ground, { keys, gates }), null).cost)).toBe(costSum(plan.cost));
      const again = makePlan(problem, { seed: seed + 1, passes: 1, before: plan.stages });
      expect(again.stages.map(({ id, start, end }) => [id, start, end])).toEqual(
        plan.stages.map(({ id, start, end }) => [id, start, end]),
      );
    }
  });
});

describe('days that have been told', () => {
  // Promises can be kept here: where they cannot, a day is moved for what it saves others.
  const problem = bigWorkshop(60);
  const plan = makePlan(problem, { seed: 1, passes: 60 });
  const ends = (jobs: readonly { readonly id: string; readonly end: number }[]) =>
    new Map(jobs.map(({ id, end }) => [id, end]));
  test.each([
    'v2 cooling',
    'v6 cooling',
    'v13 connectors',
    'v17 receive',
  ])('a day later for %s puts off what hangs on it, and little else', (id) => {
    const was = plan.stages.find((one) => one.id === id)!;
    const late = {
      ...problem,
      stages: problem.stages.map((one) => (one.id === id ? { ...one, earliest: was.start + 450 } : one)),
    };
    const [told, glance, whole] = [
      ends(plan.jobs),
      ends(makePlan(late, { seed: 1, passes: 3, before: plan.stages }).jobs),
      ends(makePlan(late, { seed: 1, passes: 20, before: plan.stages }).jobs),
    ];
    const moved = [...told].filter(([job, end]) => whole.get(job)! - end >= 450);
    expect(moved.length).toBeLessThanOrEqual(5);
    // Without what was told, most of them move.
    const unasked = ends(makePlan({ ...late, toldHours: 0 }, { seed: 1, passes: 60 }).jobs);
    expect(moved.length).toBeLessThanOrEqual([...told].filter(([job, end]) => unasked.get(job)! - end >= 450).length);
    // What is shown while a stage is carried is what the plan then says, to the day.
    const off = [...glance].filter(([job, end]) => whole.get(job)! - end > 450);
    expect(off.length).toBeLessThanOrEqual(1);
  });
});
