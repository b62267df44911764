import { describe, expect, test } from 'vitest';
import { wrongs } from './checkPlan.fixture.ts';
import { factJob as job, planFactsOf, factStage as stage } from './facts.fixture.ts';
import { type FactJob, type PlanFacts, planGround } from './facts.ts';
import { type HandDone, withChanges, withoutHand } from './planChange.ts';
import { plannedAgain, planWorkshop, type StoredPlan } from './storedPlan.ts';

const facts = (jobs: readonly FactJob[], change: Partial<PlanFacts> = {}) =>
  planFactsOf(jobs, { firms: [{ id: 'paint', name: 'Paint', slots: 1, slotDays: [2, 4] }], ...change });
const plan = (of: PlanFacts, before: StoredPlan | null = null) => planWorkshop(of, before, { seed: 1, passes: 20 });
const at = (of: StoredPlan, id: string) => of.stages.find((one) => one.id === id)!;
const paint = (id: string, days: number, after: readonly string[] = []) =>
  stage(id, 3, { firm: { id: 'paint', days }, after, skill: 'nobody here', liveHv: false, people: 2 });

describe('a firm outside', () => {
  test('by hand: one day’s work on Tuesdays and Thursdays, one vehicle at a time, whoever is here', () => {
    const of = facts([job('26-101', [paint('x', 1)]), job('26-102', [paint('y', 2)], { priority: 'canWait' })]);
    const made = plan(of);
    // It takes none of the workshop's people, skills or bays.
    expect(at(made, 'x')).toMatchObject({
      from: '2026-11-24 08:00',
      to: '2026-11-24 16:30',
      people: [],
      placeId: null,
    });
    // Two of its days: Thursday, and Tuesday after.
    expect(at(made, 'y')).toMatchObject({ from: '2026-11-26 08:00', to: '2026-12-01 16:30' });
    expect(at(made, 'y').causes[0]).toMatchObject({ kind: 'firm', firmId: 'paint' });
    const ground = planGround(of);
    expect(wrongs(ground.problem, plannedAgain(made, ground.axis))).toEqual([]);
  });
  test('as many as come stand there at once where nobody counts; every day where no days are said', () => {
    const jobs = [job('26-101', [paint('x', 1)]), job('26-102', [paint('y', 1)])];
    const made = plan(facts(jobs, { firms: [{ id: 'paint', name: 'Paint', slots: null, slotDays: [] }] }));
    expect([at(made, 'x').to, at(made, 'y').to]).toEqual(['2026-11-24 16:30', '2026-11-24 16:30']);
  });
  test('the vehicle comes to it out of its bay and back, half an hour each way', () => {
    const made = plan(
      facts([job('26-101', [stage('strip', 2), paint('x', 1, ['strip']), stage('fit', 1, { after: ['x'] })])], {
        firms: [{ id: 'paint', name: 'Paint', slots: 1, slotDays: [] }],
      }),
    );
    expect(at(made, 'strip').to).toBe('2026-11-24 10:00');
    expect(at(made, 'x')).toMatchObject({ from: '2026-11-24 10:30', to: '2026-11-25 10:30' });
    expect(at(made, 'fit').from).toBe('2026-11-25 11:00');
  });
  test('what is there already stays until it is due back, also on days that are not the firm’s', () => {
    const out = { holder: 'paint ', dueBack: '2026-11-25' };
    const made = plan(facts([job('26-101', [paint('x', 9), stage('fit', 1, { after: ['x'] })], { out })]));
    expect(at(made, 'x')).toMatchObject({ from: '2026-11-24 08:00', to: '2026-11-25 16:30' });
    expect(at(made, 'fit').from.slice(0, 10)).toBe('2026-11-26');
    // Where somebody else has it, it comes back first; where nobody has said when, nobody knows.
    const elsewhere = { holder: 'Quay Cooling', dueBack: '2026-11-27' };
    const later = plan(facts([job('26-101', [paint('x', 1)], { out: elsewhere })]));
    expect(at(later, 'x')).toMatchObject({ from: '2026-12-01 08:00', waits: { kind: 'out' } });
    const unknown = plan(facts([job('26-101', [paint('x', 1)], { out: { ...elsewhere, dueBack: null } })]));
    expect(unknown.impossible[0]!.why).toEqual({ kind: 'out' });
    // There, and nobody has said until when: its own days from now.
    const there = plan(facts([job('26-101', [paint('x', 1)], { out: { holder: 'Paint', dueBack: null } })]));
    expect(at(there, 'x').to).toBe('2026-11-24 16:30');
  });
  test('one that was given up, or that never has a day the workshop works, is said', () => {
    const gone = plan(facts([job('26-101', [paint('x', 1)])], { firms: [] }));
    expect(gone.impossible[0]!.why).toEqual({ kind: 'noFirm', firmId: 'paint' });
    const never = [{ id: 'paint', name: 'Paint', slots: 1, slotDays: [6] }];
    expect(plan(facts([job('26-101', [paint('x', 1)])], { firms: never })).impossible[0]!.why.kind).toBe('tooFar');
  });
  test('a stage is given to it and taken back as any other change', () => {
    const of = facts([job('26-101', [stage('x', 2), stage('y', 2)])]);
    const given = withChanges(of, [{ kind: 'firm', stageId: 'x', firmId: 'paint', days: 2 }]);
    expect(given.jobs[0]!.stages.map(({ firm }) => firm)).toEqual([{ id: 'paint', days: 2 }, null]);
    expect(withChanges(given, [{ kind: 'firm', stageId: 'x', firmId: null, days: null }])).toEqual(of);
  });
});

describe('a hand that is undone', () => {
  const of = facts([
    job('26-101', [stage('x', 2, { notBefore: '2026-12-01' })], {
      parts: [{ componentId: 'c', name: 'C', kind: 'charger', due: '2026-12-10', leadDays: 9, late: null }],
    }),
  ]);
  const hand: readonly HandDone[] = [
    { kind: 'hold', stageId: 'x', day: null, before: '2026-12-01' },
    { kind: 'hold', stageId: 'x', day: '2026-12-24', before: null },
    { kind: 'firm', stageId: 'x', firmId: 'paint', days: 3, before: null },
    { kind: 'priority', job: '26-101', priority: 'rush', before: 'usual' },
    { kind: 'partLate', job: '26-101', componentId: 'c', days: 8, lines: [{ id: 'l', due: '2026-12-18' }] },
    { kind: 'away', personId: 'a', from: '2026-12-01', to: '2026-12-02', absenceId: 'z' },
  ];
  test('leaves everything as it was, the last thing first', () => {
    const done = withChanges(of, hand);
    expect(done.jobs[0]).toMatchObject({ priority: 'rush', parts: [{ due: '2026-12-18' }] });
    expect(done.people[0]!.away).toHaveLength(1);
    expect(withoutHand(done, hand)).toEqual(of);
  });
  test('days away that are gone already are not taken twice', () => {
    expect(withoutHand(of, [hand.at(-1)!])).toEqual(of);
  });
});
