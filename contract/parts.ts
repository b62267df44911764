import Joi from 'joi';
import { PART_STATES, type PartState } from '../core/stores/partMove.ts';
import { address, answers } from './address.ts';
import type { Made, Versioned } from './fields.ts';
import { faultAt, isoDate, type Mutable, sameName, slug, text, version, whole } from './fields.ts';

export interface PartLine {
  readonly id: string;
  readonly componentId: string;
  readonly quantity: number;
  readonly from: 'kit' | 'design' | 'added';
  readonly packedIn: string;
  readonly state: PartState;
  /** Day it is due, when ordered. */
  readonly due: string | null;
  /** Numbers of the pieces that are held, picked or fitted, as far as they carry any. */
  readonly serials: readonly string[];
  /** Batches of those pieces, as far as they are known. */
  readonly batches: readonly string[];
  readonly pickedBy: string | null;
  readonly pickedAt: string | null;
  readonly fittedBy: string | null;
  readonly fittedAt: string | null;
  readonly version: number;
}

/** Numbers of their own that things carry; capitals do not tell them apart. */
export const serialNumbers = (most: number) =>
  Joi.array().items(text('Number', 60).min(1)).max(most).unique(sameName).label('Numbers');

export interface PartChange {
  readonly state: PartState;
  readonly due: string | null;
  /** Which pieces are picked, fitted or came in, by their numbers. */
  readonly serials?: readonly string[];
  /** Take free stock for a line on order instead of booking its delivery in. */
  readonly fromShelf?: boolean;
  readonly version: number;
}
export const partChangeSchema = Joi.object<Mutable<PartChange>, true>({
  state: Joi.string()
    .valid(...PART_STATES)
    .label('State')
    .required(),
  due: isoDate('Due day').allow(null).required(),
  serials: serialNumbers(500).default([]),
  fromShelf: Joi.boolean().label('From the shelf'),
  version,
}).custom((body: Mutable<PartChange>, helpers) => {
  if (body.state === 'ordered' && body.due === null)
    return faultAt(helpers, 'due', 'Due day', 'is needed for a part on order');
  return body;
});

export interface NewPart {
  readonly componentId: string;
  readonly quantity: number;
}
const newPartSchema = Joi.object<NewPart, true>({
  componentId: slug('Component').required(),
  quantity: whole('Quantity', 1, 500).required(),
});

export const partAddress = {
  fill: address({
    method: 'post',
    path: '/jobs/:number/parts/fill',
    act: 'parts',
    answer: answers<{ readonly added: number }>(),
  }),
  add: address({
    method: 'post',
    path: '/jobs/:number/parts',
    act: 'parts',
    body: newPartSchema,
    answer: answers<Made>(),
  }),
  change: address({
    method: 'put',
    path: '/parts/:id',
    act: 'parts',
    body: partChangeSchema,
    answer: answers<Versioned>(),
  }),
} as const;
