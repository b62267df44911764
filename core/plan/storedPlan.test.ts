import { describe, expect, test } from 'vitest';
import { wrongs } from './checkPlan.fixture.ts';
import { type FactJob, type FactStage, type PlanFacts, planGround } from './facts.ts';
import { withChanges } from './planChange.ts';
import { localTime, momentOf, plannedAgain, planWorkshop, type StoredPlan } from './storedPlan.ts';
import { sureDays } from './surePlan.ts';

const stage = (key: string, hours: number, change: Partial<FactStage> = {}): FactStage => ({
  ...{ id: key, key, name: key, traits: [], after: [], hours, hoursClocked: 0, people: 1, mostPeople: null },
  ...{ skill: '', liveHv: false, state: 'waiting', notBefore: null, onIt: [] },
  ...change,
});
const job = (number: string, stages: readonly FactStage[], change: Partial<FactJob> = {}): FactJob => ({
  ...{ number, title: number, promised: null, priority: 'usual', standsIn: null, parts: [], stages },
  ...change,
});
// Tuesday 24 November 2026, 8:00; days of 7½ hours with an hour's break at noon.
const facts = (jobs: readonly FactJob[], change: Partial<PlanFacts> = {}): PlanFacts => ({
  ...{ now: { day: '2026-11-24', minute: 480 }, workingDays: [1, 2, 3, 4, 5], closedDays: [], moveMinutes: 30 },
  ...{ open: { startMin: 480, breakMin: 60, endMin: 990 }, jobs },
  people: ['a', 'b'].map((id) => ({ id, name: id, initials: id, skills: [], dayHours: null, hvUntil: null, away: [] })),
  places: [{ id: 'bay', name: 'Bay', lift: true, alignment: false }],
  ...change,
});
const plan = (of: PlanFacts, before: StoredPlan | null = null) => planWorkshop(of, before, { seed: 1, passes: 20 });
const at = (of: StoredPlan, id: string) => of.stages.find((one) => one.id === id)!;

describe('a plan of what is stored', () => {
  test('by hand: eight hours from Tuesday 8:00 end Wednesday 8:30; the next begins then', () => {
    const made = plan(facts([job('26-101', [stage('x', 8), stage('y', 2, { after: ['x'] })])]));
    expect([at(made, 'x').from, at(made, 'x').to]).toEqual(['2026-11-24 08:00', '2026-11-25 08:30']);
    expect([at(made, 'y').from, at(made, 'y').to]).toEqual(['2026-11-25 08:30', '2026-11-25 10:30']);
    expect(made.jobs[0]).toMatchObject({ number: '26-101', to: '2026-11-25 10:30', lateDays: 0 });
  });
  test('what is done is left out, what was clocked is taken off, and a tenth is still to come where all was', () => {
    const done = stage('x', 8, { state: 'done' });
    const made = plan(
      facts([job('26-101', [done, stage('y', 4, { after: ['x'], hoursClocked: 3, state: 'inHand', onIt: ['b'] })])]),
    );
    expect(made.stages.map(({ id }) => id)).toEqual(['y']);
    expect(at(made, 'y')).toMatchObject({ from: '2026-11-24 08:00', to: '2026-11-24 09:00', people: ['b'] });
    const over = plan(facts([job('26-101', [stage('y', 5, { hoursClocked: 9 })])]));
    expect(at(over, 'y').to).toBe('2026-11-24 08:30');
  });
  test('two share what two may share; lift, alignment, benches and away are where they are', () => {
    const of = facts([
      job('26-101', [
        stage('x', 6, { mostPeople: 2, traits: ['onLift'] }),
        stage('bench', 2, { traits: ['beside'] }),
        stage('paint', 3, { traits: ['away'], after: ['x'] }),
        stage('align', 1, { traits: ['onAlignment'] }),
      ]),
    ]);
    const made = plan(of);
    expect(at(made, 'x')).toMatchObject({ placeId: 'bay', from: '2026-11-24 08:00' });
    expect(at(made, 'bench').placeId).toBeNull();
    // Half an hour to bring it away.
    expect(at(made, 'paint').from > at(made, 'x').to).toBe(true);
    expect(made.impossible).toEqual([
      { stageId: 'align', job: '26-101', why: { kind: 'noPlace', traits: ['alignment'] } },
    ]);
  });
  test('a part on its way holds the stage that wants it, a late one until tomorrow, one not ordered for its time', () => {
    const parts = (due: string | null) => [
      { componentId: 'c', name: 'Charger', kind: 'charger' as const, due, leadDays: 10 },
    ];
    const of = (due: string | null) =>
      facts([job('26-101', [stage('strip', 2), stage('charger', 2)], { parts: parts(due) })]);
    const comes = plan(of('2026-11-27'));
    expect(at(comes, 'charger')).toMatchObject({ from: '2026-11-27 08:00', waits: { kind: 'part', late: false } });
    expect(at(comes, 'strip').to <= '2026-11-27 08:00').toBe(true);
    expect(at(plan(of('2026-11-20')), 'charger')).toMatchObject({ from: '2026-11-25 08:00', waits: { late: true } });
    expect(at(plan(of(null)), 'charger')).toMatchObject({ from: '2026-12-04 08:00', waits: { ordered: false } });
    const late = plan(withChanges(of('2026-11-27'), [{ kind: 'partLate', job: '26-101', componentId: 'c', days: 7 }]));
    expect(at(late, 'charger').from).toBe('2026-12-04 08:00');
  });
  test('holds, days away, short days, a closed day, overtime, a lift that is thought of', () => {
    const one = job('26-101', [stage('x', 10)], { promised: '2026-11-25' });
    const alone = facts([one], { people: facts([]).people.slice(0, 1) });
    const from = (of: PlanFacts) => [at(plan(of), 'x').from, at(plan(of), 'x').to];
    expect(from(alone)).toEqual(['2026-11-24 08:00', '2026-11-25 10:30']);
    expect(from(withChanges(alone, [{ kind: 'hold', stageId: 'x', day: '2026-11-26' }]))[0]).toBe('2026-11-26 08:00');
    const away = withChanges(alone, [{ kind: 'away', personId: 'a', from: '2026-11-25', to: '2026-11-26' }]);
    // Begun, it rests while nobody is there.
    expect(from(away)).toEqual(['2026-11-24 08:00', '2026-11-27 10:30']);
    expect(plan(away).jobs[0]).toMatchObject({ lateDays: 2 });
    expect(from({ ...alone, people: [{ ...alone.people[0]!, dayHours: 5 }] })[1]).toBe('2026-11-25 14:00');
    expect(from({ ...alone, closedDays: ['2026-11-25'] })[1]).toBe('2026-11-26 10:30');
    expect(from(withChanges(alone, [{ kind: 'overtime', hours: 2.5 }]))[1]).toBe('2026-11-24 19:00');
    const lifted = facts([job('26-101', [stage('x', 1, { traits: ['onLift'] })])], {
      places: [{ id: 'bay', name: 'Bay', lift: false, alignment: false }],
    });
    expect(plan(lifted).impossible).toHaveLength(1);
    expect(plan(withChanges(lifted, [{ kind: 'lift', placeId: 'bay' }])).impossible).toEqual([]);
  });
  test('live work that one alone is clocked on to is not planned as begun', () => {
    const live = { liveHv: true, people: 2, state: 'inHand' as const };
    const people = facts([]).people.map((one) => ({ ...one, hvUntil: one.id === 'a' ? '2026-12-31' : null }));
    const of = (onIt: readonly string[]) => facts([job('26-101', [stage('x', 2, { ...live, onIt })])], { people });
    const planned = (onIt: readonly string[]) => at(plan(of(onIt)), 'x');
    expect(planned(['a', 'b'])).toMatchObject({ people: ['a', 'b'], causes: [{ kind: 'begun' }] });
    for (const onIt of [['a'], ['b'], ['somebody gone', 'a']])
      expect(planned(onIt)).toMatchObject({ people: ['a', 'b'], causes: [{ kind: 'now' }] });
  });
  test('a rush goes first', () => {
    const two = facts(
      ['26-101', '26-102'].map((number) => job(number, [stage(number, 6)], { promised: '2026-11-24' })),
      { people: facts([]).people.slice(0, 1) },
    );
    const rush = plan(withChanges(two, [{ kind: 'priority', job: '26-102', priority: 'rush' }]));
    expect(at(rush, '26-102').from < at(rush, '26-101').from).toBe(true);
  });
  test('read back on the working time of now it holds every rule, and planned again it stays', () => {
    const of = facts([
      job('26-101', [stage('x', 8), stage('y', 2, { after: ['x'], traits: ['onLift'] })], { standsIn: 'bay' }),
      job('26-102', [stage('z', 5), stage('w', 1, { after: ['z'] })]),
    ]);
    const made = plan(of);
    const ground = planGround(of);
    expect(wrongs(ground.problem, plannedAgain(made, ground.axis))).toEqual([]);
    expect(plan(of, made).cost).toEqual(made.cost);
  });
});

test('moments go out and come back', () => {
  expect(momentOf(localTime(momentOf('2026-02-28 07:05')))).toEqual(momentOf('2026-02-28 07:05'));
  expect(localTime(momentOf('2026-12-31 23:59'))).toBe('2026-12-31 23:59');
});

test('how sure the days are: never before today, half before nine in ten', () => {
  const of = facts([job('26-101', [stage('x', 8), stage('y', 20, { after: ['x'] })], { promised: '2026-11-27' })]);
  const steps = sureDays(of, plan(of));
  let step = steps.next();
  while (!step.done) step = steps.next();
  const [one] = step.value;
  expect(one!.half >= '2026-11-24' && one!.half <= one!.nineInTen).toBe(true);
  expect(one!.kept).toBeGreaterThan(0);
  expect(one!.drives?.stageId).toBe('y');
});
