import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { seeded } from '../spread/seeded.ts';
import { wrongs } from './checkPlan.fixture.ts';
import { makePlan } from './plan.ts';
import { costSum } from './problem.ts';
import { bigWorkshop, job, person, problem, randomProblem, stage } from './workshop.fixture.ts';

describe('a plan', () => {
  test('of any workshop holds every rule there is, by a checker of its own', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), (seed) => {
        const problem = randomProblem(seeded(seed));
        const plan = makePlan(problem, { seed, passes: 12 });
        expect(wrongs(problem, plan.stages)).toEqual([]);
        expect(plan.stages.length + plan.impossible.length).toBe(problem.stages.length);
        expect(plan.gap).toBeGreaterThanOrEqual(0);
        expect(100 * plan.cost.late + plan.cost.ends).toBeGreaterThanOrEqual(plan.bound - 1e-6);
      }),
      { numRuns: 1000 },
    );
  });
  test('is the same for the same problem and seed', () => {
    const problem = randomProblem(seeded(7), 5);
    expect(makePlan(problem, { seed: 3 })).toEqual(makePlan(problem, { seed: 3 }));
  });
  test('is never worse than the one before where more is there', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), (seed) => {
        const problem = randomProblem(seeded(seed));
        const before = makePlan(problem, { seed, passes: 20 });
        const more = {
          ...problem,
          people: [
            ...problem.people,
            { id: 'new', skills: ['mechanical', 'electrical', 'trim'], hvUntil: 1e9, off: [] },
          ],
          stages: problem.stages.map((one) => ({ ...one, earliest: Math.floor(one.earliest / 2) })),
        };
        const after = makePlan(more, { seed, passes: 20, before: before.stages });
        if (before.impossible.length === after.impossible.length)
          expect(costSum(after.cost)).toBeLessThanOrEqual(costSum(before.cost) + 1e-6);
        expect(wrongs(more, after.stages)).toEqual([]);
      }),
      { numRuns: 200 },
    );
  });

  test('where everybody and everything is free, each job takes its longest way, and that is proved the best', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), (seed) => {
        const random = seeded(seed);
        const jobs = ['a', 'b', 'c'].map((id) => job(id));
        const stages = jobs.flatMap(({ id }) =>
          Array.from({ length: 6 }, (_, i) =>
            stage(`${id}${i}`, {
              ...{ jobId: id, minutes: 1 + Math.floor(random() * 200), earliest: Math.floor(random() * 3) * 100 },
              after: Array.from({ length: i }, (_unused, n) => `${id}${n}`).filter(() => random() < 0.4),
            }),
          ),
        );
        const people = Array.from({ length: 18 }, (_, i) => person(`p${i}`));
        const given = problem({ jobs, stages, people });
        const plan = makePlan(given, { seed, passes: 0 });
        const ends = new Map<string, number>();
        for (const one of stages)
          ends.set(one.id, Math.max(one.earliest, ...one.after.map((id) => ends.get(id)!)) + one.minutes);
        for (const one of plan.jobs)
          expect(one.end).toBe(
            Math.max(...stages.filter(({ jobId }) => jobId === one.id).map(({ id }) => ends.get(id)!)),
          );
        expect(plan.gap).toBeLessThan(1e-9);
        // Going on may begin a job later and end it a little later, where it then lies about for so much less.
        expect(costSum(makePlan(given, { seed, passes: 6 }).cost)).toBeLessThanOrEqual(costSum(plan.cost) + 1e-6);
      }),
      { numRuns: 100 },
    );
  });
});

describe('what cannot be planned says why, and what waits for it with it', () => {
  const onlyOne = (change: Parameters<typeof stage>[1], more: Parameters<typeof problem>[0] = {}) =>
    makePlan(problem({ stages: [stage('one', change), stage('next', { after: ['one'] })], ...more }), { seed: 1 })
      .impossible;
  test.each([
    ['a skill nobody has', { skill: 'paint' }, {}, { kind: 'noSkill', skill: 'paint', people: 1 }],
    ['more people than there are', { people: 3, mostPeople: 3 }, {}, { kind: 'noSkill', skill: null, people: 3 }],
    ['live work without a second person', { liveHv: true, people: 2 }, {}, { kind: 'noSkill', skill: null, people: 2 }],
    [
      'live work with nobody authorised',
      { liveHv: true, people: 2 },
      { people: [person('a'), person('b')] },
      { kind: 'noPair' },
    ],
    ['a place there is none of', { at: 'vehicle', traits: ['lift'] }, {}, { kind: 'noPlace', traits: ['lift'] }],
    ['a tool there is none of', { tools: ['crimp'] }, {}, { kind: 'noTool', tool: 'crimp' }],
    ['a firm nobody knows', { people: 0, firmId: 'paint' }, {}, { kind: 'noFirm', firmId: 'paint' }],
    ['itself', { after: ['next'] }, {}, { kind: 'circle' }],
  ] as const)('%s', (_, change, more, why) => {
    const [first, second] = onlyOne(change as object, more as object);
    expect(first).toEqual({ stageId: 'one', why });
    expect(second?.stageId).toBe('next');
  });
  test('an authorisation that runs out before the work can be done', () => {
    const people = [person('a', { hvUntil: 100 }), person('b')];
    const late = onlyOne({ liveHv: true, people: 2, minutes: 120, earliest: 90 }, { people });
    expect(late[0]).toEqual({ stageId: 'one', why: { kind: 'noPair' } });
    expect(onlyOne({ liveHv: true, people: 2, minutes: 120 }, { people })).toEqual([]);
  });
});

describe('why a stage begins when it does', () => {
  const causesOf = (more: Parameters<typeof problem>[0], id: string) =>
    makePlan(problem(more), { seed: 1 }).stages.find((one) => one.id === id)!.causes[0];
  test('after another, for a part, for a person, for a place, for a tool, for a firm, because it has begun', () => {
    const twice = { jobs: [job('j'), job('k')], people: [person('a'), person('b')] };
    const [x, y] = [stage('x', { minutes: 50 }), stage('y', { jobId: 'k', minutes: 60 })];
    expect(causesOf({ stages: [x, { ...y, after: ['x'] }] }, 'y')).toEqual({ kind: 'after', stageId: 'x' });
    expect(causesOf({ stages: [{ ...x, earliest: 5 }] }, 'x')).toEqual({ kind: 'earliest' });
    expect(causesOf({ ...twice, people: [person('a')], stages: [x, y] }, 'y')).toEqual({
      ...{ kind: 'people', personId: 'a', stageId: 'x' },
    });
    const bay = { id: 'bay', traits: [], off: [] };
    const [inBay, next] = [x, y].map((one) => ({ ...one, at: 'vehicle' as const }));
    expect(causesOf({ ...twice, places: [bay], stages: [inBay!, next!] }, 'y')).toEqual({
      ...{ kind: 'place', placeId: 'bay', jobId: 'j' },
    });
    const tools = [{ id: 't1', kind: 'crimp', off: [] }];
    expect(causesOf({ ...twice, tools, stages: [x, y].map((one) => ({ ...one, tools: ['crimp'] })) }, 'y')).toEqual({
      ...{ kind: 'tool', tool: 'crimp', stageId: 'x' },
    });
    const firms = [{ id: 'f', capacity: 1, off: [] }];
    expect(
      causesOf({ ...twice, firms, stages: [x, y].map((one) => ({ ...one, people: 0, firmId: 'f' })) }, 'y'),
    ).toEqual({ kind: 'firm', firmId: 'f', stageId: 'x' });
    expect(causesOf({ stages: [{ ...x, begun: { placeId: null, people: ['a'] } }] }, 'x')).toEqual({ kind: 'begun' });
  });
});

test('the checker finds what is spoiled in a plan', () => {
  const whole = bigWorkshop(4);
  const plan = makePlan(whole, { seed: 1, passes: 6 });
  const spoil = (id: string, change: object) =>
    wrongs(
      whole,
      plan.stages.map((one) => (one.id === id ? { ...one, ...change } : one)),
    ).join('; ');
  const one = plan.stages.find(({ id }) => id === 'v1 connectors')!;
  expect(spoil(one.id, { start: one.start - 30, end: one.end - 30 })).toMatch(/is over/);
  expect(spoil(one.id, { end: one.end - 5 })).toMatch(/minutes of/);
  expect(spoil(one.id, { people: [] })).toMatch(/0 people/);
  expect(spoil(one.id, { placeId: null })).not.toBe('');
  expect(spoil(one.id, { tools: [] })).toMatch(/has $|has ;/);
  const power = plan.stages.find(({ id }) => id === 'v2 power')!;
  expect(spoil(power.id, { people: [power.people[0], power.people[0]] })).toMatch(/one person twice/);
  const other = plan.stages.find(({ id }) => id === 'v3 strip')!;
  expect(spoil('v1 strip', { start: other.start, end: other.end, placeId: other.placeId })).toMatch(/two vehicles/);
});
