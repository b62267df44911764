import Joi from 'joi';
import { A_FILE, address, answers } from './address.ts';
import { isoDate, type Made, text, type Versioned, version } from './fields.ts';
import { toolKind } from './stageList.ts';

/** A tool or instrument: where it is, who has it, until when its calibration holds. */
export interface ToolRow {
  readonly id: string;
  readonly kind: string;
  readonly name: string;
  readonly number: string;
  /** It is calibrated at all: a reading taken with it needs it in date. */
  readonly calibrated: boolean;
  readonly calibratedUntil: string | null;
  readonly paper: string;
  readonly kept: string;
  readonly heldById: string | null;
  readonly heldBy: string | null;
  readonly heldAt: string | null;
  /** Why it is not to be had. */
  readonly outWhy: string | null;
  /** Stages of open jobs that ask for its kind and are not done. */
  readonly wanted: number;
  readonly version: number;
}

export interface ToolBody {
  readonly kind: string;
  readonly name: string;
  readonly number: string;
  readonly calibrated: boolean;
  readonly calibratedUntil: string | null;
  readonly paper: string;
  readonly kept: string;
}
const body = {
  kind: toolKind('What it is').required(),
  name: text('Name', 80).min(2).required(),
  number: text('Its number', 40).allow('').required(),
  calibrated: Joi.boolean().label('Calibrated').required(),
  calibratedUntil: isoDate('Calibration holds until').allow(null).required(),
  paper: text('Certificate', 120).allow('').required(),
  kept: text('Kept in', 80).allow('').required(),
};

export const toolAddress = {
  list: address({ method: 'get', path: '/tools', may: 'viewer', answer: answers<ToolRow[]>() }),
  table: address({ method: 'get', path: '/tools.csv', may: 'viewer', answer: A_FILE }),
  add: address({
    method: 'post',
    path: '/tools',
    may: 'manager',
    body: Joi.object<ToolBody, true>(body),
    answer: answers<Made>(),
  }),
  change: address({
    method: 'put',
    path: '/tools/:id',
    may: 'manager',
    body: Joi.object<ToolBody & { readonly version: number }, true>({ ...body, version }),
    answer: answers<Versioned>(),
  }),
  /** Takes it, or brings it back. */
  hold: address({
    method: 'post',
    path: '/tools/:id/hold',
    may: 'technician',
    body: Joi.object<{ readonly taken: boolean; readonly version: number }, true>({
      taken: Joi.boolean().label('Taken').required(),
      version,
    }),
    answer: answers<Versioned>(),
  }),
  /** It is not to be had, with why; or is again. */
  out: address({
    method: 'post',
    path: '/tools/:id/out',
    may: 'technician',
    body: Joi.object<{ readonly why: string | null; readonly version: number }, true>({
      why: text('Why', 200).min(3).allow(null).required(),
      version,
    }),
    answer: answers<Versioned>(),
  }),
} as const;
