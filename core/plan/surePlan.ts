import { dayNumber, isoDay } from '../quantity/format.ts';
import { type FactStage, type PlanFacts, planGround } from './facts.ts';
import { plannedAgain, type StoredPlan } from './storedPlan.ts';
import { howSure, type Spread, USUAL_SPREAD } from './sure.ts';

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

/** Finished vehicles lie this far from what is planned at the least: a spread of nothing would be sure of what nobody can be. */
const NARROWEST = 0.05;

/** How far a stage's time may lie from what is planned: as finished vehicles took it where somebody adopted that, else as is usual. */
export function learntSpread(stage: Pick<FactStage, 'hours' | 'took'> | undefined): Spread {
  if (!stage?.took || stage.hours <= 0) return USUAL_SPREAD;
  const { low, high } = stage.took;
  return {
    least: Math.min(1 - NARROWEST, low / stage.hours),
    likeliest: 1,
    most: Math.max(1 + NARROWEST, high / stage.hours),
  };
}

/**
 * How sure the days of a stored plan are. Stage times spread as finished vehicles took them, else as is usual; parts come as
 * late as their suppliers have been. What has begun goes on from now. A plan that is
 * older than its facts is taken as the order it is.
 */
export function* sureDays(facts: PlanFacts, plan: StoredPlan, seed = 1): Generator<number, SureDays[]> {
  const { problem, axis, stageOf, partLate } = planGround(facts);
  // Days of the calendar, in minutes that are worked.
  const workingShare = (axis.dayMinutes * facts.workingDays.length) / 7;
  const known = new Set(problem.stages.map(({ id }) => id));
  const planned = plannedAgain(plan, axis).filter(({ id }) => known.has(id));
  const jobs = yield* howSure(problem, planned, {
    ...{ runs: USUAL_RUNS, seed },
    spreadOf: (id) => learntSpread(stageOf.get(id)?.stage),
    latenessOf: (id) => {
      const late = partLate.get(id);
      return late ? { median: late.median * workingShare, most: late.most * workingShare } : null;
    },
  });
  const dayOf = (minute: number) =>
    isoDay(Math.max(dayNumber(facts.now.day), axis.momentOf(Math.round(minute), 'end').day));
  return jobs.map(({ id, half, nineInTen, kept, drives }) => ({
    ...{ number: id, half: dayOf(half), nineInTen: dayOf(nineInTen), kept, drives },
  }));
}
