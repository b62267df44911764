import { describe, expect, test } from 'vitest';
import { dayNumber } from '../quantity/format.ts';
import { plannedBegins } from './begins.ts';
import { wrongs } from './checkPlan.fixture.ts';
import { factPerson, factJob as job, planFactsOf, factStage as stage } from './facts.fixture.ts';
import { type FactJob, type FactStage, type PlanFacts, planGround } from './facts.ts';
import { withChanges } from './planChange.ts';
import { localTime, momentOf, plannedAgain, planWorkshop, readyDays, type StoredPlan } from './storedPlan.ts';
import { learntSpread, sureDays } from './surePlan.ts';

const facts = (jobs: readonly FactJob[], change: Partial<PlanFacts> = {}) =>
  planFactsOf(jobs, { people: [factPerson('a'), factPerson('b')], ...change });
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
  test('tells the day each job is ready, and none where something of it cannot be planned', () => {
    const stuck = stage('under water', 1, { skill: 'welding under water', after: ['x'] });
    const made = plan(facts([job('26-101', [stage('x', 8), stuck]), job('26-102', [stage('y', 2)])]));
    expect(readyDays(made)).toEqual({ '26-101': null, '26-102': '2026-11-24' });
    const none = plan(facts([job('26-103', [{ ...stuck, after: [] }])]));
    expect(readyDays(none)).toEqual({ '26-103': null });
  });
  test('holds an order of the trade that the network forgot, unless somebody goes against it', () => {
    const stages = [stage('rear', 3, { traits: ['rearBoxesIn'] }), stage('front', 3, { traits: ['frontBoxesIn'] })];
    const two = { places: [{ id: 'bay', name: 'Bay', lift: true, alignment: false }] };
    const held = plan(facts([job('26-101', stages)], two));
    expect(at(held, 'rear').causes).toEqual([{ kind: 'after', stageId: 'front' }]);
    const overruled = ['order-frontBeforeRear front rear'];
    const free = plan(facts([job('26-101', stages, { overruled })], two));
    expect([at(free, 'rear').from, at(free, 'front').from]).toEqual(['2026-11-24 08:00', '2026-11-24 08:00']);
  });
  test('says from when a part that holds a stage is wanted: when everything else is ready for it', () => {
    const parts = [
      { componentId: 'c', name: 'Charger', kind: 'charger' as const, due: '2026-12-15', leadDays: 10, late: null },
    ];
    const stages = [stage('strip', 12), stage('charger', 2, { after: ['strip'] })];
    const made = plan(facts([job('26-101', stages, { parts })]));
    // Twelve hours from Tuesday 8:00 end on Wednesday; the charger comes three weeks later.
    expect(at(made, 'charger')).toMatchObject({ from: '2026-12-15 08:00', wanted: '2026-11-25' });
    expect(at(made, 'strip').wanted).toBeUndefined();
    const begins = plannedBegins(made)('26-101', new Map([['charger', 'charger']]));
    expect(begins('charger')).toEqual({ day: dayNumber('2026-12-15'), wantedDay: dayNumber('2026-11-25') });
    expect(plannedBegins(null)('26-101', new Map())('charger')).toBeNull();
  });
  test('a part on its way holds the stage that wants it, a late one until tomorrow, one not ordered for its time', () => {
    const parts = (due: string | null) => [
      { componentId: 'c', name: 'Charger', kind: 'charger' as const, due, leadDays: 10, late: null },
    ];
    const of = (due: string | null) =>
      facts([job('26-101', [stage('strip', 2), stage('charger', 2)], { parts: parts(due) })]);
    const comes = plan(of('2026-11-27'));
    expect(at(comes, 'charger')).toMatchObject({ from: '2026-11-27 08:00', waits: { kind: 'part', late: false } });
    expect(at(comes, 'strip').to <= at(comes, 'charger').to).toBe(true);
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

describe('what a plan waits for beside people and bays', () => {
  const sister = (follows: FactJob['follows'], lead: readonly FactStage[] = []) =>
    facts([
      ...(lead.length > 0 ? [job('26-101', lead)] : []),
      job('26-102', [stage('s', 2), stage('t', 2, { after: ['s'] })], { follows }),
    ]);
  test('a sister waits for the first of its kind to its end, by hand: eight hours and then two', () => {
    const made = plan(
      sister({ number: '26-101', over: false, stages: 2, open: 2, lessons: 1 }, [
        stage('x', 6),
        stage('y', 2, { after: ['x'] }),
      ]),
    );
    // The bay is the same: half an hour to move the one out and the other in.
    expect([at(made, 'y').to, at(made, 's').from]).toEqual(['2026-11-25 08:30', '2026-11-25 09:00']);
  });
  test('then for its lessons, which have no day: it is told, not planned; begun work goes on', () => {
    const held = plan(sister({ number: '26-101', over: true, stages: 2, open: 0, lessons: 2 }));
    expect(held.stages).toEqual([]);
    expect(held.impossible.map(({ why }) => why)).toEqual([
      { kind: 'lessons', jobId: '26-101', lessons: 2 },
      { kind: 'lessons', jobId: '26-101', lessons: 2 },
    ]);
    expect(plan(sister({ number: '26-101', over: true, stages: 2, open: 0, lessons: 0 })).stages).toHaveLength(2);
  });
  test('one crimp tool is in one pair of hands; out of calibration it is in nobody’s', () => {
    const crimp = (id: string) => stage(id, 3, { tools: ['crimp tool'], traits: ['beside'] });
    const two = facts([job('26-101', [crimp('x')]), job('26-102', [crimp('y')])]);
    const none = plan(two);
    expect(none.impossible.map(({ why }) => why.kind)).toEqual(['noTool', 'noTool']);
    const tool = { id: 't1', kind: 'crimp tool', name: 'Crimp tool 1', until: null };
    const one = plan({ ...two, tools: [tool] });
    expect([at(one, 'x'), at(one, 'y')].map(({ from }) => from).sort()).toEqual([
      '2026-11-24 08:00',
      '2026-11-24 11:00',
    ]);
    const both = plan({ ...two, tools: [tool, { ...tool, id: 't2' }] });
    expect([at(both, 'x'), at(both, 'y')].map(({ from }) => from)).toEqual(['2026-11-24 08:00', '2026-11-24 08:00']);
    // Its calibration ends with Tuesday: what does not get it by then is not planned.
    const ends = plan({ ...two, tools: [{ ...tool, until: '2026-11-24' }] });
    expect(ends.stages.map(({ to }) => to.slice(0, 10))).toEqual(['2026-11-24', '2026-11-24']);
    const long = facts([job('26-101', [stage('x', 20, { tools: ['crimp tool'], traits: ['beside'] })])]);
    expect(plan({ ...long, tools: [{ ...tool, until: '2026-11-24' }] }).stages).toEqual([]);
  });
  test('a vehicle that is out is worked on when it is back; work beside it goes on', () => {
    const made = plan(
      facts([
        job('26-101', [stage('x', 2), stage('loom', 2, { traits: ['beside'] })], {
          out: { holder: 'Quay', dueBack: '2026-11-26' },
        }),
      ]),
    );
    expect(at(made, 'x').from).toBe('2026-11-27 08:00');
    expect(at(made, 'loom').to <= '2026-11-27 10:00').toBe(true);
    expect(at(made, 'loom').from < '2026-11-27').toBe(true);
  });
  test('one that should be back already comes tomorrow at the soonest; with no day it is not planned, and said', () => {
    const out = (dueBack: string | null) =>
      plan(
        facts([
          job('26-101', [stage('x', 2), stage('loom', 2, { traits: ['beside'] })], {
            out: { holder: 'Quay', dueBack },
          }),
        ]),
      );
    // Today is Tuesday 24 November.
    const late = out('2026-11-20');
    expect(at(late, 'x').from).toBe('2026-11-25 08:00');
    expect(late.stages.find(({ id }) => id === 'x')!.waits).toMatchObject({ kind: 'out', late: true });
    const unknown = out(null);
    expect(unknown.stages.map(({ id }) => id)).toEqual(['loom']);
    expect(unknown.impossible).toMatchObject([{ stageId: 'x', why: { kind: 'out' } }]);
  });
  test('a show comes before a rush, however much sooner the rush was promised', () => {
    const one = (number: string, priority: FactJob['priority'], promised: string) =>
      job(number, [stage(`${number} x`, 7.5)], { priority, promised });
    const of = facts([one('26-101', 'rush', '2026-11-24'), one('26-102', 'show', '2026-11-24')]);
    const made = plan({ ...of, people: of.people.slice(0, 1) });
    expect(made.jobs.find(({ number }) => number === '26-102')!.lateDays).toBe(0);
  });
  test('how sure it is rests on what vehicles took and on how late suppliers were', () => {
    const sure = (took: FactStage['took'], late: { median: number; most: number } | null = null) => {
      const part = {
        componentId: 'c',
        name: 'Charger',
        kind: 'charger' as const,
        due: '2026-11-27',
        leadDays: 9,
        late,
      };
      const of = facts([job('26-101', [stage('x', 8, { took })], { parts: late ? [part] : [] })]);
      const run = sureDays(of, plan(of));
      for (;;) {
        const next = run.next();
        if (next.done) return next.value[0]!;
      }
    };
    expect(learntSpread(stage('x', 8, { took: { low: 6, high: 16 } }))).toEqual({ least: 0.75, likeliest: 1, most: 2 });
    expect(learntSpread(stage('x', 8))).toEqual({ least: 0.85, likeliest: 1, most: 1.5 });
    const narrow = sure({ low: 8, high: 8 });
    const wide = sure({ low: 8, high: 40 });
    expect(wide.nineInTen > narrow.nineInTen).toBe(true);
    expect(sure(null, { median: 7, most: 21 }).half > sure(null, { median: 0, most: 0 }).half).toBe(true);
  });
});
