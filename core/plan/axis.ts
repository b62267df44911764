import { type WorkCalendar, weekday } from '../practice/workingDays.ts';
import type { Span } from './problem.ts';

/** When a workshop is open, of a working day: minutes since midnight, local. */
export interface OpenDay {
  readonly startMin: number;
  /** A break in the middle of the working day. */
  readonly breakMin: number;
  readonly endMin: number;
}

/** A moment of the calendar: day since 1970-01-01 and minute since its midnight, local time of the workshop. */
export interface Moment {
  readonly day: number;
  readonly minute: number;
}

/** Days looked ahead at most: nobody plans further. */
const FURTHEST = 3660;

/**
 * Working time laid end to end: minute 0 is the first working minute from a moment on; nights, breaks, free days and
 * closed days take none of it. A day of seven and a half hours is 450 minutes long, whatever the clock does in the night:
 * local time is what people work by, so that the change of the clocks moves nothing.
 */
export class WorkAxis {
  /** Working days from the first on, in order. */
  private readonly days: number[] = [];
  private readonly index = new Map<number, number>();
  private looked: number;
  private readonly begin: number;
  /** Working minutes of a day. */
  readonly dayMinutes: number;
  private readonly breakAt: number;
  private readonly open: OpenDay;
  private readonly calendar: WorkCalendar;

  constructor(from: Moment, open: OpenDay, calendar: WorkCalendar) {
    this.open = open;
    this.calendar = calendar;
    this.dayMinutes = Math.max(1, Math.round(open.endMin - open.startMin - open.breakMin));
    // The break begins when half the day's work is done, to the nearest hour: common practice.
    this.breakAt = open.startMin + Math.round(this.dayMinutes / 120) * 60;
    this.looked = from.day - 1;
    this.begin = 0;
    this.begin = this.raw(from);
  }

  private dayAt(index: number): number | null {
    while (this.days.length <= index) {
      if (this.days.length > 0 && this.looked - this.days[0]! > FURTHEST) return null;
      if (this.days.length === 0 && this.looked > FURTHEST * 20) return null;
      this.looked++;
      if (this.calendar.workingDays.includes(weekday(this.looked)) && !this.calendar.closed.has(this.looked)) {
        this.index.set(this.looked, this.days.length);
        this.days.push(this.looked);
      }
    }
    return this.days[index]!;
  }

  /** Working minutes of a day before a clock time. */
  private minuteOf(clock: number): number {
    const { startMin, breakMin } = this.open;
    const before = Math.min(clock, this.breakAt) - startMin;
    const after = Math.max(0, clock - this.breakAt - breakMin);
    return Math.max(0, Math.min(this.dayMinutes, before + after));
  }

  private raw({ day, minute }: Moment): number {
    // Up to and with this day.
    let count = this.days.length;
    while (count === 0 || this.looked < day) {
      if (this.dayAt(count) === null) break;
      count = this.days.length;
    }
    const at = this.index.get(day);
    if (at !== undefined) return at * this.dayMinutes + this.minuteOf(minute);
    // A free day: what is before it.
    let low = 0;
    let high = this.days.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.days[middle]! < day) low = middle + 1;
      else high = middle;
    }
    return low * this.dayMinutes;
  }

  /** The working minute of a moment; below 0 before the axis begins, where every day counts, so that what was sooner stays so. */
  minuteAt(moment: Moment): number {
    const first = this.days[0];
    if (first !== undefined && moment.day < first)
      return (moment.day - first) * this.dayMinutes + this.minuteOf(moment.minute) - this.begin;
    return this.raw(moment) - this.begin;
  }

  /** The moment of a working minute: as a begin the first of a day rather than the last of the day before, as an end the other way. */
  momentOf(minute: number, side: 'start' | 'end'): Moment {
    const raw = minute + this.begin;
    let index = Math.floor(raw / this.dayMinutes);
    let within = raw - index * this.dayMinutes;
    if (side === 'end' && within === 0 && raw > this.begin) {
      index--;
      within = this.dayMinutes;
    }
    const day = this.dayAt(index) ?? this.days.at(-1) ?? this.looked;
    const { startMin, breakMin } = this.open;
    const clock = startMin + within;
    const later = clock > this.breakAt || (side === 'start' && clock === this.breakAt);
    return { day, minute: later ? clock + breakMin : clock };
  }

  /** Whole days away, the last one included, as working time. */
  spanOf(fromDay: number, toDay: number): Span {
    const from = Math.max(0, this.minuteAt({ day: fromDay, minute: 0 }));
    return { from, to: Math.max(from, this.minuteAt({ day: toDay + 1, minute: 0 })) };
  }

  /** What a person with a shorter day is not there for, over so many minutes of the axis; nothing where it is not shorter. */
  shortDays(minutes: number, until: number): Span[] {
    if (minutes >= this.dayMinutes) return [];
    const spans: Span[] = [];
    const firstDay = Math.floor(this.begin / this.dayMinutes);
    for (let day = firstDay; day * this.dayMinutes - this.begin < until; day++) {
      const from = Math.max(0, day * this.dayMinutes + Math.round(minutes) - this.begin);
      const to = (day + 1) * this.dayMinutes - this.begin;
      if (to > from) spans.push({ from, to });
    }
    return spans;
  }

  /** All working days but those of some days of the week (1 Monday to 7 Sunday), over so many minutes of the axis. */
  otherDays(daysOfWeek: readonly number[], until: number): Span[] {
    const spans: Span[] = [];
    for (let index = Math.floor(this.begin / this.dayMinutes); ; index++) {
      const from = index * this.dayMinutes - this.begin;
      const day = this.dayAt(index);
      if (from >= until || day === null) return merged(spans);
      if (!daysOfWeek.includes(weekday(day))) spans.push({ from: Math.max(0, from), to: from + this.dayMinutes });
    }
  }
}

/** Stretches in order, apart from each other: those that touch become one, empty ones are left out. */
export function merged(spans: readonly Span[]): Span[] {
  const sorted = spans.filter(({ from, to }) => to > from).toSorted((a, b) => a.from - b.from);
  const out: { from: number; to: number }[] = [];
  for (const { from, to } of sorted) {
    const last = out.at(-1);
    if (last && from <= last.to) last.to = Math.max(last.to, to);
    else out.push({ from, to });
  }
  return out;
}
