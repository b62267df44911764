const DAY_MS = 86_400_000;

/** A moment on which something of the calendar is unlike most days. */
export interface HardDay {
  readonly name: string;
  /** ISO instant, UTC. */
  readonly at: string;
}

/** The last Sunday of a month, ISO day: when clocks change in the European Union (Directive 2000/84/EC). @param month 1 to 12 */
function lastSunday(year: number, month: number): string {
  const last = new Date(Date.UTC(year, month, 0));
  return new Date(last.getTime() - last.getUTCDay() * DAY_MS).toISOString().slice(0, 10);
}

const isLeap = (year: number) => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;

/**
 * The days on which a suite that leans on its day of writing falls over, the next of each after `now`: both changes of
 * the clock, 29 February, the last and first minutes of a year, a day on which the workshop is closed, and two years on.
 */
export function hardDays(now: Date): HardDay[] {
  const next = (at: (year: number) => string): string => {
    const year = now.getUTCFullYear();
    return new Date(at(year)).getTime() > now.getTime() ? at(year) : at(year + 1);
  };
  let leap = now.getUTCFullYear();
  while (!isLeap(leap) || Date.parse(`${leap}-02-29T10:00:00Z`) <= now.getTime()) leap++;
  return [
    { name: 'clocks go forward', at: next((year) => `${lastSunday(year, 3)}T00:40:00Z`) },
    { name: 'clocks go back', at: next((year) => `${lastSunday(year, 10)}T00:40:00Z`) },
    { name: '29 February', at: `${leap}-02-29T10:00:00Z` },
    { name: 'the last minutes of a year', at: next((year) => `${year}-12-31T23:50:00Z`) },
    { name: 'the first day of a year', at: next((year) => `${year}-01-01T09:00:00Z`) },
    { name: 'a day on which the workshop is closed', at: next((year) => `${year}-05-01T11:00:00Z`) },
    { name: 'two years on', at: new Date(now.getTime() + 731 * DAY_MS).toISOString() },
  ];
}
