import { describe, expect, test } from 'vitest';
import type { FactJob, FactStage, PlanFacts } from './facts.ts';
import { overtimeHours } from './overtime.ts';
import { withChanges } from './planChange.ts';
import { planWorkshop } from './storedPlan.ts';

const stage = (key: string, hours: number, people = 1): FactStage => ({
  ...{ id: key, key, name: key, traits: [], after: [], hours, hoursClocked: 0, people, mostPeople: null },
  ...{ skill: '', liveHv: false, state: 'waiting', notBefore: null, onIt: [], tools: [], took: null, firm: null },
});
const job = (number: string, stages: readonly FactStage[]): FactJob => ({
  ...{ number, title: number, promised: null, priority: 'usual', standsIn: null, parts: [], stages },
  ...{ follows: null, out: null, overruled: [] },
});
const facts = (jobs: readonly FactJob[], dayHours: number | null = null): PlanFacts => ({
  ...{ now: { day: '2026-11-24', minute: 480 }, workingDays: [1, 2, 3, 4, 5], closedDays: [], moveMinutes: 30 },
  ...{ open: { startMin: 480, breakMin: 60, endMin: 990 }, jobs, tools: [], firms: [] },
  people: ['a', 'b'].map((id) => ({ id, name: id, initials: id, skills: [], dayHours, hvUntil: null, away: [] })),
  places: [{ id: 'bay', name: 'Bay', lift: true, alignment: false }],
});
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
