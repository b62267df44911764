import Joi from 'joi';
import type { EntryKind } from '../core/stage/stageRules.ts';
import { A_FILE, address, answers } from './address.ts';
import { instant, text, uuid, version } from './fields.ts';
import { kindAndCause, withCause } from './stages.ts';

/** Hours of one person on one stage, as they are kept. Instants ISO. */
export interface HoursRow {
  readonly id: number;
  readonly personId: string;
  readonly person: string;
  readonly jobNumber: string;
  readonly jobTitle: string;
  readonly stageId: string;
  readonly stage: string;
  readonly liveHv: boolean;
  readonly kind: EntryKind;
  readonly cause: string | null;
  readonly from: string;
  /** Null: on the clock. */
  readonly to: string | null;
  /** It was entered or corrected afterwards. */
  readonly corrected: boolean;
  readonly version: number;
}

/** One thing done to hours afterwards; what they were before (null: they were not there) and after (null: struck out). */
export interface HoursTrace {
  readonly id: number;
  readonly entryId: number;
  readonly personId: string;
  readonly person: string;
  readonly at: string;
  readonly by: string;
  readonly why: string;
  readonly before: HoursSaid | null;
  readonly after: HoursSaid | null;
}
export interface HoursSaid {
  readonly job: string;
  readonly stage: string;
  readonly kind: EntryKind;
  readonly cause: string | null;
  readonly from: string;
  readonly to: string | null;
}

export interface HoursSheet {
  readonly entries: readonly HoursRow[];
  readonly traces: readonly HoursTrace[];
}

/** The person's own clock: where they are, whether they forgot to clock off, where they went on a break from. */
export interface MyClock {
  readonly open: HoursRow | null;
  /** It has run since before today: only they know when they stopped. */
  readonly forgotten: boolean;
  readonly paused: Pick<HoursRow, 'stageId' | 'stage' | 'jobNumber' | 'to'> | null;
}

export interface LateEntry {
  readonly personId: string;
  readonly stageId: string;
  readonly kind: EntryKind;
  readonly cause: string | null;
  readonly from: string;
  readonly to: string;
  readonly why: string;
}
export interface Correction {
  readonly stageId: string;
  readonly kind: EntryKind;
  readonly cause: string | null;
  readonly from: string;
  /** Null: leaves it on the clock. */
  readonly to: string | null;
  readonly why: string;
  readonly version: number;
}
export interface Strike {
  readonly why: string;
  readonly version: number;
}
export interface Forgotten {
  readonly entryId: number;
  readonly to: string;
}

const why = text('Why', 200).min(3).required();
const lateSchema = Joi.object<LateEntry, true>({
  personId: uuid('Person').required(),
  stageId: uuid('Stage').required(),
  ...kindAndCause,
  from: instant('From').required(),
  to: instant('To').required(),
  why,
}).custom(withCause);
const correctionSchema = Joi.object<Correction, true>({
  stageId: uuid('Stage').required(),
  ...kindAndCause,
  from: instant('From').required(),
  to: instant('To').allow(null).required(),
  why,
  version,
}).custom(withCause);

export const hoursAddress = {
  mine: address({ method: 'get', path: '/my/clock', may: 'viewer', answer: answers<MyClock>() }),
  forgotten: address({
    method: 'post',
    path: '/my/forgotten',
    may: 'technician',
    body: Joi.object<Forgotten, true>({
      entryId: Joi.number().integer().min(1).max(Number.MAX_SAFE_INTEGER).label('Entry').required(),
      to: instant('Stopped at').required(),
    }),
    answer: answers<{ readonly id: number }>(),
  }),
  /** All hours that touch these days, the first and the last included. */
  list: address({ method: 'get', path: '/hours/:from/:to', may: 'technician', answer: answers<HoursSheet>() }),
  table: address({ method: 'get', path: '/hours/:from/:to/hours.csv', may: 'manager', answer: A_FILE }),
  add: address({
    method: 'post',
    path: '/hours',
    may: 'technician',
    body: lateSchema,
    answer: answers<{ readonly id: number }>(),
  }),
  correct: address({
    method: 'put',
    path: '/hours/:entry',
    may: 'technician',
    body: correctionSchema,
    answer: answers<{ readonly version: number }>(),
  }),
  strike: address({
    method: 'post',
    path: '/hours/:entry/strike',
    may: 'technician',
    body: Joi.object<Strike, true>({ why, version }),
    answer: answers<{ readonly id: number }>(),
  }),
} as const;
