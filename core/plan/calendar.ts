import type { Span } from './problem.ts';

/** When somebody is there, for quick asking: stretches away, in order, apart from each other. */
export class Calendar {
  private readonly from: Float64Array;
  private readonly to: Float64Array;
  /** Never away. */
  readonly always: boolean;

  constructor(off: readonly Span[]) {
    this.always = off.length === 0;
    this.from = Float64Array.from(off, (span) => span.from);
    this.to = Float64Array.from(off, (span) => span.to);
  }

  /** Index of the first stretch away that ends after a minute. */
  private firstAfter(minute: number): number {
    let low = 0;
    let high = this.to.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.to[middle]! <= minute) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  /** The first minute from this one on at which one is there. */
  there(minute: number): number {
    for (let at = this.firstAfter(minute); at < this.from.length && this.from[at]! <= minute; at++)
      minute = Math.max(minute, this.to[at]!);
    return minute;
  }

  /** The first minute from this one on at which one is away; `Infinity` where that is never. */
  away(minute: number): number {
    const at = this.firstAfter(minute);
    return at < this.from.length ? Math.max(minute, this.from[at]!) : Number.POSITIVE_INFINITY;
  }

  /** Is one away at some minute of [from, to)? */
  awayIn(from: number, to: number): boolean {
    return this.away(from) < to;
  }
}

/**
 * When work that takes so many minutes is over, begun at a minute at which all are there: it goes on while all of them
 * are, and rests meanwhile. With nothing to do it is over at once.
 */
export function workedThrough(start: number, minutes: number, calendars: readonly Calendar[]): number {
  let now = start;
  let left = minutes;
  while (left > 0) {
    let next = Number.POSITIVE_INFINITY;
    for (const calendar of calendars) next = Math.min(next, calendar.away(now));
    if (next - now >= left) return now + left;
    left -= next - now;
    now = togetherFrom(next, calendars);
    if (!Number.isFinite(now)) return now;
  }
  return now;
}

/** The first minute from this one on at which all are there. */
export function togetherFrom(minute: number, calendars: readonly Calendar[]): number {
  for (let now = minute; ; ) {
    const then = calendars.reduce((latest, calendar) => calendar.there(latest), now);
    if (then === now) return now;
    now = then;
  }
}
