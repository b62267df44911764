import Joi from 'joi';
import { address, answers } from './address.ts';

/** Starter catalogues that ship with Dajo; functions, checks and practice values are in the house anyway. */
export const BASICS = ['cables', 'fuses', 'resistors', 'stages'] as const;
export type Basic = (typeof BASICS)[number];

export const basicsAddress = {
  lend: address({
    method: 'post',
    path: '/basics',
    may: 'manager',
    body: Joi.object<{ what: Basic[] }, true>({
      what: Joi.array()
        .items(Joi.string().valid(...BASICS))
        .min(1)
        .unique()
        .label('What is lent')
        .messages({ 'array.min': 'Choose what is to be lent.' })
        .required(),
    }),
    answer: answers<{ readonly added: number }>(),
  }),
} as const;
