import Joi from 'joi';
import { PART_STATES, type PartState } from '../core/stores/partMove.ts';
import { address, answers } from './address.ts';
import type { Made, Versioned } from './fields.ts';
import { faultAt, isoDate, slug, text, version, whole } from './fields.ts';

export interface PartLine {
  readonly id: string;
  readonly componentId: string;
  readonly quantity: number;
  readonly from: 'kit' | 'design' | 'added';
  readonly packedIn: string;
  readonly state: PartState;
  /** Day it is due, when ordered. */
  readonly due: string | null;
  readonly serial: string;
  readonly fittedBy: string | null;
  readonly fittedAt: string | null;
  readonly version: number;
}

export interface PartChange {
  readonly state: PartState;
  readonly due: string | null;
  readonly serial: string;
  /** Take free stock for a line on order instead of booking its delivery in. */
  readonly fromShelf?: boolean;
  readonly version: number;
}
export const partChangeSchema = Joi.object<PartChange, true>({
  state: Joi.string()
    .valid(...PART_STATES)
    .label('State')
    .required(),
  due: isoDate('Due day').allow(null).required(),
  serial: text('Serial number', 60).allow('').required(),
  fromShelf: Joi.boolean().label('From the shelf'),
  version,
}).custom((body: PartChange, helpers) => {
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
