/** Days of the week, 1 Monday to 7 Sunday, on which is worked where nobody has said otherwise. */
const USUAL_WEEK: readonly number[] = [1, 2, 3, 4, 5];

/** When a workshop works. */
export interface WorkCalendar {
  /** 1 Monday to 7 Sunday. */
  readonly workingDays: readonly number[];
  /** Days closed, as days since 1970-01-01. */
  readonly closed: ReadonlySet<number>;
}
export const USUAL_CALENDAR: WorkCalendar = { workingDays: USUAL_WEEK, closed: new Set() };

/** Day of the week, 1 Monday to 7 Sunday, of a day since 1970-01-01, which was a Thursday. */
export const weekday = (day: number): number => ((((day + 3) % 7) + 7) % 7) + 1;

/** Longest time looked ahead, days: nobody plans further, and a workshop that never works would never be done. */
const FURTHEST = 3660;

/**
 * The day on which the n-th working day after a day ends; parts of a day count whole. With nothing to do it is the day
 * itself.
 *
 * @returns null where it is never reached: no day is worked on
 */
export function afterWorkingDays(fromDay: number, days: number, { workingDays, closed }: WorkCalendar): number | null {
  let left = Math.ceil(days - 1e-9);
  for (let day = fromDay; day <= fromDay + FURTHEST; day++) {
    if (left <= 0) return day;
    const next = day + 1;
    if (workingDays.includes(weekday(next)) && !closed.has(next)) left--;
  }
  return null;
}

/**
 * The last day on which work may begin so that n working days lie between it and a day, that day not counted: with nothing
 * to do it is the day itself. Parts of a day count whole.
 *
 * @returns null where it is never reached: no day is worked on
 */
export function beforeWorkingDays(toDay: number, days: number, { workingDays, closed }: WorkCalendar): number | null {
  let left = Math.ceil(days - 1e-9);
  for (let day = toDay; day >= toDay - FURTHEST; day--) {
    if (left <= 0) return day;
    const before = day - 1;
    if (workingDays.includes(weekday(before)) && !closed.has(before)) left--;
  }
  return null;
}

/** Working days from a day to another, the first counted and the last not; none where that is not later. */
export function workingDaysIn(fromDay: number, toDay: number, { workingDays, closed }: WorkCalendar): number {
  let count = 0;
  for (let day = fromDay; day < Math.min(toDay, fromDay + FURTHEST); day++)
    if (workingDays.includes(weekday(day)) && !closed.has(day)) count++;
  return count;
}
