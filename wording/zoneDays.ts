import dayjs from 'dayjs';
import type { ZoneDays } from '../core/hours/sums.ts';
import { dayOf } from './dates.ts';

/** When a calendar day begins where the workshop is, epoch ms. */
export const dayBegins = (day: string, timeZone: string): number => localInstant(day, '00:00', timeZone);

/**
 * The instant of a time of day as a clock on the wall shows it, epoch ms. One that comes twice, when clocks go back, is the
 * first; one that is left out, when they go forward, is as long after the last that was.
 */
export function localInstant(day: string, time: string, timeZone: string): number {
  const wall = Date.parse(`${day}T${time}:00Z`);
  // The zone's offset at the instant that is looked for lies between those half a day before and after it.
  const offsetAt = (instant: number) => dayjs(instant).tz(timeZone).utcOffset() * 60_000;
  const before = wall - offsetAt(wall - 43_200_000);
  const after = wall - offsetAt(wall + 43_200_000);
  if (before === after) return before;
  const first = Math.min(before, after);
  const shows = (instant: number) => instant + offsetAt(instant) === wall;
  return shows(first) ? first : shows(Math.max(before, after)) ? Math.max(before, after) : before;
}

/** The next day of the calendar. */
export const dayAfter = (day: string): string =>
  new Date(Date.parse(`${day}T12:00:00Z`) + 86_400_000).toISOString().slice(0, 10);

/** Days of the zone of a workshop, as sums of hours are cut by. */
export const zoneDays = (timeZone: string): ZoneDays => ({
  dayOf: (instant) => dayOf(new Date(instant), timeZone),
  nextDay: (day) => dayBegins(dayAfter(day), timeZone),
});

/** Monday of the week a day lies in. */
export function weekOf(day: string): string {
  const date = new Date(`${day}T12:00:00Z`);
  const back = (date.getUTCDay() + 6) % 7;
  return new Date(date.getTime() - back * 86_400_000).toISOString().slice(0, 10);
}

/** How far into its day an instant is by the clock on the wall, hours to the minute. */
export function hoursInto(instant: string, timeZone: string): number {
  const wall = dayjs(instant).tz(timeZone);
  return wall.hour() + wall.minute() / 60;
}
