import Joi from 'joi';
import {
  BRIEF_KIND_IDS,
  BRIEF_KINDS,
  type BriefKind,
  type BriefLine,
  briefKind,
  type ShareSchool,
} from '../core/brief/lines.ts';
import { isoDay } from '../core/quantity/format.ts';
import { address, answers } from './address.ts';
import type { Made, Versioned } from './fields.ts';
import { faultAt, number, quantity, text, version, versionSchema } from './fields.ts';

export interface StoredBriefLine extends BriefLine {
  readonly version: number;
}

export interface BriefLineBody {
  readonly kind: BriefKind;
  readonly firm: boolean;
  readonly amount: number | null;
  readonly school: ShareSchool | null;
  readonly tolerance: number | null;
  readonly text: string;
  readonly done: boolean;
  /** Where whoever ticked it has seen it. */
  readonly seen?: string;
}

/** Per-kind rules that a plain field schema cannot say. */
function ruleOfKind(value: BriefLineBody, helpers: Joi.CustomHelpers): BriefLineBody | Joi.ErrorReport {
  const { amount: wants, span } = briefKind(value.kind);
  if (wants === 'needed' && value.amount === null)
    return faultAt(helpers, 'amount', 'Amount', 'is needed for this line');
  if (span && value.amount !== null && (value.amount < span[0] || value.amount > span[1])) {
    return faultAt(helpers, 'amount', 'Amount', 'is outside what can be: check the number and its unit');
  }
  if (value.kind === 'axleShare' && (value.school === null || value.tolerance === null)) {
    return faultAt(helpers, 'school', 'Axle shares', 'need a school and a tolerance');
  }
  if (value.kind === 'free' && value.text === '') return faultAt(helpers, 'text', 'Wish', 'is needed in words');
  if (value.done && !value.seen && briefKind(value.kind).compare !== 'free' && briefKind(value.kind).figure === null)
    return faultAt(helpers, 'seen', 'Where it was seen', 'is needed: what shows that it is so');
  return value;
}

const fields = {
  kind: Joi.string()
    .valid(...BRIEF_KIND_IDS)
    .label('Kind of line')
    .required(),
  firm: Joi.boolean().label('Firm').required(),
  amount: number('Amount', -1e9, 1e9).allow(null).required(),
  school: Joi.string().valid('equal', 'original').allow(null).label('School').required(),
  tolerance: quantity('Tolerance', 'share', 0.001, 0.2).allow(null).required(),
  text: text('Words', 300).allow('').required(),
  done: Joi.boolean().label('Done').required(),
  seen: text('Where it was seen', 200).allow(''),
};

export const briefLineSchema = Joi.object<BriefLineBody, true>(fields).custom(ruleOfKind);
const briefLineChangeSchema = Joi.object<BriefLineBody & { version: number }, true>({
  ...fields,
  version,
}).custom(ruleOfKind);

/** A ready-by date may not lie in the past when it is set. Null when all is well. */
export function datePastProblem(line: Pick<BriefLineBody, 'kind' | 'amount'>, todayDay: number): string | null {
  if (line.kind !== 'readyBy' || line.amount === null || line.amount >= todayDay) return null;
  return `The date is in the past: today is ${isoDay(todayDay)}.`;
}

export const hasKind = (kind: string): kind is BriefKind => kind in BRIEF_KINDS;

export const briefAddress = {
  add: address({
    method: 'post',
    path: '/jobs/:number/brief',
    act: 'brief',
    body: briefLineSchema,
    answer: answers<Made>(),
  }),
  change: address({
    method: 'put',
    path: '/brief/:id',
    act: 'brief',
    body: briefLineChangeSchema,
    answer: answers<Versioned>(),
  }),
  drop: address({ method: 'delete', path: '/brief/:id', act: 'brief', body: versionSchema, answer: answers<Made>() }),
} as const;
