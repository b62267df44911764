import Joi from 'joi';
import type { ArrivalFinding, InvoiceFinding, PurchaseState } from '../core/buying/purchase.ts';
import { CURRENCY_IDS, type Currency } from '../core/quantity/currency.ts';
import { A_FILE, address, answers, type BodySize } from './address.ts';
import {
  componentId,
  isoDate,
  type Made,
  type Mutable,
  slug,
  text,
  uuid,
  type Versioned,
  version,
  whole,
} from './fields.ts';
import { serialNumbers } from './parts.ts';

/** A line of an order; quantities in ledger units, prices of one unit of lists in the order's currency. */
export interface PurchaseLine {
  readonly id: string;
  readonly componentId: string;
  readonly name: string;
  readonly partNumber: string;
  readonly unitSize: number;
  readonly numbered: boolean;
  readonly quantity: number;
  readonly priceCents: number;
  readonly promisedOn: string | null;
  readonly firstPromisedOn: string | null;
  /** Jobs whose lines wait for it. */
  readonly forJobs: readonly string[];
  readonly accepted: number;
  readonly returned: number;
  readonly dropped: number;
  readonly outstanding: number;
}

export interface ReceiptRow {
  readonly id: string;
  readonly note: string;
  readonly at: string;
  readonly by: string;
  readonly lines: readonly {
    readonly lineId: string;
    readonly name: string;
    readonly unitSize: number;
    readonly good: number;
    readonly damaged: number;
    readonly wrong: number;
    readonly announced: number | null;
    readonly remark: string;
    readonly findings: readonly ArrivalFinding[];
  }[];
}

/** A delivery the supplier has announced and nobody has counted in yet. */
export interface Announced {
  readonly key: string;
  readonly note: string;
  readonly arrivesOn: string | null;
  readonly lines: readonly { readonly lineId: string; readonly quantity: number }[];
}

export interface InvoiceRow {
  readonly id: string;
  readonly number: string;
  readonly day: string;
  readonly lines: readonly { readonly lineId: string; readonly quantity: number; readonly priceCents: number }[];
  readonly taxCents: number;
  readonly totalCents: number;
  readonly state: 'open' | 'agreed' | 'refused';
  readonly why: string;
  readonly settledBy: string | null;
  readonly findings: readonly InvoiceFinding[];
  readonly version: number;
}

export interface PurchaseRow {
  readonly number: string;
  readonly supplierId: string;
  readonly supplier: string;
  readonly state: PurchaseState;
  readonly currency: Currency;
  /** In its own currency. */
  readonly totalCents: number;
  /** In the workshop's. */
  readonly ownCents: number;
  readonly lines: number;
  /** Lines not all of which have come. */
  readonly open: number;
  readonly wantedOn: string | null;
  /** The last day anything still open is promised for. */
  readonly promisedOn: string | null;
  readonly sentOn: string | null;
  /** What asks for somebody: a delivery that was announced, an invoice that does not match, a line that is late. */
  readonly asks: readonly ('announced' | 'invoice' | 'late' | 'notTaken')[];
}

export interface PurchaseSheet extends Omit<PurchaseRow, 'lines' | 'open' | 'asks'> {
  readonly note: string;
  readonly rateMillionths: number;
  readonly rateDay: string | null;
  readonly endedWhy: string | null;
  /** It is sent to the supplier's desk by Dajo itself. */
  readonly byDesk: boolean;
  /** When the desk has taken it. */
  readonly takenAt: string | null;
  readonly lines: readonly PurchaseLine[];
  readonly receipts: readonly ReceiptRow[];
  readonly announced: readonly Announced[];
  readonly returns: readonly {
    readonly id: string;
    readonly lineId: string;
    readonly quantity: number;
    readonly reason: string;
    readonly at: string;
    readonly by: string;
  }[];
  readonly invoices: readonly InvoiceRow[];
  /** What the supplier said, the newest first, in a sentence each. */
  readonly said: readonly { readonly at: string; readonly text: string }[];
  readonly version: number;
}

const MOST = 2_000_000_000;
const PRICE = 100_000_000;
const LARGE: BodySize = { bytes: 400_000, bounds: { values: 60_000, depth: 10, text: 400_000 } };

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
const newPurchaseSchema = Joi.object<Mutable<NewPurchase>, true>(purchaseFields);
export type PurchaseChange = NewPurchase & { readonly version: number };
const purchaseChangeSchema = Joi.object<Mutable<PurchaseChange>, true>({ ...purchaseFields, version });

export interface ConfirmBody {
  readonly lines: readonly { readonly lineId: string; readonly promisedOn: string; readonly priceCents: number }[];
  readonly version: number;
}
const confirmSchema = Joi.object<Mutable<ConfirmBody>, true>({
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
const receiveSchema = Joi.object<Mutable<ReceiveBody>, true>({
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
const dropSchema = Joi.object<DropBody, true>({
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
const sendBackSchema = Joi.object<Mutable<SendBackBody>, true>({
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
const invoiceSchema = Joi.object<Mutable<InvoiceBody>, true>({
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
const settleSchema = Joi.object<SettleBody, true>({
  agreed: Joi.boolean().label('Agreed').required(),
  why: text('Why', 200).allow('').required(),
  version,
});

export interface EndPurchaseBody {
  readonly why: string;
  readonly version: number;
}
const endSchema = Joi.object<EndPurchaseBody, true>({ why: text('Why', 200).min(3).required(), version });
const sendSchema = Joi.object<{ readonly version: number }, true>({ version });

export const purchaseAddress = {
  list: address({ method: 'get', path: '/purchases', may: 'viewer', answer: answers<PurchaseRow[]>() }),
  table: address({ method: 'get', path: '/purchases.csv', may: 'viewer', answer: A_FILE }),
  one: address({ method: 'get', path: '/purchases/:purchase', may: 'viewer', answer: answers<PurchaseSheet>() }),
  paper: address({ method: 'get', path: '/purchases/:purchase/order.pdf', may: 'viewer', answer: A_FILE }),
  csv: address({ method: 'get', path: '/purchases/:purchase/order.csv', may: 'viewer', answer: A_FILE }),
  labels: address({ method: 'get', path: '/purchases/:purchase/labels.pdf', may: 'viewer', answer: A_FILE }),
  add: address({
    method: 'post',
    path: '/purchases',
    may: 'manager',
    body: newPurchaseSchema,
    size: LARGE,
    answer: answers<{ readonly number: string }>(),
  }),
  change: address({
    method: 'put',
    path: '/purchases/:purchase',
    may: 'manager',
    body: purchaseChangeSchema,
    size: LARGE,
    answer: answers<Versioned>(),
  }),
  send: address({
    method: 'post',
    path: '/purchases/:purchase/send',
    may: 'manager',
    body: sendSchema,
    answer: answers<Versioned>(),
  }),
  confirm: address({
    method: 'post',
    path: '/purchases/:purchase/confirm',
    may: 'manager',
    body: confirmSchema,
    size: LARGE,
    answer: answers<Versioned>(),
  }),
  receive: address({
    method: 'post',
    path: '/purchases/:purchase/receive',
    may: 'technician',
    body: receiveSchema,
    size: LARGE,
    answer: answers<Made>(),
  }),
  drop: address({
    method: 'post',
    path: '/purchases/:purchase/drop',
    may: 'manager',
    body: dropSchema,
    answer: answers<Versioned>(),
  }),
  sendBack: address({
    method: 'post',
    path: '/purchases/:purchase/send-back',
    may: 'technician',
    body: sendBackSchema,
    answer: answers<Versioned>(),
  }),
  invoice: address({
    method: 'post',
    path: '/purchases/:purchase/invoices',
    may: 'manager',
    body: invoiceSchema,
    size: LARGE,
    answer: answers<Made>(),
  }),
  settle: address({
    method: 'post',
    path: '/purchase-invoices/:id/settle',
    may: 'manager',
    body: settleSchema,
    answer: answers<Versioned>(),
  }),
  cancel: address({
    method: 'post',
    path: '/purchases/:purchase/cancel',
    may: 'manager',
    body: endSchema,
    answer: answers<Versioned>(),
  }),
} as const;
