import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { factBay, factPerson, factJob as job, planFactsOf, factStage as stage } from './facts.fixture.ts';
import type { FactJob, PlanFacts } from './facts.ts';
import { isFull, loadOf } from './load.ts';
import { planWorkshop } from './storedPlan.ts';

// What is left of this week is 30 hours, a whole one 37½.
const facts = (jobs: readonly FactJob[], change: Partial<PlanFacts> = {}) =>
  planFactsOf(jobs, {
    ...{ people: [factPerson('a'), factPerson('b')], places: [factBay('bay 1'), factBay('bay 2')] },
    ...change,
  });
const of = (given: PlanFacts) => loadOf(given, planWorkshop(given, null, { seed: 1, passes: 20 }));
const row = (rows: ReturnType<typeof of>['people'], id: string) => rows.find((one) => one.id === id)!.weeks;

describe('load by week', () => {
  test('by hand: forty hours of one person are thirty in what is left of this week and ten in the next', () => {
    const one = facts([job('26-101', [stage('x', 40)])]);
    const { people, bays } = of({ ...one, people: one.people.slice(0, 1) });
    const weeks = row(people, 'a');
    expect(weeks).toHaveLength(12);
    expect(weeks.slice(0, 3)).toEqual([
      { week: '2026-11-23', planned: 30, able: 30 },
      { week: '2026-11-30', planned: 10, able: 37.5 },
      { week: '2026-12-07', planned: 0, able: 37.5 },
    ]);
    expect(weeks.slice(0, 2).map(isFull)).toEqual([true, false]);
    // The vehicle stands in one bay all the while.
    const busy = bays.map(({ weeks: own }) => own[0]!.planned + own[1]!.planned);
    expect(busy.toSorted((a, b) => a - b)).toEqual([0, 40]);
  });
  test('two who share a stage are both on it; closed days and days away give nothing', () => {
    const shared = facts([job('26-101', [stage('x', 20, { people: 2 })])], { closedDays: ['2026-12-01'] });
    const { people } = of(shared);
    expect(['a', 'b'].map((id) => row(people, id)[0]!.planned)).toEqual([10, 10]);
    expect(row(people, 'a')[1]!.able).toBe(30);
    const away = { from: '2026-11-30', to: '2026-12-04' };
    const gone = of({ ...shared, people: [{ ...shared.people[0]!, away: [away] }, shared.people[1]!] });
    expect(row(gone.people, 'a')[1]).toEqual({ week: '2026-11-30', planned: 0, able: 0 });
    expect(isFull(row(gone.people, 'a')[1]!)).toBe(false);
  });
  test('short days give less, and what is planned through them is what can be worked', () => {
    const short = facts([job('26-101', [stage('x', 20)])]);
    const part = { ...short, people: [{ ...short.people[0]!, dayHours: 4 }] };
    const weeks = row(of(part).people, 'a');
    expect(weeks[0]).toEqual({ week: '2026-11-23', planned: 16, able: 16 });
    expect(weeks[1]).toMatchObject({ planned: 4, able: 20 });
  });
  test('nobody is planned for more than they can give, and all that is planned is there', () => {
    const hours = fc.integer({ min: 1, max: 60 });
    const jobs = fc.array(
      fc.array(fc.record({ hours, people: fc.integer({ min: 1, max: 2 }) }), { minLength: 1, maxLength: 3 }),
      {
        ...{ minLength: 1, maxLength: 4 },
      },
    );
    fc.assert(
      fc.property(jobs, (made) => {
        const given = facts(
          made.map((stages, j) =>
            job(
              `26-10${j}`,
              stages.map(({ hours: h, people }, s) =>
                stage(`${j} ${s}`, h, { people, after: s > 0 ? [`${j} ${s - 1}`] : [] }),
              ),
            ),
          ),
        );
        const plan = planWorkshop(given, null, { seed: 1, passes: 5 });
        const { people } = loadOf(given, plan, 40);
        const planned = people.reduce((sum, { weeks }) => sum + weeks.reduce((all, one) => all + one.planned, 0), 0);
        // Person-hours, to the five minutes stages are planned in.
        const wanted = made
          .flat()
          .reduce((sum, { hours: h, people: n }) => sum + Math.ceil((h * 60) / n) * (n / 60), 0);
        expect(planned).toBeGreaterThan(wanted - 0.5);
        expect(planned).toBeLessThan(wanted + 0.5);
        for (const { weeks } of people)
          for (const week of weeks) expect(week.planned).toBeLessThanOrEqual(week.able + 1e-9);
      }),
      { numRuns: 40 },
    );
  });
});
