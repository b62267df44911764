import Joi from 'joi';
import type { OwnVehicleMoney } from '../core/actual/ownVehicle.ts';
import { judgeChassisNumber } from '../core/vehicle/chassisNumber.ts';
import { A_FILE, address, answers } from './address.ts';
import { faultAt, isoDate, type Made, type Mutable, slug, text, type Versioned, version, whole } from './fields.ts';

/** A vehicle of the workshop's own: a mule, or one to be sold. Money before tax, own currency. */
export interface OwnVehicleRow extends OwnVehicleMoney {
  readonly id: string;
  readonly name: string;
  readonly variantName: string;
  readonly boughtOn: string;
  readonly boughtFrom: string;
  readonly purchaseCents: number;
  readonly convertedBefore: boolean;
  readonly workCents: number;
  readonly valueCents: number | null;
  readonly valuedOn: string | null;
  readonly soldOn: string | null;
  readonly soldTo: string;
  readonly soldCents: number | null;
  readonly version: number;
}

export interface NewOwnVehicle {
  readonly name: string;
  readonly variantId: string;
  readonly builtYear: number;
  readonly chassisNumber: string;
  readonly registration: string;
  readonly colour: string;
  readonly boughtOn: string;
  readonly boughtFrom: string;
  readonly purchaseCents: number;
  readonly convertedBefore: boolean;
}

const cents = (label: string) => whole(label, 0, 1_000_000_000).meta({ quantity: 'money' });
const bought = {
  boughtOn: isoDate('Bought on').required(),
  boughtFrom: text('Bought of', 120).allow('').required(),
  purchaseCents: cents('Paid').required(),
  convertedBefore: Joi.boolean().label('Converted before').required(),
};

export interface OwnVehicleChange
  extends Pick<
    OwnVehicleRow,
    'boughtOn' | 'boughtFrom' | 'purchaseCents' | 'convertedBefore' | 'valueCents' | 'valuedOn'
  > {
  readonly version: number;
}
export interface OwnVehicleSale {
  readonly soldOn: string;
  readonly soldTo: string;
  readonly contact: string;
  readonly soldCents: number;
  readonly version: number;
}

export const ownVehicleAddress = {
  list: address({ method: 'get', path: '/own-vehicles', may: 'viewer', answer: answers<OwnVehicleRow[]>() }),
  table: address({ method: 'get', path: '/own-vehicles.csv', may: 'viewer', answer: A_FILE }),
  buy: address({
    method: 'post',
    path: '/own-vehicles',
    may: 'manager',
    body: Joi.object<Mutable<NewOwnVehicle>, true>({
      name: text('What it is', 80).min(1).required(),
      variantId: slug('Model').required(),
      builtYear: whole('Year built', 1900, 2100).required(),
      chassisNumber: text('Chassis number', 40).allow('').required(),
      registration: text('Registration', 20).allow('').required(),
      colour: text('Colour', 40).allow('').required(),
      ...bought,
    }).custom((body: NewOwnVehicle, helpers) =>
      judgeChassisNumber(body.chassisNumber, body.builtYear) === 'empty'
        ? faultAt(helpers, 'chassisNumber', 'Chassis number', 'is needed: it is how the vehicle is known')
        : body,
    ),
    answer: answers<Made>(),
  }),
  change: address({
    method: 'put',
    path: '/own-vehicles/:id',
    may: 'manager',
    body: Joi.object<Mutable<OwnVehicleChange>, true>({
      ...bought,
      valueCents: cents('Would fetch').allow(null).required(),
      valuedOn: isoDate('Valued on').allow(null).required(),
      version,
    }).custom((body: OwnVehicleChange, helpers) =>
      (body.valueCents === null) === (body.valuedOn === null)
        ? body
        : faultAt(helpers, 'valuedOn', 'Valued on', 'goes with what it would fetch: both, or neither'),
    ),
    answer: answers<Versioned>(),
  }),
  sell: address({
    method: 'post',
    path: '/own-vehicles/:id/sell',
    may: 'manager',
    body: Joi.object<OwnVehicleSale, true>({
      soldOn: isoDate('Sold on').required(),
      soldTo: text('Sold to', 120).min(2).required(),
      contact: text('How to reach them', 200).allow('').required(),
      soldCents: cents('Sold for').required(),
      version,
    }),
    answer: answers<Versioned>(),
  }),
} as const;
