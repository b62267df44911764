import { describe, expect, test } from 'vitest';
import { factBay, factJob as job, factPerson as person, planFactsOf, factStage as stage } from './facts.fixture.ts';
import type { FactJob, FactStage, PlanFacts } from './facts.ts';
import { candidates, helpMost } from './helpMost.ts';
import { withChanges } from './planChange.ts';
import { planWorkshop } from './storedPlan.ts';

const bay = (id: string, lift = true) => factBay(id, { lift });
const facts = (jobs: readonly FactJob[], change: Partial<PlanFacts> = {}) =>
  planFactsOf(jobs, { people: [person('a'), person('b')], places: [bay('one'), bay('two', false)], ...change });
const EFFORT = { seed: 1, passes: 20 };
const found = (of: PlanFacts) => helpMost(of, planWorkshop(of, null, EFFORT), EFFORT);
const tried = (of: PlanFacts) => candidates(of, planWorkshop(of, null, EFFORT));

describe('what one change would help most', () => {
  test('by hand: the part that keeps a late job, so many days sooner as the stage has been ready for it', () => {
    const parts = [
      { componentId: 'c', name: 'Charger', kind: 'charger' as const, due: '2026-12-08', leadDays: 9, late: null },
    ];
    const of = facts([
      job('26-101', [stage('strip', 7), stage('charger', 2, { after: ['strip'] })], { parts, promised: '2026-11-27' }),
    ]);
    const most = found(of);
    // It is ready for it on the day of the plan: fourteen days before the eighth.
    expect(most.helps[0]).toMatchObject({
      change: { kind: 'partLate', job: '26-101', componentId: 'c', days: -14 },
      lateJobs: 0,
      lateDays: 0,
    });
    expect(most).toMatchObject({ lateJobs: 1, lateDays: 11 });
    // Nothing else makes the charger come sooner.
    expect(most.helps).toHaveLength(1);
  });
  test('two jobs want the one lift: a second lift, and the lateness it leaves', () => {
    const onLift = { traits: ['onLift' as const] };
    const of = facts([
      job('26-101', [stage('x', 15, onLift)], { promised: '2026-11-25' }),
      job('26-102', [stage('y', 15, onLift)], { promised: '2026-11-25' }),
    ]);
    expect(tried(of)).toContainEqual({ kind: 'lift', placeId: 'two' });
    const [best] = found(of).helps;
    expect(best).toMatchObject({ change: { kind: 'lift', placeId: 'two' }, lateJobs: 0 });
  });
  test('one who can do it is awaited by two: one more like them; a tool: one more of its kind', () => {
    const skilled = { skill: 'electrical' };
    const people = [person('a'), person('e', { skills: ['electrical'] })];
    const two = (change: Partial<FactStage>) => [
      job('26-101', [stage('x', 15, change)], { promised: '2026-11-25' }),
      job('26-102', [stage('y', 15, change)], { promised: '2026-11-25' }),
    ];
    const places = [bay('one'), bay('two')];
    expect(found(facts(two(skilled), { people, places })).helps[0]).toMatchObject({
      change: { kind: 'person', like: 'e' },
      lateJobs: 0,
    });
    const tools = [{ id: 't', kind: 'crimp tool', name: 'T', until: null }];
    expect(found(facts(two({ tools: ['crimp tool'] }), { places, tools })).helps[0]).toMatchObject({
      change: { kind: 'tool', tool: 'crimp tool' },
      lateJobs: 0,
    });
  });
  test('a hold that somebody forgot is let go', () => {
    const of = facts([job('26-101', [stage('x', 4, { notBefore: '2026-12-15' })], { promised: '2026-12-01' })]);
    expect(found(of).helps[0]!.change).toEqual({ kind: 'hold', stageId: 'x', day: null });
  });
  test('where nothing is late nothing is tried, and where nothing helps nothing is told', () => {
    const calm = facts([job('26-101', [stage('x', 4)], { promised: '2026-12-01' })]);
    expect(found(calm)).toEqual({ lateJobs: 0, lateDays: 0, helps: [], tried: 0 });
    // It was promised for before today: no change brings yesterday back, longer days make it less late.
    const past = facts([job('26-101', [stage('x', 3)], { promised: '2026-11-20', priority: 'rush' })]);
    expect(found(past).helps).toEqual([]);
  });
  test('what it says holds: made anew with the change, so many are late', () => {
    const onLift = { traits: ['onLift' as const] };
    const of = facts(
      ['26-101', '26-102', '26-103', '26-104'].map((number, i) =>
        job(number, [stage(`${number} a`, 9 + i, onLift), stage(`${number} b`, 5, { after: [`${number} a`] })], {
          promised: `2026-11-${26 + (i % 2)}`,
        }),
      ),
    );
    const plan = planWorkshop(of, null, EFFORT);
    const most = helpMost(of, plan, EFFORT);
    expect(most.helps.length).toBeGreaterThan(1);
    for (const { change, lateDays, savedDays } of most.helps) {
      const then = planWorkshop(withChanges(of, [change]), plan, { ...EFFORT, bounded: false });
      expect(then.jobs.reduce((sum, one) => sum + one.lateDays, 0)).toBe(lateDays);
      expect(savedDays).toBeGreaterThan(0);
    }
    const saved = most.helps.map(({ savedDays }) => savedDays);
    expect(saved).toEqual(saved.toSorted((a, b) => b - a));
  });
});
