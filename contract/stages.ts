import Joi from 'joi';
import type { StageTrait, StepLimit } from '../core/kit/kit.ts';
import type { ReadingVerdict } from '../core/stage/limit.ts';
import { ENTRY_KINDS, type EntryKind, type StageState } from '../core/stage/stageRules.ts';
import { address, answers } from './address.ts';
import type { Made } from './fields.ts';
import { faultAt, number, text, versionSchema } from './fields.ts';

export const REWORK_CAUSES = ['wrongDrawing', 'wrongPart', 'damaged', 'changedWish', 'ownMistake'] as const;
export type ReworkCause = (typeof REWORK_CAUSES)[number];
export const WAITING_CAUSES = ['part', 'bay', 'client', 'outsideFirm'] as const;

export interface Reading {
  readonly value: number;
  readonly verdict: 'within' | 'under' | 'over';
  readonly by: string;
  readonly at: string;
  readonly decidedBy: string | null;
  readonly reason: string | null;
}

export interface StepRow {
  readonly id: string;
  readonly text: string;
  readonly note: string;
  readonly limit: StepLimit | null;
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
}
const CAUSES: Partial<Record<EntryKind, readonly string[]>> = { rework: REWORK_CAUSES, waiting: WAITING_CAUSES };
export const clockOnSchema = Joi.object<ClockOn, true>({
  kind: Joi.string()
    .valid(...ENTRY_KINDS)
    .label('Kind of time')
    .required(),
  cause: text('Cause', 40).allow(null).required(),
}).custom((body: ClockOn, helpers) => {
  const causes = CAUSES[body.kind];
  if (causes && !causes.includes(body.cause ?? ''))
    return faultAt(helpers, 'cause', 'Cause', `is needed for ${body.kind}`);
  return causes ? body : { ...body, cause: null };
});

export interface ReadingBody {
  readonly value: number;
}
export const readingSchema = Joi.object<ReadingBody, true>({ value: number('Measured value', -1e9, 1e9).required() });

export interface ReasonBody {
  readonly reason: string;
}
const reasonSchema = Joi.object<ReasonBody, true>({ reason: text('Reason', 300).min(3).required() });

export interface SnagBody {
  readonly text: string;
}
const snagSchema = Joi.object<SnagBody, true>({ text: text('Snag', 400).min(3).required() });

export const stageAddress = {
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
  finish: address({
    method: 'post',
    path: '/stages/:id/finish',
    act: 'finish',
    body: versionSchema,
    answer: answers<{ readonly stageId: string }>(),
  }),
  noteSnag: address({
    method: 'post',
    path: '/jobs/:number/snags',
    act: 'snag',
    body: snagSchema,
    answer: answers<Made>(),
  }),
  closeSnag: address({ method: 'post', path: '/snags/:id/close', act: 'snag', answer: answers<Made>() }),
} as const;
