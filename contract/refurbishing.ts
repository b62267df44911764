import Joi from 'joi';
import { address, answers } from './address.ts';
import {
  componentId,
  isoDate,
  type Made,
  type Mutable,
  number,
  text,
  type Versioned,
  version,
  whole,
} from './fields.ts';
import { serialNumbers } from './parts.ts';

export interface NewRefurbishing {
  readonly what: string;
  readonly boughtCents: number | null;
}
export interface RefurbishingPart {
  readonly componentId: string;
  readonly quantity: number;
  readonly serials: readonly string[];
}
export interface RefurbishingHours {
  readonly hours: number;
  readonly day: string;
  readonly what: string;
}
export interface RefurbishingEnd {
  /** Proved good, or given up. */
  readonly good: boolean;
  readonly ended: string;
  readonly warrantyUntil: string | null;
  readonly version: number;
}

/** A numbered unit that was made good again, or is being: what it truly costs beside a new one. */
export interface MadeGoodRow {
  readonly serialId: string;
  readonly serial: string;
  readonly componentId: string;
  readonly component: string;
  /** The order is in hand still: its cost is what went in so far. */
  readonly open: boolean;
  readonly totalCents: number;
  readonly newCents: number;
}

export const refurbishingAddress = {
  list: address({ method: 'get', path: '/stores/made-good', may: 'viewer', answer: answers<MadeGoodRow[]>() }),
  begin: address({
    method: 'post',
    path: '/stores/numbers/:id/refurbishing',
    may: 'technician',
    body: Joi.object<NewRefurbishing, true>({
      what: text('What is to be done', 300).min(3).required(),
      boughtCents: whole('It had cost', 0, 1_000_000_000).meta({ quantity: 'money' }).allow(null).required(),
    }),
    answer: answers<Made>(),
  }),
  part: address({
    method: 'post',
    path: '/refurbishing/:id/parts',
    may: 'technician',
    body: Joi.object<Mutable<RefurbishingPart>, true>({
      componentId: componentId('Part').required(),
      quantity: whole('So many', 1, 10_000).required(),
      serials: serialNumbers(100).required(),
    }),
    answer: answers<Made>(),
  }),
  hours: address({
    method: 'post',
    path: '/refurbishing/:id/hours',
    may: 'technician',
    body: Joi.object<RefurbishingHours, true>({
      hours: number('Hours', 0.05, 24).required(),
      day: isoDate('Day').required(),
      what: text('What', 200).allow('').required(),
    }),
    answer: answers<Made>(),
  }),
  end: address({
    method: 'post',
    path: '/refurbishing/:id/end',
    may: 'technician',
    body: Joi.object<RefurbishingEnd, true>({
      good: Joi.boolean().label('Good').required(),
      ended: text('How it was proved, or why not', 500).min(3).required(),
      warrantyUntil: isoDate('Warranty until').allow(null).required(),
      version,
    }),
    answer: answers<Versioned>(),
  }),
} as const;
