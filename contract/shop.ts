import type { DoneJob, MonthHours } from '../core/shop/shopFigures.ts';
import { A_FILE, address, answers } from './address.ts';

/** How the shop was doing over some months, as the numbers behind every chart. */
export interface ShopSheet {
  readonly months: readonly string[];
  readonly hours: readonly MonthHours[];
  readonly done: readonly DoneJob[];
  /** What an hour costs the workshop, minor units. */
  readonly hourCostCents: number;
}

export const shopAddress = {
  /** The last so many months, this one included. */
  sheet: address({ method: 'get', path: '/shop/:months', may: 'manager', answer: answers<ShopSheet>() }),
  hours: address({ method: 'get', path: '/shop/:months/hours.csv', may: 'manager', answer: A_FILE }),
  jobs: address({ method: 'get', path: '/shop/:months/jobs.csv', may: 'manager', answer: A_FILE }),
} as const;
