import { dayNumber, isoDay } from '../quantity/format.ts';
import type { PlanFacts, Priority } from './facts.ts';

/** One thing that is thought to be otherwise: what a what-if is made of, and what a hand on the plan does. */
export type PlanChange =
  | { readonly kind: 'partLate'; readonly job: string; readonly componentId: string; readonly days: number }
  | { readonly kind: 'away'; readonly personId: string; readonly from: string; readonly to: string }
  | { readonly kind: 'priority'; readonly job: string; readonly priority: Priority }
  | { readonly kind: 'hold'; readonly stageId: string; readonly day: string | null }
  | { readonly kind: 'lift'; readonly placeId: string }
  | { readonly kind: 'overtime'; readonly hours: number };

export const PLAN_CHANGES = ['partLate', 'away', 'priority', 'hold', 'lift', 'overtime'] as const;

/**
 * The facts as they would be. What a change names and is not there any more changes nothing: a job may have been handed
 * over since. Overtime lengthens every working day of everybody who works the workshop's day.
 */
export function withChanges(facts: PlanFacts, changes: readonly PlanChange[]): PlanFacts {
  return changes.reduce(withChange, facts);
}

function withChange(facts: PlanFacts, change: PlanChange): PlanFacts {
  switch (change.kind) {
    case 'partLate':
      return {
        ...facts,
        jobs: facts.jobs.map((job) =>
          job.number !== change.job
            ? job
            : {
                ...job,
                parts: job.parts.map((part) =>
                  part.componentId !== change.componentId
                    ? part
                    : part.due === null
                      ? { ...part, leadDays: part.leadDays + change.days }
                      : { ...part, due: isoDay(dayNumber(part.due) + change.days) },
                ),
              },
        ),
      };
    case 'away':
      return {
        ...facts,
        people: facts.people.map((one) =>
          one.id === change.personId ? { ...one, away: [...one.away, { from: change.from, to: change.to }] } : one,
        ),
      };
    case 'priority':
      return {
        ...facts,
        jobs: facts.jobs.map((job) => (job.number === change.job ? { ...job, priority: change.priority } : job)),
      };
    case 'hold':
      return {
        ...facts,
        jobs: facts.jobs.map((job) => ({
          ...job,
          stages: job.stages.map((stage) =>
            stage.id === change.stageId ? { ...stage, notBefore: change.day } : stage,
          ),
        })),
      };
    case 'lift':
      return {
        ...facts,
        places: facts.places.map((place) => (place.id === change.placeId ? { ...place, lift: true } : place)),
      };
    case 'overtime':
      return {
        ...facts,
        open: { ...facts.open, endMin: Math.min(24 * 60, facts.open.endMin + Math.round(change.hours * 60)) },
      };
  }
}
