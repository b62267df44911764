import { describe, expect, test } from 'vitest';
import { factBay, factJob, factPerson, factStage, planFactsOf } from '../plan/facts.fixture.ts';
import type { FactJob, FactStage, PlanFacts } from '../plan/facts.ts';
import { planWorkshop, type StoredPlan, type StoredStage } from '../plan/storedPlan.ts';
import { moveConflicts } from './moveConflicts.ts';

const stage = (id: string, change: Partial<FactStage> = {}) => factStage(id, 4, change);
const job = (number: string, stages: readonly FactStage[], standsIn: string | null = null) =>
  factJob(number, stages, { standsIn });
const facts = (...jobs: FactJob[]) =>
  planFactsOf(jobs, {
    people: [factPerson('a', { name: 'Ada', initials: 'AD' })],
    places: [factBay('one'), factBay('two', { lift: false, alignment: true })],
  });
/** A plan as somebody might have made it: each stage of a job in a bay from a day on. */
const planOf = (of: PlanFacts, ...where: readonly [id: string, placeId: string, day: number][]): StoredPlan => ({
  ...planWorkshop(of, null, { seed: 1, passes: 1 }),
  stages: where.map(
    ([id, placeId, day]): StoredStage => ({
      ...{ id, job: of.jobs.find(({ stages }) => stages.some((one) => one.id === id))!.number, placeId, people: [] },
      ...{ from: `2026-11-${day} 08:00`, to: `2026-11-${day} 12:00`, causes: [], waits: null },
    }),
  ),
});

describe('what speaks against moving a vehicle', () => {
  test('the stage it comes to needs a lift, or the alignment, that the bay has not', () => {
    const of = facts(
      job('26-101', [stage('x', { traits: ['onLift'] })]),
      job('26-102', [stage('y', { traits: ['onAlignment'] })]),
    );
    const plan = planOf(of, ['x', 'one', 25], ['y', 'two', 26]);
    expect(moveConflicts(of, plan, '26-101', 'two')).toContainEqual({ kind: 'lacks', stage: 'x', what: 'lift' });
    expect(moveConflicts(of, plan, '26-102', 'one')).toContainEqual({ kind: 'lacks', stage: 'y', what: 'alignment' });
    expect(moveConflicts(of, plan, '26-101', 'one')).toEqual([]);
  });
  test('the plan has another in that bay before this one is through with it; one that comes after it is in nobody’s way', () => {
    const of = facts(job('26-101', [stage('x'), stage('z')]), job('26-102', [stage('y')]));
    const soon = planOf(of, ['x', 'one', 24], ['y', 'one', 25], ['z', 'one', 26]);
    expect(moveConflicts(of, soon, '26-101', 'one')).toEqual([
      { kind: 'planned', job: '26-102', title: 'Van 26-102', from: '2026-11-25 08:00' },
    ]);
    const gone = planOf(of, ['x', 'one', 24], ['z', 'two', 25], ['y', 'one', 26]);
    expect(moveConflicts(of, gone, '26-101', 'one')).toEqual([]);
  });
  test('the plan has it in another bay than where it stands or is put', () => {
    const of = facts(job('26-101', [stage('x')], 'two'));
    expect(moveConflicts(of, planOf(of, ['x', 'one', 25]), '26-101', 'two')).toEqual([
      { kind: 'elsewhere', placeId: 'one', from: '2026-11-25 08:00' },
    ]);
    expect(moveConflicts(of, planOf(of, ['x', 'one', 25]), '26-101', 'one')).toEqual([]);
  });
  test('somebody is on it, wherever it goes; who works at a bench is not', () => {
    const of = facts(job('26-101', [stage('x', { onIt: ['a'] }), stage('loom', { onIt: ['a'], traits: ['beside'] })]));
    expect(moveConflicts(of, null, '26-101', 'parked')).toEqual([{ kind: 'onIt', people: ['AD'], stage: 'x' }]);
  });
  test('nothing of a job that is not planned', () => {
    expect(moveConflicts(facts(), null, '26-109', 'one')).toEqual([]);
  });
});
