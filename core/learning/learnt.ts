import { medianOf } from '../quantity/median.ts';

/** What one finished vehicle's stage took: work and learning together, rework apart. */
export interface StageActual {
  readonly job: string;
  readonly title: string;
  readonly variantId: string;
  readonly key: string;
  /** Person-hours of work on it, whoever did them. */
  readonly hours: number;
  readonly reworkHours: number;
  /** What was planned for it then. */
  readonly planned: number;
  /** Its last day, ISO. */
  readonly day: string;
}

/** A robust estimate with what it rests on. */
export interface Learnt {
  readonly hours: number;
  readonly lowHours: number;
  readonly highHours: number;
  readonly vehicles: number;
}

/** Vehicles looked back on: older ones were built by others, with other tools. Common practice. */
export const LOOK_BACK = 5;
/** One vehicle is an anecdote, two are a coincidence. Common practice. */
export const LEAST_VEHICLES = 3;

/** To five minutes and less, without a binary tail. */
const neat = (hours: number): number => Math.round(hours * 100) / 100;

/**
 * The estimate that the last vehicles speak for: the median of the newest five, which one that went wrong does not move,
 * with the least and the most of them. Null where fewer than three did it. Rework is no part of it: it is told beside.
 *
 * @param actuals of one stage, in any order
 */
export function learntOf(actuals: readonly StageActual[]): Learnt | null {
  const last = newestFirst(actuals).slice(0, LOOK_BACK);
  if (last.length < LEAST_VEHICLES) return null;
  const hours = last.map((one) => one.hours);
  return {
    hours: neat(medianOf(hours)),
    lowHours: neat(Math.min(...hours)),
    highHours: neat(Math.max(...hours)),
    vehicles: last.length,
  };
}

export const newestFirst = (actuals: readonly StageActual[]): StageActual[] =>
  actuals.toSorted((a, b) => (a.day < b.day ? 1 : a.day > b.day ? -1 : a.job < b.job ? 1 : -1));

/** A change of less than this is within what vehicles differ by: it is shown and not urged. Common practice. */
const WORTH_IT = 0.1;

/** Does what was learnt differ enough from what is reckoned with to ask somebody? */
export const worthAdopting = (standing: number, learnt: Learnt): boolean =>
  Math.abs(learnt.hours - standing) > Math.max(0.25, WORTH_IT * standing);

/** An estimate somebody has adopted for a stage of a kit, for one variant or for all. */
export interface Adopted {
  readonly key: string;
  readonly variantId: string | null;
  readonly hours: number;
  readonly lowHours: number;
  readonly highHours: number;
  readonly vehicles: number;
}

/** The one that holds for a variant: its own, else that for all; null where nobody has adopted any. */
export const adoptedFor = <A extends Adopted>(adopted: readonly A[], key: string, variantId: string): A | null =>
  adopted.find((one) => one.key === key && one.variantId === variantId) ??
  adopted.find((one) => one.key === key && one.variantId === null) ??
  null;

/** Stages with the hours somebody has adopted in place of those they were written with. */
export const withAdopted = <S extends { readonly key: string; readonly hours: number }>(
  stages: readonly S[],
  adopted: readonly Adopted[],
  variantId: string,
): S[] => stages.map((stage) => ({ ...stage, hours: adoptedFor(adopted, stage.key, variantId)?.hours ?? stage.hours }));

/** How far estimates lay from what was taken, job by job: hours taken for each hour planned, rework apart. */
export const accuracyOf = (actuals: readonly StageActual[]): number | null => {
  const planned = actuals.reduce((sum, one) => sum + one.planned, 0);
  return planned > 0 ? actuals.reduce((sum, { hours }) => sum + hours, 0) / planned : null;
};
