import ICAL from 'ical.js';
import type { ClosedDay } from '../../core/practice/practice.ts';

/** How far ahead days that come again are taken, years. */
const YEARS_AHEAD = 3;
/** Days a single entry may last: more is no holiday but a mistake. */
const LONGEST = 60;
/** Times one entry may come again. */
const MOST_TIMES = 400;

/**
 * Whole days of a calendar file (iCalendar, RFC 5545) from a day on: entries that last several days, and those that come
 * again, each day by itself; entries with hours are left out, since the workshop is open on those days.
 *
 * @returns null where the file is no calendar
 */
export function readCalendar(text: string, fromIso: string): ClosedDay[] | null {
  let events: ICAL.Component[];
  try {
    events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
  } catch {
    return null;
  }
  const until = `${Number(fromIso.slice(0, 4)) + YEARS_AHEAD}-12-31`;
  const days = new Map<string, string>();
  for (const entry of events) {
    try {
      for (const one of wholeDays(new ICAL.Event(entry), until)) if (one.day >= fromIso) days.set(one.day, one.name);
    } catch {
      // An entry without a beginning, or with one that is no day, closes nothing.
    }
  }
  return [...days].map(([day, name]) => ({ day, name })).sort((a, b) => a.day.localeCompare(b.day));
}

function wholeDays(event: ICAL.Event, until: string): ClosedDay[] {
  const name = (event.summary ?? '').slice(0, 80);
  const { startDate } = event;
  if (!startDate?.isDate) return [];
  const length = Math.min(LONGEST, Math.max(1, Math.round(event.duration.toSeconds() / 86_400)));
  const from = (start: ICAL.Time): ClosedDay[] =>
    Array.from({ length }, (_, i) => {
      const day = start.clone();
      day.adjust(i, 0, 0, 0);
      return { day: day.toString().slice(0, 10), name };
    });
  if (!event.isRecurring()) return from(startDate);
  const times = event.iterator();
  const found: ClosedDay[] = [];
  for (let i = 0; i < MOST_TIMES; i++) {
    const next = times.next();
    if (!next || next.toString().slice(0, 10) > until) break;
    found.push(...from(next));
  }
  return found;
}
