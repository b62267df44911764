import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone.js';
import utc from 'dayjs/plugin/utc.js';

dayjs.extend(utc);
dayjs.extend(timezone);

/** Every instant a person reads is told in the workshop's zone, whatever the machine's is. */
const at = (instant: string | Date, timeZone: string) => dayjs(instant).tz(timeZone);

/** "14:05" */
export const clock = (iso: string, timeZone: string): string => at(iso, timeZone).format('HH:mm');
/** "9 Dec, 14:05" */
export const dayAndTime = (iso: string, timeZone: string): string => at(iso, timeZone).format('D MMM, HH:mm');
/** With the year: for papers, which are read for years. */
export const dayTimeAndYear = (iso: string, timeZone: string): string => at(iso, timeZone).format('D MMM YYYY, HH:mm');
/** "Tuesday 24 November" */
export const weekdayAndDay = (iso: string, timeZone: string): string => at(iso, timeZone).format('dddd D MMMM');
/** The calendar day of an instant: "2026-11-24". */
export const dayOf = (instant: string | Date, timeZone: string): string => at(instant, timeZone).format('YYYY-MM-DD');
/** A calendar day, "2026-12-09", as "9 Dec". */
export const dayText = (isoDate: string): string => dayjs.utc(isoDate).format('D MMM');
/** With the year: for what lasts years, as a warranty does. */
export const dayAndYear = (isoDate: string): string => dayjs.utc(isoDate).format('D MMM YYYY');

/** How long since an instant: "2 h 05", "35 min". @param now ms since 1970 */
export function forHowLong(since: string, now: number): string {
  const minutes = Math.max(0, Math.floor((now - Date.parse(since)) / 60_000));
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
}
