import { medianOf } from '../quantity/median.ts';
import type { EntryKind } from '../stage/stageRules.ts';

/** Hours of one month, of one job, for one thing. */
export interface MonthHours {
  /** 2026-11 */
  readonly month: string;
  readonly job: string;
  readonly kind: EntryKind;
  readonly cause: string | null;
  readonly hours: number;
}

/** A job that was handed over. */
export interface DoneJob {
  readonly number: string;
  readonly title: string;
  /** ISO day. */
  readonly doneOn: string;
  readonly promised: string | null;
  readonly plannedHours: number;
  /** Work and learning. */
  readonly tookHours: number;
  readonly reworkHours: number;
  /** Days from the first hour on it to the last. */
  readonly days: number;
}

export interface CauseSum {
  readonly cause: string;
  readonly hours: number;
  readonly jobs: number;
  /** At what an hour costs the workshop. */
  readonly cents: number;
}

/** Months between two, both included: "2026-11" to "2027-01" is three. */
export function monthsFrom(first: string, last: string): string[] {
  const months: string[] = [];
  let [year, month] = first.split('-').map(Number) as [number, number];
  while (`${year}-${String(month).padStart(2, '0')}` <= last) {
    months.push(`${year}-${String(month).padStart(2, '0')}`);
    month = month === 12 ? 1 : month + 1;
    if (month === 1) year++;
  }
  return months;
}

/** Hours of each kind month by month, in the order of the months. */
export const byKind = (hours: readonly MonthHours[], months: readonly string[], kind: EntryKind): number[] =>
  months.map((month) =>
    hours.reduce((sum, one) => sum + (one.month === month && one.kind === kind ? one.hours : 0), 0),
  );

/** Rework or waiting by cause, the dearest first. */
export function byCause(hours: readonly MonthHours[], kind: 'rework' | 'waiting', hourCostCents: number): CauseSum[] {
  const causes = new Map<string, { hours: number; jobs: Set<string> }>();
  for (const one of hours) {
    if (one.kind !== kind) continue;
    const sum = causes.get(one.cause ?? '') ?? { hours: 0, jobs: new Set() };
    sum.hours += one.hours;
    sum.jobs.add(one.job);
    causes.set(one.cause ?? '', sum);
  }
  return [...causes]
    .map(([cause, { hours: sum, jobs }]) => ({
      ...{ cause, hours: sum, jobs: jobs.size, cents: Math.round(sum * hourCostCents) },
    }))
    .sort((a, b) => b.hours - a.hours || (a.cause < b.cause ? -1 : 1));
}

const DAY_MS = 86_400_000;

/** Days after its promise a job was handed over; less than nothing where it was early, null where nothing was promised. */
export const daysLate = ({ doneOn, promised }: Pick<DoneJob, 'doneOn' | 'promised'>): number | null =>
  promised === null ? null : Math.round((Date.parse(doneOn) - Date.parse(promised)) / DAY_MS);

export interface Throughput {
  readonly month: string;
  readonly inTime: number;
  readonly late: number;
  readonly notPromised: number;
}

/** Jobs handed over month by month, by whether they kept their promise. */
export const throughput = (done: readonly DoneJob[], months: readonly string[]): Throughput[] =>
  months.map((month) => {
    const own = done.filter(({ doneOn }) => doneOn.startsWith(month));
    const late = own.map(daysLate);
    return {
      ...{ month, notPromised: late.filter((days) => days === null).length },
      ...{ inTime: late.filter((days) => days !== null && days <= 0).length },
      late: late.filter((days) => days !== null && days > 0).length,
    };
  });

export interface ShopSummary {
  readonly done: number;
  /** Of those promised, the share that kept it; null where nothing was promised. */
  readonly keptShare: number | null;
  readonly medianDays: number | null;
  /** Hours taken for each planned. */
  readonly accuracy: number | null;
  /** Of all hours, those that were rework, and those that were waiting. */
  readonly reworkShare: number | null;
  readonly waitingShare: number | null;
}

/** What a stretch of time comes to. */
export function summaryOf(done: readonly DoneJob[], hours: readonly MonthHours[]): ShopSummary {
  const late = done.flatMap((job) => daysLate(job) ?? []);
  const planned = done.reduce((sum, job) => sum + job.plannedHours, 0);
  const all = hours.reduce((sum, one) => sum + one.hours, 0);
  const of = (kind: EntryKind) => hours.reduce((sum, one) => sum + (one.kind === kind ? one.hours : 0), 0);
  return {
    done: done.length,
    keptShare: late.length > 0 ? late.filter((days) => days <= 0).length / late.length : null,
    medianDays: done.length > 0 ? medianOf(done.map(({ days }) => days)) : null,
    accuracy: planned > 0 ? done.reduce((sum, job) => sum + job.tookHours, 0) / planned : null,
    reworkShare: all > 0 ? of('rework') / all : null,
    waitingShare: all > 0 ? of('waiting') / all : null,
  };
}
