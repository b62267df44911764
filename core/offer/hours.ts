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

/**
 * Hours of stages together as they are reckoned with, and how far whole vehicles that were finished lay from each other:
 * not the sum of the stages' worst, for what one stage loses another often gains. A vehicle that did not do a stage is
 * reckoned with the stage's own hours. What was learnt moves an offer once somebody has adopted it.
 */
export function hoursEstimate(stages: readonly PlannedStage[], took: readonly StageTook[]): HoursEstimate {
  const hours = neat(stages.reduce((sum, stage) => sum + stage.hours, 0));
  const keys = new Set(stages.map(({ key }) => key));
  const jobs = [...new Set(took.filter(({ key }) => keys.has(key)).map(({ job }) => job))]
    // Half of the stages at least, or it says more of them than of the vehicle.
    .filter((job) => took.filter((one) => one.job === job && keys.has(one.key)).length * 2 >= stages.length)
    .slice(0, LAST);
  if (jobs.length < LEAST) return { hours, lowHours: hours, highHours: hours, vehicles: 0 };
  const wholes = jobs.map((job) => {
    const own = new Map(took.filter((one) => one.job === job).map((one) => [one.key, one.hours]));
    return stages.reduce((sum, stage) => sum + (own.get(stage.key) ?? stage.hours), 0);
  });
  return {
    hours,
    lowHours: neat(Math.min(hours, ...wholes)),
    highHours: neat(Math.max(hours, ...wholes)),
    vehicles: jobs.length,
  };
}
