import { figure, missing } from '../figure.ts';

/** Calendar days per working day: five in seven. */
const CALENDAR_DAYS = 7 / 5;

/** Earliest day the vehicle could be ready, without asking whether bay and people are free. */
export const readyDate = figure({
  id: 'readyDate',
  name: 'Ready',
  group: null,
  kind: 'date',
  reads: ['work'],
  compute: (_, { work }) => {
    if (work.remainingHours === null) return missing('noStages');
    const workDays = work.remainingHours / work.hoursPerDay;
    const start = Math.max(work.todayDay, work.latestPartDay ?? 0);
    return {
      value: Math.ceil(start + workDays * CALENDAR_DAYS),
      formula: 'later of today and the last part, + hours left ÷ hours a day, five days a week',
      terms: [
        { symbol: 'today', value: work.todayDay, kind: 'date' },
        ...(work.latestPartDay === null
          ? []
          : [{ symbol: 'last part due', value: work.latestPartDay, kind: 'date' as const }]),
        { symbol: 'hours left', value: work.remainingHours, kind: 'hours' },
        { symbol: 'hours a day', value: work.hoursPerDay, kind: 'hours' },
      ],
      source: 'hours of the stages; bays and people taken as free',
    };
  },
});
