import type { ArrivalFinding, InvoiceFinding, PurchaseState } from '../core/buying/purchase.ts';
import type { Currency } from '../core/quantity/currency.ts';
import { A_FILE, address, answers } from './address.ts';
import type { Made, Versioned } from './fields.ts';
import {
  confirmSchema,
  dropSchema,
  endSchema,
  invoiceSchema,
  LARGE,
  newPurchaseSchema,
  purchaseChangeSchema,
  receiveSchema,
  sendBackSchema,
  sendSchema,
  settleSchema,
} from './purchaseBodies.ts';

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
  /** What the supplier confirmed it at, where that is another price and nobody has agreed to either; else null. */
  readonly saidCents: number | null;
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
  /** What asks for somebody: a delivery announced, an invoice to settle, another price, a line that is late. */
  readonly asks: readonly ('announced' | 'invoice' | 'price' | 'late' | 'notTaken')[];
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
  invoiceTable: address({ method: 'get', path: '/purchase-invoices.csv', may: 'viewer', answer: A_FILE }),
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
