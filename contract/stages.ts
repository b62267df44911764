import Joi, { type CustomHelpers } from 'joi';
import { CAUSES, REWORK_CAUSES, type ReworkCause } from '../core/hours/entry.ts';
import type { StageTrait, StepLimit } from '../core/kit/kit.ts';
import type { ReadingVerdict } from '../core/stage/limit.ts';
import { ENTRY_KINDS, type EntryKind, type StageState } from '../core/stage/stageRules.ts';
import { A_FILE, address, answers } from './address.ts';
import type { Made } from './fields.ts';
import { faultAt, number, text, uuid, whole } from './fields.ts';

export interface Reading {
  readonly value: number;
  readonly verdict: 'within' | 'under' | 'over';
  readonly by: string;
  readonly at: string;
  readonly decidedBy: string | null;
  readonly reason: string | null;
  /** What it was taken with. */
  readonly tool: string | null;
  readonly secondBy: string | null;
}

export interface StepRow {
  readonly id: string;
  readonly text: string;
  readonly note: string;
  readonly limit: StepLimit | null;
  /** The kind of tool it is done or measured with. */
  readonly tool: string | null;
  /** A second person looks and signs. */
  readonly second: boolean;
  /** Bolts tightened in turn. */
  readonly bolts: number | null;
  /** The newest reading; confirmations carry value 1. */
  readonly reading: Reading | null;
}

export interface StageRow {
  readonly id: string;
  readonly key: string;
  readonly name: string;
  readonly traits: readonly StageTrait[];
  readonly after: readonly string[];
  readonly hours: number;
  /** Whose hours; empty: anybody's. */
  readonly skill: string;
  readonly people: number;
  /** People who can share its hours; null: as many as it takes. */
  readonly mostPeople: number | null;
  readonly liveHv: boolean;
  readonly tools: readonly string[];
  readonly needs: string;
  readonly note: string;
  readonly state: StageState;
  readonly hvConfirmed: boolean;
  readonly version: number;
  readonly startedAt: string | null;
  readonly finishedAt: string | null;
  readonly finishedBy: string | null;
  readonly hoursClocked: number;
  readonly hoursRework: number;
  readonly onIt: readonly {
    readonly personId: string;
    readonly initials: string;
    readonly since: string;
    readonly kind: EntryKind;
  }[];
  readonly steps: readonly StepRow[];
}

export interface ClockOn {
  readonly kind: EntryKind;
  readonly cause: string | null;
  /** Clocks off where they are first, in the same moment. */
  readonly leave?: boolean;
}
export interface ClockOff {
  /** For a break: they mean to go on here. */
  readonly pause?: boolean;
}
const clockOffSchema = Joi.object<ClockOff, true>({ pause: Joi.boolean().label('Break').default(false) });

/** Of a stage; null takes it as it stands, for what was done away from the server. */
export interface FinishBody {
  readonly version: number | null;
}
const finishSchema = Joi.object<FinishBody, true>({ version: whole('Version', 0, 1e9).allow(null).required() });
/** Kind of time and its cause, as they stand in every body that says what somebody's hours are for. */
export const kindAndCause = {
  kind: Joi.string()
    .valid(...ENTRY_KINDS)
    .label('Kind of time')
    .required(),
  cause: text('Cause', 40).allow(null).required(),
};
/** Rework and waiting say their cause, others none. */
export function withCause<B extends { kind: EntryKind; cause: string | null }>(body: B, helpers: CustomHelpers) {
  const causes = CAUSES[body.kind];
  if (causes && !causes.includes(body.cause ?? ''))
    return faultAt(helpers, 'cause', 'Cause', `is needed for ${body.kind}`);
  return causes ? body : { ...body, cause: null };
}
export const clockOnSchema = Joi.object<ClockOn, true>({
  ...kindAndCause,
  leave: Joi.boolean().label('Leave where I am').default(false),
}).custom(withCause);

export interface ReadingBody {
  readonly value: number;
  /** The tool or instrument, where the step is done with one. */
  readonly toolId?: string | null;
}
export const readingSchema = Joi.object<ReadingBody, true>({
  value: number('Measured value', -1e9, 1e9).required(),
  toolId: uuid('With').allow(null).default(null),
});

export interface ReasonBody {
  readonly reason: string;
}
const reasonSchema = Joi.object<ReasonBody, true>({ reason: text('Reason', 300).min(3).required() });

export interface SnagBody {
  readonly text: string;
}
/** How a snag was put right, why it was there and what it cost, as far as anybody knows. */
export interface CloseSnag {
  readonly how: string;
  readonly cause: ReworkCause | null;
  readonly costHours: number | null;
  readonly costCents: number | null;
}
const closeSnagSchema = Joi.object<CloseSnag, true>({
  how: text('How', 300).allow('').default(''),
  cause: Joi.string()
    .valid(...REWORK_CAUSES)
    .label('Cause')
    .allow(null)
    .default(null),
  costHours: number('Hours it cost', 0, 1000).allow(null).default(null),
  costCents: whole('Money it cost', 0, 100_000_000).allow(null).default(null),
});

const snagSchema = Joi.object<SnagBody, true>({ text: text('Snag', 400).min(3).required() });

/** A stage as it is chosen by name: of jobs that are not over, and of those that ended lately. */
export interface StageChoice {
  readonly id: string;
  readonly name: string;
  readonly jobNumber: string;
}

export const stageAddress = {
  toChoose: address({ method: 'get', path: '/stages', may: 'technician', answer: answers<StageChoice[]>() }),
  makeFromKit: address({
    method: 'post',
    path: '/jobs/:number/stages/from-kit',
    act: 'stages',
    answer: answers<{ readonly stages: number }>(),
  }),
  clockOn: address({
    method: 'post',
    path: '/stages/:id/clock-on',
    act: 'clockOn',
    body: clockOnSchema,
    answer: answers<{ readonly stageId: string }>(),
  }),
  clockOff: address({
    method: 'post',
    path: '/clock-off',
    act: 'clockOff',
    body: clockOffSchema,
    answer: answers<{ readonly stageId: string }>(),
  }),
  confirmLive: address({
    method: 'post',
    path: '/stages/:id/confirm-live',
    act: 'confirmLive',
    answer: answers<{ readonly people: readonly string[] }>(),
  }),
  read: address({
    method: 'post',
    path: '/steps/:id/readings',
    act: 'reading',
    body: readingSchema,
    answer: answers<{ readonly verdict: ReadingVerdict }>(),
  }),
  decideReading: address({
    method: 'post',
    path: '/steps/:id/decision',
    act: 'decideReading',
    body: reasonSchema,
    answer: answers<{ readonly stepId: string }>(),
  }),
  second: address({
    method: 'post',
    path: '/steps/:id/second',
    act: 'reading',
    answer: answers<{ readonly stepId: string }>(),
  }),
  finish: address({
    method: 'post',
    path: '/stages/:id/finish',
    act: 'finish',
    body: finishSchema,
    answer: answers<{ readonly stageId: string }>(),
  }),
  noteSnag: address({
    method: 'post',
    path: '/jobs/:number/snags',
    act: 'snag',
    body: snagSchema,
    answer: answers<Made>(),
  }),
  closeSnag: address({
    method: 'post',
    path: '/snags/:id/close',
    act: 'snag',
    body: closeSnagSchema,
    answer: answers<Made>(),
  }),
  card: address({ method: 'get', path: '/jobs/:number/card.pdf', may: 'viewer', answer: A_FILE }),
} as const;
