import { afterWorkingDays, beforeWorkingDays, type WorkCalendar, workingDaysIn } from '../practice/workingDays.ts';
import type { PlannedBegin } from './neededDay.ts';

/** A job that wants pieces of something scarce. */
export interface Wanting {
  readonly lineId: string;
  readonly jobNumber: string;
  readonly quantity: number;
  readonly neededDay: number | null;
  /** It holds them now. */
  readonly holds: boolean;
  /** Person-hours still to do; null where it has no stages: then no day can be told. */
  readonly remainingHours: number | null;
  /** The latest of its other parts that is awaited. */
  readonly otherPartsDay: number | null;
  readonly promisedDay: number | null;
  /** By the plan: when it is ready, and when the stage that wants the pieces begins; null where it is not planned. @default null */
  readonly plan?: (PlannedBegin & { readonly readyDay: number }) | null;
}

export interface Scarce {
  /** In bins, held or not. */
  readonly onHand: number;
  readonly receipts: readonly { readonly day: number; readonly quantity: number }[];
  /** Days until more could be here if it were ordered today. */
  readonly orderDays: number;
}

export interface WorkPace {
  readonly today: number;
  readonly hoursPerDay: number;
  readonly calendar: WorkCalendar;
}

export interface Outcome {
  readonly lineId: string;
  readonly jobNumber: string;
  /** The day it has the pieces. */
  readonly partDay: number;
  readonly readyDay: number | null;
  readonly promisedDay: number | null;
  /** Days after its promise; 0 when it keeps it or nobody promised. */
  readonly lateDays: number;
}

export interface Choice {
  /** Whoever has it first. */
  readonly lineId: string;
  readonly jobNumber: string;
  readonly outcomes: readonly Outcome[];
  /** Days late of all jobs together. */
  readonly lateInAll: number;
  readonly advised: boolean;
}

const INFINITE = Number.POSITIVE_INFINITY;

/**
 * The day a job is done when its pieces come on a day. By the plan where it plans the job: its day, moved by as many working
 * days as the stage that wants them begins sooner or later; bays and people stay as the plan has them. Else what is left to
 * do, from then or from when its other parts are there.
 */
function readyDay(job: Wanting, partDay: number, { today, hoursPerDay, calendar }: WorkPace): number | null {
  if (job.plan) {
    const { day, wantedDay, readyDay: planned } = job.plan;
    const soonest = Math.min(day, Math.max(wantedDay ?? day, job.otherPartsDay ?? 0));
    const begin = Math.max(today, soonest, partDay);
    if (begin >= day) return afterWorkingDays(planned, workingDaysIn(day, begin, calendar), calendar);
    return Math.max(begin, beforeWorkingDays(planned, workingDaysIn(begin, day, calendar), calendar) ?? planned);
  }
  if (job.remainingHours === null) return null;
  const start = Math.max(today, partDay, job.otherPartsDay ?? 0);
  return afterWorkingDays(start, job.remainingHours / hoursPerDay, calendar);
}

/**
 * Who gets the scarce piece: for each job that wants it, what giving it to that job first does to every job's day. The others
 * have what is left in the order they need it, then what is delivered, then what would come if it were ordered today. The
 * choice with the fewest days late in all is advised; of equal ones the one that leaves things as they are, then the
 * earliest need.
 */
export function choicesOf(scarce: Scarce, jobs: readonly Wanting[], pace: WorkPace): Choice[] {
  const byNeed = jobs.toSorted(
    (a, b) => (a.neededDay ?? INFINITE) - (b.neededDay ?? INFINITE) || (a.jobNumber < b.jobNumber ? -1 : 1),
  );
  const choices = byNeed.map((first) => {
    const order = [first, ...byNeed.filter((one) => one !== first)];
    const outcomes = new Map(dealOut(scarce, order, pace).map((outcome) => [outcome.lineId, outcome]));
    const all = byNeed.map(({ lineId }) => outcomes.get(lineId)!);
    const lateInAll = all.reduce((sum, { lateDays }) => sum + lateDays, 0);
    return { lineId: first.lineId, jobNumber: first.jobNumber, outcomes: all, lateInAll, holds: first.holds };
  });
  const least = Math.min(...choices.map(({ lateInAll }) => lateInAll));
  const best = choices.filter(({ lateInAll }) => lateInAll === least);
  const advised = best.find(({ holds }) => holds) ?? best[0];
  return choices.map(({ holds: _, ...choice }) => ({ ...choice, advised: choice.lineId === advised?.lineId }));
}

function dealOut({ onHand, receipts, orderDays }: Scarce, order: readonly Wanting[], pace: WorkPace): Outcome[] {
  const lots = [
    { day: pace.today, quantity: onHand },
    ...receipts
      // Whoever would wait longer for a delivery than for an order of today orders.
      .filter(({ day }) => day <= pace.today + orderDays)
      .toSorted((a, b) => a.day - b.day)
      .map(({ day, quantity }) => ({ day: Math.max(day, pace.today), quantity })),
  ];
  let at = 0;
  return order.map((job) => {
    let left = job.quantity;
    let partDay = pace.today;
    while (left > 0 && at < lots.length) {
      const lot = lots[at]!;
      const taken = Math.min(left, lot.quantity);
      lot.quantity -= taken;
      left -= taken;
      if (taken > 0) partDay = Math.max(partDay, lot.day);
      if (lot.quantity === 0) at++;
    }
    if (left > 0) partDay = Math.max(partDay, pace.today + orderDays);
    const ready = readyDay(job, partDay, pace);
    const { lineId, jobNumber, promisedDay } = job;
    const lateDays = ready !== null && promisedDay !== null ? Math.max(0, ready - promisedDay) : 0;
    return { lineId, jobNumber, partDay, readyDay: ready, promisedDay, lateDays };
  });
}
