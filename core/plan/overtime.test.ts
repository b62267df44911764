import { describe, expect, test } from 'vitest';
import { factPerson, factStage, factJob as job, planFactsOf } from './facts.fixture.ts';
import type { FactJob, PlanFacts } from './facts.ts';
import { overtimeHours } from './overtime.ts';
import { withChanges } from './planChange.ts';
import { planWorkshop } from './storedPlan.ts';

const stage = (key: string, hours: number, people = 1) => factStage(key, hours, { people });
const facts = (jobs: readonly FactJob[], dayHours: number | null = null) =>
  planFactsOf(jobs, { people: [factPerson('a', { dayHours }), factPerson('b', { dayHours })] });
/** What so many hours more a day come to. */
function over(of: PlanFacts, hours: number): number {
  const changes = hours > 0 ? [{ kind: 'overtime' as const, hours }] : [];
  return overtimeHours(of, changes, planWorkshop(withChanges(of, changes), null, { seed: 1, passes: 20 }));
}

describe('hours beyond the workshop’s own day', () => {
  test('by hand: twenty hours at seven and a half a day are none; with two more, two days end two hours later', () => {
    const of = facts([job('26-101', [stage('x', 20)])]);
    expect(over(of, 0)).toBe(0);
    // 9.5 + 9.5 + 1: two hours over on Tuesday and on Wednesday.
    expect(over(of, 2)).toBe(4);
  });
  test('two on a stage are two people’s hours; whoever has a day of their own works no longer', () => {
    const two = facts([job('26-101', [stage('x', 38, 2)])]);
    expect(over(two, 2)).toBe(8);
    const own = facts([job('26-101', [stage('x', 20)])], 7.5);
    expect(over(own, 2)).toBe(0);
  });
});
