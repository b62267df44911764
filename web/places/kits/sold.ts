import type { KitSheet } from '../../../contract/kits.ts';
import type { JobState } from '../../../core/job/states.ts';

/** Nothing is sold yet while it is only asked for, worked out or offered; what was cancelled was not sold. */
const NOT_SOLD: ReadonlySet<JobState> = new Set(['enquiry', 'sizing', 'offered', 'cancelled']);

/** Kits that were sold: jobs agreed or beyond that carry any revision, and orders to be sent out. */
export const countSold = ({ revisions }: Pick<KitSheet, 'revisions'>): number =>
  revisions.flatMap(({ jobs }) => jobs).filter(({ state }) => !NOT_SOLD.has(state)).length +
  revisions.flatMap(({ orders }) => orders).length;

/** How often each option was taken, of all jobs and orders that carry the kit and were not cancelled. */
export function countTaken({ revisions }: Pick<KitSheet, 'revisions'>): {
  readonly of: number;
  readonly times: ReadonlyMap<string, number>;
} {
  const jobs = revisions.flatMap(({ jobs: all }) => all).filter(({ state }) => state !== 'cancelled');
  const orders = revisions.flatMap(({ orders: all }) => all);
  const times = new Map<string, number>();
  for (const { options } of [...jobs, ...orders]) for (const one of options) times.set(one, (times.get(one) ?? 0) + 1);
  return { of: jobs.length + orders.length, times };
}
