import Joi from 'joi';
import { CURRENCY_IDS, type Currency } from '../core/quantity/currency.ts';
import type { BodySize } from './address.ts';
import { componentId, isoDate, type Mutable, slug, text, uuid, version, whole } from './fields.ts';
import { serialNumbers } from './parts.ts';

const MOST = 2_000_000_000;
const PRICE = 100_000_000;
export const LARGE: BodySize = { bytes: 400_000, bounds: { values: 60_000, depth: 10, text: 400_000 } };

export interface NewPurchase {
  readonly supplierId: string;
  readonly currency: Currency;
  /** One unit of it in millionths of the workshop's own currency, and the day it was so. */
  readonly rateMillionths: number;
  readonly rateDay: string | null;
  readonly wantedOn: string | null;
  readonly note: string;
  readonly lines: readonly {
    readonly componentId: string;
    readonly quantity: number;
    readonly priceCents: number;
  }[];
}
const purchaseFields = {
  supplierId: slug('Supplier').required(),
  currency: Joi.string()
    .valid(...CURRENCY_IDS)
    .label('Currency')
    .required(),
  rateMillionths: whole('Rate', 1, MOST).required(),
  rateDay: isoDate('Rate of').allow(null).required(),
  wantedOn: isoDate('Wanted on').allow(null).required(),
  note: text('Note', 500).allow('').required(),
  lines: Joi.array()
    .items(
      Joi.object({
        componentId: componentId('Part').required(),
        quantity: whole('Quantity', 1, MOST).required(),
        priceCents: whole('Price', 0, PRICE).required(),
      }),
    )
    .min(1)
    .max(400)
    .label('Lines')
    .required(),
};
export const newPurchaseSchema = Joi.object<Mutable<NewPurchase>, true>(purchaseFields);
export type PurchaseChange = NewPurchase & { readonly version: number };
export const purchaseChangeSchema = Joi.object<Mutable<PurchaseChange>, true>({ ...purchaseFields, version });

export interface ConfirmBody {
  readonly lines: readonly { readonly lineId: string; readonly promisedOn: string; readonly priceCents: number }[];
  readonly version: number;
}
export const confirmSchema = Joi.object<Mutable<ConfirmBody>, true>({
  lines: Joi.array()
    .items(
      Joi.object({
        lineId: uuid('Line').required(),
        promisedOn: isoDate('Promised for').required(),
        priceCents: whole('Price', 0, PRICE).required(),
      }),
    )
    .min(1)
    .max(400)
    .unique('lineId')
    .label('Lines')
    .required(),
  version,
});

export interface ReceiveBody {
  /** Of the delivery note: counted in once. */
  readonly note: string;
  readonly lines: readonly {
    readonly lineId: string;
    readonly good: number;
    readonly damaged: number;
    readonly wrong: number;
    readonly announced: number | null;
    readonly serials: readonly string[];
    readonly batch: string;
    readonly binId: string | null;
    readonly remark: string;
  }[];
  /** More came than was ordered, and it is kept. */
  readonly keepOver: boolean;
}
export const receiveSchema = Joi.object<Mutable<ReceiveBody>, true>({
  note: text('Delivery note', 80).min(1).required(),
  lines: Joi.array()
    .items(
      Joi.object({
        lineId: uuid('Line').required(),
        good: whole('Good', 0, MOST).required(),
        damaged: whole('Damaged', 0, MOST).required(),
        wrong: whole('Wrong', 0, MOST).required(),
        announced: whole('By the note', 0, MOST).allow(null).required(),
        serials: serialNumbers(1000).required(),
        batch: text('Batch', 60).allow('').required(),
        binId: uuid('Bin').allow(null).required(),
        remark: text('Remark', 200).allow('').required(),
      }),
    )
    .min(1)
    .max(400)
    .unique('lineId')
    .label('Lines')
    .required(),
  keepOver: Joi.boolean().label('Keep what is over').required(),
});

export interface DropBody {
  readonly lineId: string;
  readonly quantity: number;
  readonly why: string;
  readonly version: number;
}
export const dropSchema = Joi.object<DropBody, true>({
  lineId: uuid('Line').required(),
  quantity: whole('Quantity', 1, MOST).required(),
  why: text('Why', 200).min(3).required(),
  version,
});

export interface SendBackBody {
  readonly lineId: string;
  readonly quantity: number;
  readonly serials: readonly string[];
  readonly reason: string;
  readonly version: number;
}
export const sendBackSchema = Joi.object<Mutable<SendBackBody>, true>({
  lineId: uuid('Line').required(),
  quantity: whole('Quantity', 1, MOST).required(),
  serials: serialNumbers(1000).required(),
  reason: text('Reason', 200).min(3).required(),
  version,
});

export interface InvoiceBody {
  readonly number: string;
  readonly day: string;
  readonly lines: readonly { readonly lineId: string; readonly quantity: number; readonly priceCents: number }[];
  readonly taxCents: number;
  readonly totalCents: number;
}
export const invoiceSchema = Joi.object<Mutable<InvoiceBody>, true>({
  number: text('Number of the invoice', 80).min(1).required(),
  day: isoDate('Day').required(),
  lines: Joi.array()
    .items(
      Joi.object({
        lineId: uuid('Line').required(),
        quantity: whole('Quantity', 1, MOST).required(),
        priceCents: whole('Price', 0, PRICE).required(),
      }),
    )
    .min(1)
    .max(400)
    .unique('lineId')
    .label('Lines')
    .required(),
  taxCents: whole('Tax', 0, MOST).required(),
  totalCents: whole('Total', 0, MOST).required(),
});

export interface SettleBody {
  readonly agreed: boolean;
  readonly why: string;
  readonly version: number;
}
export const settleSchema = Joi.object<SettleBody, true>({
  agreed: Joi.boolean().label('Agreed').required(),
  why: text('Why', 200).allow('').required(),
  version,
});

export interface EndPurchaseBody {
  readonly why: string;
  readonly version: number;
}
export const endSchema = Joi.object<EndPurchaseBody, true>({ why: text('Why', 200).min(3).required(), version });
export const sendSchema = Joi.object<{ readonly version: number }, true>({ version });
