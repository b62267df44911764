import { describe, expect, test } from 'vitest';
import { seeded } from '../spread/seeded.ts';
import { makePlan } from './plan.ts';
import type { PlanProblem } from './problem.ts';
import { howSure, lateBy, type SureOptions, triangular, USUAL_SPREAD } from './sure.ts';
import { bigWorkshop, job, person, problem, stage } from './workshop.fixture.ts';

function sure(of: PlanProblem, change: Partial<SureOptions> = {}) {
  const plan = makePlan(of, { seed: 1, passes: 12 });
  const steps = howSure(of, plan.stages, {
    ...{ runs: 4000, seed: 1, spreadOf: () => USUAL_SPREAD, latenessOf: () => null },
    ...change,
  });
  let told = 0;
  for (;;) {
    const step = steps.next();
    if (step.done) return { jobs: step.value, told, plan };
    told++;
  }
}
const chain = (minutes: readonly number[], more: Partial<PlanProblem> = {}) =>
  problem({
    stages: minutes.map((one, i) => stage(`s${i}`, { minutes: one, after: i > 0 ? [`s${i - 1}`] : [] })),
    ...more,
  });

describe('a draw from a triangle', () => {
  test('has its mean and variance: (a + b + c) / 3, (a² + b² + c² − ab − ac − bc) / 18', () => {
    const random = seeded(3);
    const draws = Array.from({ length: 200_000 }, () => triangular(random(), { least: 0.8, likeliest: 1, most: 1.6 }));
    const mean = draws.reduce((sum, one) => sum + one, 0) / draws.length;
    const variance = draws.reduce((sum, one) => sum + (one - mean) ** 2, 0) / draws.length;
    expect(mean).toBeCloseTo(3.4 / 3, 3);
    expect(variance).toBeCloseTo((0.64 + 1 + 2.56 - 0.8 - 1.28 - 1.6) / 18, 3);
  });
  test('without a spread is what it is', () => {
    expect(triangular(0.3, { least: 1, likeliest: 1, most: 1 })).toBe(1);
  });
});

describe('how sure a plan is', () => {
  test('a chain of ten: half and nine in ten as the sum of ten triangles has them, within the error of the runs', () => {
    const { jobs, told } = sure(chain(Array.from({ length: 10 }, () => 600)));
    const { least: a, likeliest: c, most: b } = USUAL_SPREAD;
    const mean = 6000 * ((a + b + c) / 3);
    const deviation = Math.sqrt(10) * 600 * Math.sqrt((a * a + b * b + c * c - a * b - a * c - b * c) / 18);
    // The sum of ten is near enough to normal: 1.2816 deviations for nine in ten (tables of the normal distribution).
    expect(jobs[0]!.half).toBeGreaterThan(mean - 0.08 * deviation);
    expect(jobs[0]!.half).toBeLessThan(mean + 0.05 * deviation);
    expect(jobs[0]!.nineInTen).toBeGreaterThan(mean + 1.2 * deviation);
    expect(jobs[0]!.nineInTen).toBeLessThan(mean + 1.37 * deviation);
    expect(told).toBe(100);
  });
  test('without any spread it ends as planned, and the promise is kept or not', () => {
    const still = { spreadOf: () => ({ least: 1, likeliest: 1, most: 1 }), runs: 20 };
    const of = { ...bigWorkshop(3) };
    const { jobs, plan } = sure(of, still);
    for (const one of jobs) {
      const planned = plan.jobs.find(({ id }) => id === one.id)!;
      // Never later than planned; sooner only where the plan itself had waited by choice.
      expect(one.nineInTen).toBeLessThanOrEqual(planned.end + 1);
      expect(one.kept).toBe(planned.late > 0 ? 0 : 1);
      expect(one.drives).toBeNull();
    }
    expect(sure(chain([60], { jobs: [job('j', { due: 59 })] }), still).jobs[0]!.kept).toBe(0);
    expect(sure(chain([60]), still).jobs[0]!.kept).toBeNull();
  });
  test('the longest and least sure stage drives it; a supplier’s lateness moves it', () => {
    const of = chain([60, 1200, 60]);
    expect(sure(of).jobs[0]!.drives).toMatchObject({ stageId: 's1' });
    expect(sure(of).jobs[0]!.drives!.share).toBeGreaterThan(0.9);
    const waits = { ...of, stages: of.stages.map((one) => (one.id === 's0' ? { ...one, earliest: 500 } : one)) };
    const late = sure(waits, { latenessOf: (id) => (id === 's0' ? { median: 900, most: 2000 } : null) });
    expect(late.jobs[0]!.half).toBeGreaterThan(sure(waits).jobs[0]!.half + 700);
  });
  test('two jobs by one person: the second bears what happens to the first', () => {
    const of = problem({
      jobs: [job('j', { due: 600 }), job('k', { due: 1200 })],
      people: [person('a')],
      stages: [stage('x', { minutes: 600 }), stage('y', { jobId: 'k', minutes: 600 })],
    });
    const [first, second] = sure(of).jobs;
    expect(second!.half).toBeGreaterThan(first!.half + 550);
    expect(second!.kept!).toBeLessThan(first!.kept! + 0.1);
  });
  test('the same seed says the same', () => {
    expect(sure(bigWorkshop(4), { runs: 200 }).jobs).toEqual(sure(bigWorkshop(4), { runs: 200 }).jobs);
  });

  test('a plan that is older than the network, or begun in the past, is run through in the order things wait', () => {
    // As stored yesterday: the second stood before the first, and both before now.
    const of = problem({
      people: [person('a'), person('b')],
      stages: [stage('x', { minutes: 100 }), stage('y', { minutes: 50, after: ['x'] })],
    });
    const at = (id: string, start: number, who: string) => ({
      ...{ id, start, end: start + 60, people: [who], placeId: null, tools: [], causes: [] },
    });
    const steps = howSure(of, [at('y', -300, 'a'), at('x', -60, 'b')], {
      ...{ runs: 50, seed: 1, spreadOf: () => ({ least: 1, likeliest: 1, most: 1 }), latenessOf: () => null },
    });
    let step = steps.next();
    while (!step.done) step = steps.next();
    expect(step.value[0]).toMatchObject({ half: 150, nineInTen: 150 });
  });
  test('a vehicle waits for its own work elsewhere and for whoever is in its bay, whichever is over later', () => {
    const bays = ['a', 'b'].map((id) => ({ id, traits: [], off: [] }));
    const of = problem({
      jobs: [job('j'), job('k')],
      ...{ people: ['p', 'q', 'r'].map((id) => person(id)), places: bays },
      stages: [
        stage('own', { minutes: 100, at: 'vehicle' }),
        stage('other', { jobId: 'k', minutes: 100, at: 'vehicle' }),
        stage('next', { minutes: 10, at: 'vehicle' }),
      ],
    });
    const at = (id: string, start: number, end: number, who: string, placeId: string) => ({
      ...{ id, start, end, people: [who], placeId, tools: [], causes: [] },
    });
    const plan = [at('own', 0, 100, 'p', 'a'), at('other', 0, 100, 'q', 'b'), at('next', 130, 140, 'r', 'b')];
    const late = (which: string) => {
      const steps = howSure(of, plan, {
        ...{ runs: 20, seed: 1, latenessOf: () => null },
        spreadOf: (id) => (id === which ? { least: 3, likeliest: 3, most: 3 } : { least: 1, likeliest: 1, most: 1 }),
      });
      let step = steps.next();
      while (!step.done) step = steps.next();
      return step.value.find(({ id }) => id === 'j')!.half;
    };
    expect([late('own'), late('other'), late('')]).toEqual([340, 340, 140]);
  });
});

describe('a supplier’s lateness', () => {
  test.each([
    { median: 0, most: 20 },
    { median: 4, most: 20 },
    { median: 6, most: 6 },
  ])('has its own median and its own most: %o', (late) => {
    const random = seeded(7);
    const drawn = Float64Array.from({ length: 20_000 }, () => lateBy(random(), late)).sort();
    expect(drawn[10_000]).toBeCloseTo(late.median, 0);
    expect(drawn.at(-1)!).toBeLessThanOrEqual(late.most);
    expect(drawn.at(-1)!).toBeGreaterThan(0.9 * late.most);
    expect(drawn[0]).toBeGreaterThanOrEqual(0);
  });
});

test('a firm with one slot takes the second vehicle when the first is back, however long that was', () => {
  const away = { people: 0, mostPeople: 0, firmId: 'paint', at: 'away' as const, minutes: 100 };
  const shop = problem({
    jobs: [job('j'), job('k')],
    stages: [stage('x', away), stage('y', { ...away, jobId: 'k' })],
    firms: [{ id: 'paint', capacity: 1, off: [] }],
  });
  const plan = makePlan(shop, { seed: 1, passes: 4 });
  const first = plan.stages.toSorted((a, b) => a.start - b.start)[0]!.id;
  const steps = howSure(shop, plan.stages, {
    ...{ runs: 20, seed: 1, latenessOf: () => null },
    spreadOf: (id) => (id === first ? { least: 3, likeliest: 3, most: 3 } : { least: 1, likeliest: 1, most: 1 }),
  });
  let step = steps.next();
  while (!step.done) step = steps.next();
  expect(step.value.map(({ half }) => half).toSorted((a, b) => a - b)).toEqual([300, 400]);
});
