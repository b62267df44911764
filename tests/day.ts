import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone.js';
import utc from 'dayjs/plugin/utc.js';
import { WORKSHOP } from '../demo/workshop.ts';

dayjs.extend(utc);
dayjs.extend(timezone);

/** The sample's zone. The day of a test is settled once a file, so that two sides of a comparison never lie either side of midnight. */
const ZONE = WORKSHOP.timeZone;
const today = dayjs().tz(ZONE).startOf('day');

/** The day of the sample's workshop so many days from today, "2026-11-24"; negative ones have passed. */
export const inDays = (days: number): string =>
  dayjs.utc(today.format('YYYY-MM-DD')).add(days, 'day').format('YYYY-MM-DD');

/** How a person types a day, and how it is shown with its year: "3 Feb 2027". */
export const typed = (isoDay: string): string => dayjs.utc(isoDay).format('D MMM YYYY');

/** How lists show it: "3 Feb". */
export const shown = (isoDay: string): string => dayjs.utc(isoDay).format('D MMM');

/** How many days from today the first Monday lies that is at least so many days away: a week begun there is a working week. */
export function mondayFrom(days: number): number {
  const weekday = dayjs.utc(inDays(days)).day();
  return days + ((8 - weekday) % 7);
}

/** A moment of a day by the clock on the workshop's wall, whatever the season. */
export const atClock = (isoDay: string, hourMinute: string): Date => dayjs.tz(`${isoDay}T${hourMinute}`, ZONE).toDate();
