import Joi from 'joi';
import type { OfferBody } from '../core/offer/offer.ts';
import type { SaleState } from '../core/offer/sale.ts';
import type { Currency } from '../core/quantity/currency.ts';
import { A_FILE, address, answers, type BodySize } from './address.ts';
import { faultAt, type Mutable, slug, text, uuid, type Versioned, version } from './fields.ts';
import { offerBodySchema } from './offerBody.ts';
import { serialNumbers } from './parts.ts';

/** Something sold over the counter, without a vehicle: parts, one box, advice. */
export interface SaleRow {
  readonly id: string;
  readonly number: string;
  readonly state: SaleState;
  readonly clientId: string;
  readonly client: string;
  readonly body: OfferBody;
  readonly currency: Currency;
  readonly netCents: number;
  readonly taxCents: number;
  readonly totalCents: number;
  readonly by: string;
  readonly createdAt: string;
  readonly soldAt: string | null;
  readonly endedWhy: string | null;
  readonly version: number;
}

export interface NewSale {
  /** A client that is known already. */
  readonly clientId: string | null;
  readonly clientName: string;
  readonly clientContact: string;
}
export interface SaleChange {
  readonly body: OfferBody;
  readonly version: number;
}
export interface SellBody {
  /** Which pieces go, of those that carry numbers. */
  readonly serials: readonly { readonly componentId: string; readonly serials: readonly string[] }[];
  readonly version: number;
}

const LARGE: BodySize = { bytes: 400_000, bounds: { values: 20_000, depth: 10, text: 300_000 } };

export const saleAddress = {
  list: address({ method: 'get', path: '/sales', may: 'viewer', answer: answers<SaleRow[]>() }),
  one: address({ method: 'get', path: '/sales/:sale', may: 'viewer', answer: answers<SaleRow>() }),
  csv: address({ method: 'get', path: '/sales.csv', may: 'viewer', answer: A_FILE }),
  paper: address({ method: 'get', path: '/sales/:sale/paper', may: 'viewer', answer: A_FILE }),
  add: address({
    method: 'post',
    path: '/sales',
    may: 'technician',
    body: Joi.object<Mutable<NewSale>, true>({
      clientId: uuid('Client').allow(null).required(),
      clientName: text('Name of the client', 120).allow('').required(),
      clientContact: text('How to reach them', 200).allow('').required(),
    }).custom((sale: NewSale, helpers) =>
      sale.clientId === null && sale.clientName.length < 2
        ? faultAt(helpers, 'clientName', 'Name of the client', 'is needed, or choose one who is known')
        : sale,
    ),
    answer: answers<{ readonly number: string }>(),
  }),
  change: address({
    method: 'put',
    path: '/sales/:sale',
    may: 'technician',
    body: Joi.object<Mutable<SaleChange>, true>({ body: offerBodySchema.required(), version }),
    size: LARGE,
    answer: answers<Versioned>(),
  }),
  sell: address({
    method: 'post',
    path: '/sales/:sale/sell',
    may: 'technician',
    body: Joi.object<Mutable<SellBody>, true>({
      serials: Joi.array()
        .items(Joi.object({ componentId: slug('Part').required(), serials: serialNumbers(400).required() }))
        .max(400)
        .unique('componentId')
        .label('Numbers')
        .required(),
      version,
    }),
    answer: answers<Versioned>(),
  }),
  cancel: address({
    method: 'post',
    path: '/sales/:sale/cancel',
    may: 'technician',
    body: Joi.object<{ why: string; version: number }, true>({ why: text('Why', 300).min(3).required(), version }),
    answer: answers<Versioned>(),
  }),
} as const;
