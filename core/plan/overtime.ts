import { weekday } from '../practice/workingDays.ts';
import { dayNumber } from '../quantity/format.ts';
import type { PlanFacts } from './facts.ts';
import type { PlanChange } from './planChange.ts';
import type { StoredPlan } from './storedPlan.ts';

/** "2026-12-01 10:30" as its day and its minute. */
function readLocal(local: string): { readonly day: number; readonly minute: number } {
  const [day = '', time = ''] = local.split(' ');
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  return { day: dayNumber(day), minute: hours * 60 + minutes };
}

/**
 * Person-hours of a plan that lie after the end of the workshop's own day: what longer days ask of people. Those with a day of
 * their own work no longer for it.
 *
 * @param facts as they are, without the longer days · @param changes that the plan was made with, longer days among them
 */
export function overtimeHours(facts: PlanFacts, changes: readonly PlanChange[], plan: StoredPlan): number {
  const longer = changes.reduce((sum, change) => sum + (change.kind === 'overtime' ? change.hours : 0), 0);
  if (longer === 0) return 0;
  const until = Math.min(24 * 60, facts.open.endMin + Math.round(longer * 60));
  const { workingDays, open, people } = facts;
  const closed = new Set(facts.closedDays.map(dayNumber));
  const worksOn = new Set(people.filter(({ dayHours }) => dayHours === null).map(({ id }) => id));
  let minutes = 0;
  for (const stage of plan.stages) {
    const hands = stage.people.filter((id) => worksOn.has(id)).length;
    if (hands === 0) continue;
    const from = readLocal(stage.from);
    const to = readLocal(stage.to);
    for (let day = from.day; day <= to.day; day++) {
      if (!workingDays.includes(weekday(day)) || closed.has(day)) continue;
      const begins = Math.max(open.endMin, day === from.day ? from.minute : 0);
      // A stage that goes on the next day was worked on to the end of this one.
      const ends = day === to.day ? to.minute : until;
      minutes += hands * Math.max(0, ends - begins);
    }
  }
  return minutes / 60;
}
