import Joi from 'joi';
import { PART_GOES, REGISTER_KINDS, type RegisterFacts } from '../core/vehicle/register.ts';
import { A_FILE, address, answers } from './address.ts';
import { faultAt, type Made, text, type Versioned, version } from './fields.ts';

/** One thing that was changed on a vehicle, how it is undone, and whether it was. */
export interface RegisterRow extends RegisterFacts {
  readonly id: string;
  readonly jobNumber: string;
  readonly what: string;
  readonly place: string;
  readonly agreedBy: string;
  readonly undo: string;
  readonly by: string;
  readonly at: string;
  readonly undoneBy: string | null;
  readonly undoneHow: string | null;
  readonly version: number;
}

export type NewRegisterEntry = Pick<RegisterRow, 'kind' | 'what' | 'place' | 'agreedBy' | 'undo' | 'goes'>;
const entrySchema = Joi.object<NewRegisterEntry, true>({
  kind: Joi.string()
    .valid(...REGISTER_KINDS)
    .label('What was done')
    .required(),
  what: text('What', 160).min(2).required(),
  place: text('Where', 160).min(2).required(),
  agreedBy: text('Agreed by', 120).allow('').required(),
  undo: text('How it is undone', 300).min(2).required(),
  goes: Joi.string()
    .valid(...PART_GOES)
    .allow(null)
    .label('Where the part is')
    .required(),
}).custom((entry: NewRegisterEntry, helpers) => {
  if (entry.kind === 'partOut' && entry.goes === null)
    return faultAt(helpers, 'goes', 'Where the part is', 'is needed: shelf, client, sold or scrapped');
  // Into metal nothing goes that nobody agreed to.
  if (['hole', 'cut', 'weld', 'narrowing'].includes(entry.kind) && entry.agreedBy === '')
    return faultAt(helpers, 'agreedBy', 'Agreed by', 'is needed: who agreed that the metal is worked on');
  return entry.kind === 'partOut' ? entry : { ...entry, goes: null };
});

export const registerAddress = {
  note: address({
    method: 'post',
    path: '/jobs/:number/register',
    act: 'register',
    body: entrySchema,
    answer: answers<Made>(),
  }),
  undone: address({
    method: 'post',
    path: '/register/:id/undone',
    act: 'register',
    body: Joi.object<{ how: string; version: number }, true>({ how: text('How', 300).min(2).required(), version }),
    answer: answers<Versioned>(),
  }),
  wayBack: address({ method: 'get', path: '/vehicles/:id/way-back.pdf', may: 'viewer', answer: A_FILE }),
} as const;
