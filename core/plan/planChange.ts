import { dayNumber, isoDay } from '../quantity/format.ts';
import type { FactStage, PlanFacts, Priority } from './facts.ts';

/** One thing that is thought to be otherwise: what a what-if is made of, and what a hand on the plan does. */
export type PlanChange =
  /** Below zero: so many days sooner. */
  | { readonly kind: 'partLate'; readonly job: string; readonly componentId: string; readonly days: number }
  | { readonly kind: 'away'; readonly personId: string; readonly from: string; readonly to: string }
  | { readonly kind: 'priority'; readonly job: string; readonly priority: Priority }
  | { readonly kind: 'hold'; readonly stageId: string; readonly day: string | null }
  /** A firm outside does a stage and has the vehicle for so many of its days; null: the workshop's own people do. */
  | { readonly kind: 'firm'; readonly stageId: string; readonly firmId: string | null; readonly days: number | null }
  | { readonly kind: 'lift'; readonly placeId: string }
  /** One person more, who can do and may do what this one can and may. */
  | { readonly kind: 'person'; readonly like: string }
  /** One tool or instrument more of a kind. */
  | { readonly kind: 'tool'; readonly tool: string }
  | { readonly kind: 'overtime'; readonly hours: number };

export const PLAN_CHANGES = [
  'partLate',
  'away',
  'priority',
  'hold',
  'firm',
  'lift',
  'person',
  'tool',
  'overtime',
] as const;

/** A change that was made so, with what it takes to undo it: what was before, the lines it moved, the days away it entered. */
export type HandDone =
  | (Extract<PlanChange, { kind: 'hold' }> & { readonly before: string | null })
  | (Extract<PlanChange, { kind: 'firm' }> & { readonly before: FactStage['firm'] })
  | (Extract<PlanChange, { kind: 'priority' }> & { readonly before: Priority })
  | (Extract<PlanChange, { kind: 'partLate' }> & {
      /** The lines it moved, with the day it gave them. */
      readonly lines: readonly { readonly id: string; readonly due: string | null }[];
    })
  | (Extract<PlanChange, { kind: 'away' }> & { readonly absenceId: string });

/** The facts as they were before a hand was laid on the plan. */
export const withoutHand = (facts: PlanFacts, hand: readonly HandDone[]): PlanFacts => hand.reduceRight(without, facts);

function without(facts: PlanFacts, done: HandDone): PlanFacts {
  switch (done.kind) {
    case 'hold':
      return withChange(facts, { ...done, day: done.before });
    case 'firm':
      return withStage(facts, done.stageId, { firm: done.before });
    case 'priority':
      return withChange(facts, { ...done, priority: done.before });
    case 'partLate':
      return withChange(facts, { ...done, days: -done.days });
    case 'away': {
      const { personId, from, to } = done;
      const people = facts.people.map((one) => {
        const at = one.id === personId ? one.away.findIndex((span) => span.from === from && span.to === to) : -1;
        return at < 0 ? one : { ...one, away: one.away.toSpliced(at, 1) };
      });
      return { ...facts, people };
    }
  }
}

/** What is had elsewhere than by accepting it, and where. */
export const NOT_BY_PLANNING: Partial<Readonly<Record<PlanChange['kind'], string>>> = {
  lift: 'A lift is not had by planning it. Set it up on the Floor, in Move walls and places.',
  person: 'Nobody is had by planning them. Enter a new person in People.',
  tool: 'A tool is not had by planning it. Enter it in Stores, Tools.',
  overtime: 'Overtime is agreed with people. Set their working day in People, or the workshop’s in Workshop.',
};

/**
 * The facts as they would be. What a change names and is not there any more changes nothing: a job may have been handed
 * over since. Overtime lengthens every working day of everybody who works the workshop's day.
 */
export function withChanges(facts: PlanFacts, changes: readonly PlanChange[]): PlanFacts {
  return changes.reduce(withChange, facts);
}

const withStage = (facts: PlanFacts, stageId: string, change: Partial<FactStage>): PlanFacts => ({
  ...facts,
  jobs: facts.jobs.map((job) =>
    job.stages.some(({ id }) => id === stageId)
      ? { ...job, stages: job.stages.map((stage) => (stage.id === stageId ? { ...stage, ...change } : stage)) }
      : job,
  ),
});

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
      return withStage(facts, change.stageId, { notBefore: change.day });
    case 'firm': {
      const { firmId: id, days } = change;
      return withStage(facts, change.stageId, { firm: id === null || days === null ? null : { id, days } });
    }
    case 'lift':
      return {
        ...facts,
        places: facts.places.map((place) => (place.id === change.placeId ? { ...place, lift: true } : place)),
      };
    case 'person': {
      const like = facts.people.find(({ id }) => id === change.like);
      if (!like) return facts;
      const id = `${like.id} + ${facts.people.length}`;
      const more = { ...like, id, name: `one more like ${like.name}`, initials: `+${like.initials}`, away: [] };
      return { ...facts, people: [...facts.people, more] };
    }
    case 'tool': {
      const id = `${change.tool} + ${facts.tools.length}`;
      return { ...facts, tools: [...facts.tools, { id, kind: change.tool, name: 'one more', until: null }] };
    }
    case 'overtime':
      return {
        ...facts,
        open: { ...facts.open, endMin: Math.min(24 * 60, facts.open.endMin + Math.round(change.hours * 60)) },
      };
  }
}
