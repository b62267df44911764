import Joi from 'joi';
import { CHECKS } from '../core/prove/index.ts';
import { A_FILE, address, answers } from './address.ts';
import { number, text } from './fields.ts';

/** A signed check: what was seen, against which limit of which design version, by whom and when. Never changed. */
export interface CheckResult {
  readonly checkId: string;
  readonly value: number;
  readonly verdict: 'passed' | 'failed';
  readonly limitMin: number | null;
  readonly limitMax: number | null;
  readonly limitSource: string;
  readonly designName: string | null;
  readonly designVersion: number | null;
  readonly note: string;
  readonly by: string;
  readonly at: string;
}

export interface SignBody {
  readonly checkId: string;
  readonly value: number;
  readonly note: string;
}
const signSchema = Joi.object<SignBody, true>({
  checkId: Joi.string()
    .valid(...CHECKS.map((c) => c.id))
    .label('Check')
    .required(),
  value: number('Measured value', -1e9, 1e9).required(),
  note: text('Note', 300).allow('').required(),
});

export const proveAddress = {
  sign: address({
    method: 'post',
    path: '/jobs/:number/checks',
    act: 'sign',
    body: signSchema,
    answer: answers<{ readonly verdict: CheckResult['verdict'] }>(),
  }),
  paper: address({ method: 'get', path: '/jobs/:number/sign-off.pdf', may: 'viewer', answer: A_FILE }),
} as const;
