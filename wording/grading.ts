import type { CapacityProblem } from '../core/grading/capacity.ts';

/** Why a log shows no capacity, and what to do. */
export const CAPACITY_PROBLEM: Readonly<Record<CapacityProblem, string>> = {
  columns: 'Time, voltage and current are needed: a line above the figures names the columns, with their units.',
  noDischarge: 'No discharge was found: no current flows while the voltage falls.',
  timeBackwards: 'The time goes back in more than one line of twenty: nobody knows what this log shows. Log it again.',
};

/** Units of time a log may be in, by how many seconds they have. */
export const TIME_UNIT_NAME = { '1': 'seconds', '60': 'minutes', '3600': 'hours', '0.001': 'milliseconds' } as const;
