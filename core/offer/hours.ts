import { medianOf } from '../quantity/median.ts';
import type { HoursEstimate } from './offer.ts';

/** What a finished stage of an earlier vehicle took, rework and waiting apart; the newest vehicle first. */
export interface StageTook {
  readonly job: string;
  readonly key: string;
  readonly hours: number;
}

interface PlannedStage {
  readonly key: string;
  readonly skill?: string;
  readonly hours: number;
}

/** Vehicles looked back on: older ones were built by others, with other tools. Common practice. */
const LAST = 5;
/** One vehicle is an anecdote. Common practice. */
const LEAST = 2;

/** Hours of a paper: to five minutes and less, without a binary tail. */
const neat = (hours: number): number => Math.round(hours * 100) / 100;

/** One stage: the median of the last vehicles that did it, else what was planned. */
export function stageEstimate(stage: PlannedStage, took: readonly StageTook[]): HoursEstimate {
  const own = took.filter(({ key }) => key === stage.key).slice(0, LAST);
  const hours = own.map((one) => one.hours);
  if (own.length < LEAST) return { hours: stage.hours, lowHours: stage.hours, highHours: stage.hours, vehicles: 0 };
  return {
    hours: neat(medianOf(hours)),
    lowHours: neat(Math.min(...hours)),
    highHours: neat(Math.max(...hours)),
    vehicles: own.length,
  };
}

/**
 * Hours of stages together, by the stages' medians. The spread is that of whole vehicles, not the sum of the stages' worst:
 * what one stage loses another often gains. A vehicle that did not do a stage is reckoned with the stage's own estimate.
 */
export function hoursEstimate(stages: readonly PlannedStage[], took: readonly StageTook[]): HoursEstimate {
  const each = stages.map((stage) => ({ stage, estimate: stageEstimate(stage, took) }));
  const hours = neat(each.reduce((sum, { estimate }) => sum + estimate.hours, 0));
  const keys = new Set(stages.map(({ key }) => key));
  const jobs = [...new Set(took.filter(({ key }) => keys.has(key)).map(({ job }) => job))]
    // Half of the stages at least, or it says more of them than of the vehicle.
    .filter((job) => took.filter((one) => one.job === job && keys.has(one.key)).length * 2 >= stages.length)
    .slice(0, LAST);
  if (jobs.length < LEAST) return { hours, lowHours: hours, highHours: hours, vehicles: 0 };
  const wholes = jobs.map((job) => {
    const own = new Map(took.filter((one) => one.job === job).map((one) => [one.key, one.hours]));
    return each.reduce((sum, { stage, estimate }) => sum + (own.get(stage.key) ?? estimate.hours), 0);
  });
  return {
    hours,
    lowHours: neat(Math.min(hours, ...wholes)),
    highHours: neat(Math.max(hours, ...wholes)),
    vehicles: jobs.length,
  };
}
