import { dayNumber, isoDay } from '../quantity/format.ts';
import { type PlanFacts, planGround } from './facts.ts';
import type { Span } from './problem.ts';
import { plannedAgain, type StoredPlan } from './storedPlan.ts';

/** What somebody, or a bay, has to do in a week, and could; hours of working time. */
export interface LoadWeek {
  /** Its Monday, ISO. */
  readonly week: string;
  readonly planned: number;
  readonly able: number;
}
export interface LoadOf {
  readonly id: string;
  readonly name: string;
  readonly weeks: readonly LoadWeek[];
}
export interface Load {
  readonly people: readonly LoadOf[];
  readonly bays: readonly LoadOf[];
}

const DAYS = 7;
const shared = (a: Span, b: Span): number => Math.max(0, Math.min(a.to, b.to) - Math.max(a.from, b.from));

/** What the plan asks of each person and each bay, week by week from this one on; days away and short days taken off. */
export function loadOf(facts: PlanFacts, plan: StoredPlan, weeks = 12): Load {
  const { problem, axis } = planGround(facts);
  const stages = plannedAgain(plan, axis);
  const today = dayNumber(facts.now.day);
  // Day 0 was a Thursday.
  const monday = today - ((((today + 3) % DAYS) + DAYS) % DAYS);
  const minute = (day: number) => Math.max(0, axis.minuteAt({ day, minute: 0 }));
  const spans = Array.from({ length: weeks }, (_, i) => ({
    ...{ week: isoDay(monday + i * DAYS), from: minute(monday + i * DAYS), to: minute(monday + (i + 1) * DAYS) },
  }));
  const row = (id: string, name: string, off: readonly Span[], busy: readonly Span[]): LoadOf => ({
    ...{ id, name },
    weeks: spans.map(({ week, ...span }) => {
      const away = off.reduce((sum, one) => sum + shared(one, span), 0);
      const planned = busy.reduce((sum, one) => {
        const inWeek = { from: Math.max(one.from, span.from), to: Math.min(one.to, span.to) };
        if (inWeek.to <= inWeek.from) return sum;
        return sum + inWeek.to - inWeek.from - off.reduce((less, gap) => less + shared(gap, inWeek), 0);
      }, 0);
      return { week, planned: planned / 60, able: Math.max(0, span.to - span.from - away) / 60 };
    }),
  });
  const busyWhere = (wanted: (stage: (typeof stages)[number]) => boolean) =>
    stages.filter(wanted).map(({ start, end }) => ({ from: start, to: end }));
  return {
    people: facts.people.map(({ id, name }) => {
      const off = problem.people.find((one) => one.id === id)?.off ?? [];
      return row(
        id,
        name,
        off,
        busyWhere(({ people }) => people.includes(id)),
      );
    }),
    bays: facts.places.map(({ id, name }) =>
      row(
        id,
        name,
        [],
        busyWhere(({ placeId }) => placeId === id),
      ),
    ),
  };
}

/** The weeks in which more is asked than can be given, or nearly: from nine tenths on, common practice. */
export const isFull = ({ planned, able }: LoadWeek): boolean => planned > 0.9 * able && planned > 0;
