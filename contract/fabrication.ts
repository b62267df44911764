import Joi from 'joi';
import { FABRICATION_STATES, type FabricationState } from '../core/fabrication/fabrication.ts';
import { address, answers } from './address.ts';
import { type Made, text, type Versioned, version } from './fields.ts';

/** A part that is made in the house for a job. */
export interface FabricationRow {
  readonly id: string;
  readonly name: string;
  readonly material: string;
  readonly state: FabricationState;
  readonly by: string;
  readonly createdAt: string;
  readonly droppedWhy: string | null;
  readonly drawings: number;
  readonly moves: readonly {
    readonly from: FabricationState;
    readonly to: FabricationState;
    readonly reason: string;
    readonly by: string;
    readonly at: string;
  }[];
  readonly version: number;
}

export interface NewFabrication {
  readonly name: string;
  readonly material: string;
}
export interface FabricationMoveBody {
  readonly to: FabricationState;
  readonly reason: string;
  readonly version: number;
}

export const fabricationAddress = {
  list: address({
    method: 'get',
    path: '/jobs/:number/fabrication',
    may: 'viewer',
    answer: answers<FabricationRow[]>(),
  }),
  add: address({
    method: 'post',
    path: '/jobs/:number/fabrication',
    act: 'parts',
    body: Joi.object<NewFabrication, true>({
      name: text('What is made', 120).min(2).required(),
      material: text('Of what', 120).allow('').required(),
    }),
    answer: answers<Made>(),
  }),
  move: address({
    method: 'post',
    path: '/fabrication/:id/move',
    act: 'parts',
    body: Joi.object<FabricationMoveBody, true>({
      to: Joi.string()
        .valid(...FABRICATION_STATES)
        .label('Step')
        .required(),
      reason: text('Why', 300).allow('').required(),
      version,
    }),
    answer: answers<Versioned>(),
  }),
  drop: address({
    method: 'post',
    path: '/fabrication/:id/drop',
    act: 'parts',
    body: Joi.object<{ why: string; version: number }, true>({ why: text('Why', 300).min(3).required(), version }),
    answer: answers<Versioned>(),
  }),
} as const;
