import { describe, expect, test } from 'vitest';
import { wrongs } from '../../core/plan/checkPlan.fixture.ts';
import { makePlan } from '../../core/plan/plan.ts';
import { job, person, problem, stage } from '../../core/plan/workshop.fixture.ts';
import { seeded } from '../../core/spread/seeded.ts';

/** All orders of so many things. */
function orders(n: number): number[][] {
  if (n === 0) return [[]];
  return orders(n - 1).flatMap((order) => Array.from({ length: n }, (_, at) => order.toSpliced(at, 0, n - 1)));
}

// Smith (1956), from memory: on one machine the weighted sum of ends is least in the order of minutes over weight.
describe('one person after another, by minutes over weight', () => {
  test.each([1, 2, 3, 4, 5, 6])('case %i', (seed) => {
    const random = seeded(seed);
    const jobs = Array.from({ length: 7 }, (_, i) => ({
      id: `j${i}`,
      minutes: 10 + Math.floor(random() * 200),
      weight: 1 + Math.floor(random() * 5),
    }));
    const shop = problem({
      jobs: jobs.map(({ id, weight }) => job(id, { weight })),
      stages: jobs.map(({ id, minutes }) => stage(id, { jobId: id, minutes })),
    });
    const plan = makePlan(shop, { seed: 1, passes: 400 });
    let now = 0;
    let least = 0;
    for (const { minutes, weight } of jobs.toSorted((a, b) => a.minutes / a.weight - b.minutes / b.weight)) {
      now += minutes;
      least += (weight * now) / 60;
    }
    expect(plan.cost.ends).toBeCloseTo(least, 9);
    // The bound by mean busy times is exact here, so that the best is known to be the best.
    expect(plan.bound).toBeCloseTo(least, 6);
    expect(plan.gap).toBeLessThan(1e-9);
  });
});

// Weighted tardiness on one machine, hard since Lawler (1977); judged by trying every order.
describe('one person, promises that cannot all be kept', () => {
  test.each([1, 2, 3, 4])('case %i is the best of 720 orders', (seed) => {
    const random = seeded(seed * 101);
    const jobs = Array.from({ length: 6 }, (_, i) => {
      const minutes = 20 + Math.floor(random() * 200);
      return { id: `j${i}`, minutes, weight: 1 + Math.floor(random() * 4), due: minutes + Math.floor(random() * 350) };
    });
    const cost = (order: readonly number[]) => {
      let now = 0;
      let sum = 0;
      for (const at of order) {
        const { minutes, weight, due } = jobs[at]!;
        now += minutes;
        sum += (100 * weight * Math.max(0, now - due) + weight * now + minutes / 4) / 60;
      }
      return sum;
    };
    const best = Math.min(...orders(6).map(cost));
    const shop = problem({
      jobs: jobs.map(({ id, weight, due }) => job(id, { weight, due })),
      stages: jobs.map(({ id, minutes }) => stage(id, { jobId: id, minutes })),
    });
    const { cost: found, bound } = makePlan(shop, { seed: 1, passes: 3000 });
    expect(100 * found.late + found.ends + found.inProgress / 4).toBeCloseTo(best, 6);
    expect(bound).toBeLessThanOrEqual(best);
  });
});

// Johnson (1954), from memory: two machines, each job on the first and then on the second. Jobs that are quicker on the
// first go first, the quickest of them at the head; the others by the second, the quickest last.
describe('two machines in a row', () => {
  const makespan = (jobs: readonly (readonly [number, number])[]) => {
    let [first, second] = [0, 0];
    for (const [a, b] of jobs) {
      first += a;
      second = Math.max(first, second) + b;
    }
    return second;
  };
  const johnson = (jobs: readonly (readonly [number, number])[]) => [
    ...jobs.filter(([a, b]) => a < b).toSorted((p, q) => p[0] - q[0]),
    ...jobs.filter(([a, b]) => a >= b).toSorted((p, q) => q[1] - p[1]),
  ];
  const planned = (jobs: readonly (readonly [number, number])[]) => {
    const shop = problem({
      jobs: [job('j', { due: 0 })],
      people: jobs.map((_, i) => person(`p${i}`)),
      tools: ['a', 'b'].map((id) => ({ id, kind: id, off: [] })),
      stages: jobs.flatMap(([a, b], i) => [
        stage(`${i}a`, { tools: ['a'], minutes: a }),
        stage(`${i}b`, { tools: ['b'], minutes: b, after: [`${i}a`] }),
      ]),
    });
    const plan = makePlan(shop, { seed: 1, passes: 3000 });
    expect(wrongs(shop, plan.stages)).toEqual([]);
    return plan;
  };
  test('the usual example: C, A, D, E, B in 24', () => {
    const jobs = [
      [3, 6],
      [5, 2],
      [1, 2],
      [6, 6],
      [7, 5],
    ] as const;
    expect(makespan(johnson(jobs))).toBe(24);
    expect(planned(jobs).jobs[0]!.end).toBe(24);
  });
  test.each([1, 2, 3, 4, 5, 6])('case %i of eight jobs', (seed) => {
    const random = seeded(seed * 13);
    const jobs = Array.from(
      { length: 8 },
      () => [5 + Math.floor(random() * 90), 5 + Math.floor(random() * 90)] as const,
    );
    const plan = planned(jobs);
    expect(plan.jobs[0]!.end).toBe(makespan(johnson(jobs)));
    expect((plan.bound * 60) / 101).toBeLessThanOrEqual(makespan(johnson(jobs)) + 1e-6);
  });
});
