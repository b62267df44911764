import type { EntryKind } from '../stage/stageRules.ts';
import { clockedTo, type Span } from './entry.ts';

const HOUR_MS = 3_600_000;

/** Days as the workshop's zone has them: one begins where the other ends, and some have 23 or 25 hours. */
export interface ZoneDays {
  /** ISO day of an instant (epoch ms). */
  readonly dayOf: (instant: number) => string;
  /** When the day after this one begins, epoch ms. */
  readonly nextDay: (day: string) => number;
}

/** The part of a span that lies on one day. */
export interface DayPart {
  readonly day: string;
  readonly from: number;
  readonly to: number;
  readonly hours: number;
}

/** A span cut at each midnight of the workshop; its parts add up to it to the millisecond. Open ones as `clockedTo`. */
export function byDay(span: Span, now: number, days: ZoneDays): DayPart[] {
  const end = clockedTo(span, now);
  const parts: DayPart[] = [];
  let from = span.from;
  while (from < end) {
    const day = days.dayOf(from);
    const to = Math.min(end, days.nextDay(day));
    parts.push({ day, from, to, hours: (to - from) / HOUR_MS });
    from = to;
  }
  return parts;
}

/** Hours of somebody on something. */
export interface Clocked extends Span {
  readonly personId: string;
  readonly jobNumber: string;
  readonly stageId: string;
  readonly kind: EntryKind;
}

/** Milliseconds by a key; kept whole so that sums over different keys agree exactly. */
export type SumsMs = ReadonlyMap<string, number>;

/** Sums by whatever a part of an entry is looked at by: its day, person, job, stage, kind. */
export function sumsBy<E extends Clocked>(
  entries: readonly E[],
  now: number,
  days: ZoneDays,
  keyOf: (entry: E, day: string) => string,
): SumsMs {
  const sums = new Map<string, number>();
  for (const entry of entries)
    for (const { day, from, to } of byDay(entry, now, days)) {
      const key = keyOf(entry, day);
      sums.set(key, (sums.get(key) ?? 0) + (to - from));
    }
  return sums;
}

export const hoursOfMs = (ms: number): number => ms / HOUR_MS;

/** Entries cut to a stretch of time: what lies outside is left off. */
export function within<E extends Span>(entries: readonly E[], from: number, to: number, now: number): E[] {
  return entries.flatMap((entry) => {
    const start = Math.max(entry.from, from);
    const end = Math.min(clockedTo(entry, now), to);
    return start < end ? [{ ...entry, from: start, to: end }] : [];
  });
}

/** Was somebody's clock left running from a day before this one? Then only they know when they stopped. */
export const isForgotten = ({ from, to }: Span, now: number, days: ZoneDays): boolean =>
  to === null && days.dayOf(from) < days.dayOf(now);
