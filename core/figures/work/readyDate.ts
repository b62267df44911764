import { afterWorkingDays, beforeWorkingDays, USUAL_CALENDAR } from '../../practice/workingDays.ts';
import { type Answer, figure, type Missing, missing } from '../figure.ts';
import type { Planned, Slots } from '../slots.ts';

/**
 * The day the vehicle is ready: by the plan of all jobs where it plans this one, moved by what is more or less to do than it
 * reckoned with; else the earliest it could be, without asking whether bay and people are free.
 */
export const readyDate = figure({
  id: 'readyDate',
  name: 'Ready',
  group: null,
  kind: 'date',
  reads: ['work'],
  compute: (_, { work }) => {
    if (work.remainingHours === null) return missing('noStages');
    return work.planned ? byPlan(work, work.planned, work.remainingHours) : byHours(work, work.remainingHours);
  },
});

function byHours(
  { todayDay, latestPartDay, hoursPerDay, calendar }: Slots['work'],
  hours: number,
): Answer<number> | Missing {
  const start = Math.max(todayDay, latestPartDay ?? 0);
  const ready = afterWorkingDays(start, hours / hoursPerDay, calendar ?? USUAL_CALENDAR);
  if (ready === null) return missing('noStages');
  return {
    value: ready,
    formula: 'later of today and the last part, + hours left ÷ hours a day on working days, closed days passed over',
    terms: [
      { symbol: 'today', value: todayDay, kind: 'date' },
      ...(latestPartDay === null ? [] : [{ symbol: 'last part due', value: latestPartDay, kind: 'date' as const }]),
      { symbol: 'hours left', value: hours, kind: 'hours' },
      { symbol: 'hours a day', value: hoursPerDay, kind: 'hours' },
    ],
    source: 'hours of the stages; bays and people taken as free',
  };
}

function byPlan(work: Slots['work'], planned: Planned, hours: number): Answer<number> | Missing {
  const { todayDay, latestPartDay, hoursPerDay } = work;
  const calendar = work.calendar ?? USUAL_CALENDAR;
  if (planned.readyDay === null) return missing('notPlannable');
  const more = hours - (planned.hours ?? hours);
  const days = Math.abs(more) / hoursPerDay;
  const by = Math.max(planned.readyDay, todayDay);
  const moved = more < 0 ? beforeWorkingDays(by, days, calendar) : afterWorkingDays(by, days, calendar);
  // A part that comes later than any the plan knew of: what is more to do comes after it at the soonest.
  const later = latestPartDay !== null && latestPartDay > (planned.partDay ?? todayDay) ? latestPartDay : todayDay;
  const part = afterWorkingDays(later, Math.max(0, more) / hoursPerDay, calendar);
  if (moved === null || part === null) return missing('noStages');
  return {
    value: Math.max(moved, part),
    formula:
      more === 0 && later === todayDay
        ? 'the day by the plan of all jobs'
        : 'the day by the plan of all jobs, moved by what is to do more than it reckoned with ÷ hours a day; not before a later part',
    terms: [
      { symbol: 'by the plan', value: planned.readyDay, kind: 'date' },
      ...(more === 0 ? [] : [{ symbol: 'hours more', value: more, kind: 'hours' as const }]),
      ...(later === todayDay ? [] : [{ symbol: 'later part', value: later, kind: 'date' as const }]),
    ],
    source: 'the plan in force: people, bays, tools and parts as they are had',
  };
}
