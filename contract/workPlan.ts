import Joi from 'joi';
import { type PlanFacts, PRIORITIES } from '../core/plan/facts.ts';
import type { PlanChange } from '../core/plan/planChange.ts';
import type { StoredPlan } from '../core/plan/storedPlan.ts';
import { address, answers } from './address.ts';
import {
  componentId,
  faultAt,
  isoDate,
  type Made,
  type Mutable,
  number,
  slug,
  text,
  uuid,
  type Versioned,
  version,
  whole,
} from './fields.ts';

export interface ScenarioRow {
  readonly id: string;
  readonly name: string;
  readonly changes: readonly PlanChange[];
  readonly by: string;
  readonly at: string;
  readonly version: number;
}

/** The plan in force with what it rests on now. */
export interface WorkPlanSheet {
  readonly facts: PlanFacts;
  /** Null while none has been made. */
  readonly plan: StoredPlan | null;
  /** Of the plan in force; 0 without one. */
  readonly planId: number;
  readonly madeAt: string | null;
  /** Who had it made; null: it was made by itself. */
  readonly madeBy: string | null;
  /** Something has happened since that may change it. */
  readonly stale: boolean;
  readonly scenarios: readonly ScenarioRow[];
  /** The last hand that was laid on the plan and can be undone. */
  readonly lastHand: PlanHandDone | null;
}

export interface PlanHandDone {
  readonly id: number;
  readonly changes: readonly PlanChange[];
  readonly by: string;
  readonly at: string;
}

const jobNumber = Joi.string()
  .pattern(/^\d{2}-\d{3,5}$/, { name: 'is not the number of a job' })
  .label('Job');
const priority = Joi.string()
  .valid(...PRIORITIES)
  .label('Priority');
const days = { from: isoDate('From').required(), to: isoDate('To').required() };

const inOrder = (body: { from: string; to: string }, helpers: Joi.CustomHelpers) =>
  body.to >= body.from ? body : faultAt(helpers, 'to', 'To', 'is before the first day');

const stageId = text('Stage', 120);
/** Fields of each kind of change. */
const FIELDS: Record<PlanChange['kind'], Joi.ObjectSchema> = {
  partLate: Joi.object({
    job: jobNumber.required(),
    componentId: componentId('Part').required(),
    days: whole('Days later', -365, 365).required(),
  }).custom((change: { days: number }, helpers) =>
    change.days === 0 ? faultAt(helpers, 'days', 'Days later', 'are none: that changes nothing') : change,
  ),
  away: Joi.object({ personId: uuid('Person').required(), ...days }).custom(inOrder),
  priority: Joi.object({ job: jobNumber.required(), priority: priority.required() }),
  hold: Joi.object({ stageId: stageId.required(), day: isoDate('Not before').allow(null).required() }),
  firm: Joi.object({
    stageId: stageId.required(),
    firmId: slug('Firm').allow(null).required(),
    days: number('Days it has the vehicle', 0.5, 120).allow(null).required(),
  }).custom((change: { firmId: string | null; days: number | null }, helpers) =>
    (change.firmId === null) === (change.days === null)
      ? change
      : faultAt(helpers, 'days', 'Days it has the vehicle', change.firmId ? 'is needed' : 'is of no firm'),
  ),
  lift: Joi.object({ placeId: slug('Bay').required() }),
  person: Joi.object({ like: uuid('Person').required() }),
  tool: Joi.object({ tool: text('Tool', 60).min(2).required() }),
  overtime: Joi.object({ hours: number('Hours a day', 0.5, 6).required() }),
};
/** One change, by the fields of its kind, so that what is wrong is said at its field. */
const planChange = Joi.alternatives()
  .conditional('.kind', {
    switch: Object.entries(FIELDS).map(([is, fields]) => ({
      is,
      // biome-ignore lint/suspicious/noThenProperty: a word of Joi's
      then: fields.keys({ kind: Joi.string().valid(is).required() }),
    })),
    otherwise: Joi.forbidden(),
  })
  .label('Change');

export interface NewScenario {
  readonly name: string;
  readonly changes: readonly PlanChange[];
}
const scenarioSchema = Joi.object<Mutable<NewScenario>, true>({
  name: text('Name', 60).min(2).required(),
  changes: Joi.array().items(planChange).min(1).max(20).label('What is otherwise').required() as never,
});

/** A hand on the plan: what holds a stage, or how much a job counts; from the plan that was seen. */
export interface PlanHand {
  readonly changes: readonly PlanChange[];
  /** The plan it was decided on. */
  readonly planId: number;
}
const handSchema = Joi.object<Mutable<PlanHand>, true>({
  changes: Joi.array().items(planChange).min(1).max(20).label('Changes').required() as never,
  planId: Joi.number().integer().min(0).label('Plan').required(),
});

export interface NewAbsence {
  readonly from: string;
  readonly to: string;
  readonly why: string;
}
export interface AbsenceRow extends NewAbsence {
  readonly id: string;
  readonly personId: string;
}

export const workPlanAddress = {
  sheet: address({ method: 'get', path: '/work-plan', may: 'viewer', answer: answers<WorkPlanSheet>() }),
  /** Makes it anew from what is stored now. */
  make: address({
    method: 'post',
    path: '/work-plan',
    may: 'technician',
    answer: answers<{ readonly planId: number }>(),
  }),
  /** Holds, priorities, days away: stored, and the plan made anew with them. */
  hand: address({
    method: 'post',
    path: '/work-plan/changes',
    may: 'manager',
    body: handSchema,
    answer: answers<{ readonly planId: number }>(),
  }),
  /** Puts back what the last hand did, and plans anew. */
  undo: address({
    method: 'post',
    path: '/work-plan/undo',
    may: 'manager',
    body: Joi.object<{ handId: number; planId: number }, true>({
      handId: Joi.number().integer().min(1).label('Hand').required(),
      planId: Joi.number().integer().min(0).label('Plan').required(),
    }),
    answer: answers<{ readonly planId: number }>(),
  }),
  addScenario: address({
    method: 'post',
    path: '/scenarios',
    may: 'technician',
    body: scenarioSchema,
    answer: answers<Made>(),
  }),
  throwAway: address({
    method: 'post',
    path: '/scenarios/:id/throw-away',
    may: 'technician',
    body: Joi.object<{ version: number }, true>({ version }),
    answer: answers<Versioned>(),
  }),
  /** What it thinks is made so, as far as that is in the workshop's hand. */
  adopt: address({
    method: 'post',
    path: '/scenarios/:id/adopt',
    may: 'manager',
    body: Joi.object<{ version: number; planId: number }, true>({
      version,
      planId: Joi.number().integer().min(0).label('Plan').required(),
    }),
    answer: answers<{ readonly planId: number }>(),
  }),
  absences: address({ method: 'get', path: '/absences', may: 'viewer', answer: answers<AbsenceRow[]>() }),
  addAbsence: address({
    method: 'post',
    path: '/people/:id/absences',
    may: 'manager',
    body: Joi.object<NewAbsence, true>({ ...days, why: text('Why', 120).allow('').required() }).custom(inOrder),
    answer: answers<Made>(),
  }),
  dropAbsence: address({ method: 'post', path: '/absences/:id/drop', may: 'manager', answer: answers<Made>() }),
} as const;
