import { afterWorkingDays, USUAL_CALENDAR } from '../../practice/workingDays.ts';
import { figure, missing } from '../figure.ts';

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
    const ready = afterWorkingDays(start, workDays, work.calendar ?? USUAL_CALENDAR);
    if (ready === null) return missing('noStages');
    return {
      value: ready,
      formula: 'later of today and the last part, + hours left ÷ hours a day on working days, closed days passed over',
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
