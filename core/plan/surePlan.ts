import { dayNumber, isoDay } from '../quantity/format.ts';
import { type PlanFacts, planGround } from './facts.ts';
import { plannedAgain, type StoredPlan } from './storedPlan.ts';
import { howSure, USUAL_SPREAD } from './sure.ts';

/** How sure a job's day is, in days of the calendar. */
export interface SureDays {
  readonly number: string;
  /** Ready by this day in half of all runs, and in nine of ten. */
  readonly half: string;
  readonly nineInTen: string;
  /** Share of runs that keep the promise; null where nothing is promised. */
  readonly kept: number | null;
  readonly drives: { readonly stageId: string; readonly share: number } | null;
}

/** Runs that are enough for a chance told to the hundredth or so. */
export const USUAL_RUNS = 1000;

/**
 * How sure the days of a stored plan are. Stage times spread as is usual; what has begun goes on from now. A plan that is
 * older than its facts is taken as the order it is.
 */
export function* sureDays(facts: PlanFacts, plan: StoredPlan, seed = 1): Generator<number, SureDays[]> {
  const { problem, axis } = planGround(facts);
  const known = new Set(problem.stages.map(({ id }) => id));
  const planned = plannedAgain(plan, axis).filter(({ id }) => known.has(id));
  const jobs = yield* howSure(problem, planned, {
    ...{ runs: USUAL_RUNS, seed, spreadOf: () => USUAL_SPREAD, latenessOf: () => null },
  });
  const dayOf = (minute: number) =>
    isoDay(Math.max(dayNumber(facts.now.day), axis.momentOf(Math.round(minute), 'end').day));
  return jobs.map(({ id, half, nineInTen, kept, drives }) => ({
    ...{ number: id, half: dayOf(half), nineInTen: dayOf(nineInTen), kept, drives },
  }));
}
