import Joi from 'joi';
import type { KnownPart } from '../core/buying/priceList.ts';
import type { ForeignPrice } from '../core/offer/offer.ts';
import { CURRENCY_IDS, type Currency } from '../core/quantity/currency.ts';
import { A_FILE, address, answers } from './address.ts';
import { componentId, isoDate, type Made, type Mutable, slug, text, type Versioned, version, whole } from './fields.ts';
import type { TableIn, TakenIn } from './tableIn.ts';

/** The largest price list that is taken in, letters. */
export const LARGEST_PRICE_LIST = 2_000_000;

/** What a supplier is to the workshop: how promises are kept, what was asked and what failed. */
export interface SupplierRow {
  readonly id: string;
  readonly name: string;
  readonly contact: string;
  readonly deskUrl: string;
  readonly components: number;
  readonly openOrders: number;
  /** Lines that have come, how many late, and the days late at the median. */
  readonly came: number;
  readonly late: number;
  readonly medianLateDays: number | null;
  /** Pieces that came damaged or wrong, of all that came. */
  readonly bad: number;
  readonly pieces: number;
  readonly openNotes: number;
  readonly version: number;
}

export const SUPPLIER_NOTE_KINDS = ['question', 'promise', 'failure'] as const;
export type SupplierNoteKind = (typeof SUPPLIER_NOTE_KINDS)[number];

export interface SupplierNote {
  readonly id: string;
  readonly kind: SupplierNoteKind;
  readonly text: string;
  readonly by: string;
  readonly at: string;
  readonly ended: string | null;
  readonly endedBy: string | null;
}

export interface SupplierSheet extends SupplierRow {
  readonly notes: readonly SupplierNote[];
}

export interface SupplierBody {
  readonly contact: string;
  readonly deskUrl: string;
  readonly version: number;
}
const supplierSchema = Joi.object<SupplierBody, true>({
  contact: text('Contact', 200).allow('').required(),
  deskUrl: Joi.string()
    .max(200)
    .pattern(/^(https?:\/\/[^\s]+|simulated)?$/, {
      name: 'is not the address of a desk: it begins with http:// or https://',
    })
    .allow('')
    .label('Desk')
    .required(),
  version,
});

export interface NoteBody {
  readonly kind: SupplierNoteKind;
  readonly text: string;
}
const noteSchema = Joi.object<NoteBody, true>({
  kind: Joi.string()
    .valid(...SUPPLIER_NOTE_KINDS)
    .label('What it is')
    .required(),
  text: text('What', 500).min(3).required(),
});
const endNoteSchema = Joi.object<{ readonly ended: string }, true>({
  ended: text('How it ended', 300).min(3).required(),
});

/** Offers for one list of things that are wanted, compared at equal cover. */
export interface OfferRound {
  readonly id: string;
  readonly name: string;
  readonly by: string;
  readonly at: string;
  readonly closed: boolean;
  readonly wanted: readonly {
    readonly componentId: string;
    readonly name: string;
    readonly quantity: number;
    /** What so many cost by themselves at the price of the catalogue; null where it knows none. */
    readonly aloneCents: number | null;
    readonly leadDays: number;
  }[];
  readonly offers: readonly OfferRow[];
  readonly version: number;
}
export interface OfferRow {
  readonly id: string;
  readonly supplierId: string;
  readonly supplier: string;
  readonly priceCents: number;
  readonly currency: Currency;
  readonly rateMillionths: number;
  readonly rateDay: string | null;
  /** In the workshop's own currency, at that rate. */
  readonly ownCents: number;
  readonly deliveryDays: number;
  readonly includes: readonly string[];
  readonly validUntil: string | null;
  readonly note: string;
}

export interface RoundBody {
  readonly name: string;
  readonly wanted: readonly { readonly componentId: string; readonly quantity: number }[];
}
const roundSchema = Joi.object<Mutable<RoundBody>, true>({
  name: text('What for', 80).min(2).required(),
  wanted: Joi.array()
    .items(
      Joi.object({ componentId: componentId('Part').required(), quantity: whole('Quantity', 1, 100_000).required() }),
    )
    .min(1)
    .max(60)
    .unique('componentId')
    .label('Wanted')
    .required(),
});

export interface OfferBody {
  readonly supplierId: string;
  readonly priceCents: number;
  readonly currency: Currency;
  readonly rateMillionths: number;
  readonly rateDay: string | null;
  readonly deliveryDays: number;
  readonly includes: readonly string[];
  readonly validUntil: string | null;
  readonly note: string;
}
const offerSchema = Joi.object<Mutable<OfferBody>, true>({
  supplierId: slug('Supplier').required(),
  priceCents: whole('Price', 1, 2_000_000_000).required(),
  currency: Joi.string()
    .valid(...CURRENCY_IDS)
    .label('Currency')
    .required(),
  rateMillionths: whole('Rate', 1, 2_000_000_000).required(),
  rateDay: isoDate('Rate of').allow(null).required(),
  deliveryDays: whole('Days to deliver', 0, 1000).required(),
  includes: Joi.array().items(componentId('Part')).min(1).max(60).unique().label('What is in it').required(),
  validUntil: isoDate('Valid until').allow(null).required(),
  note: text('Note', 300).allow('').required(),
});

/** A part of a supplier as its price list is held against it. */
export interface SupplierPart extends KnownPart {
  readonly foreign: ForeignPrice | null;
  readonly pricedOn: string | null;
}

/** A price list as text, in its currency with the rate and the day of it. */
export interface PriceListIn extends TableIn {
  readonly currency: Currency;
  readonly rateMillionths: number;
  readonly rateDay: string | null;
  /** Prices are known as of this day. */
  readonly pricedOn: string;
}
const priceListSchema = Joi.object<PriceListIn, true>({
  text: Joi.string().max(LARGEST_PRICE_LIST).label('List').required(),
  name: text('Name of the file', 200).required(),
  currency: Joi.string()
    .valid(...CURRENCY_IDS)
    .label('Currency')
    .required(),
  rateMillionths: whole('Rate', 1, 2_000_000_000).required(),
  rateDay: isoDate('Rate of').allow(null).required(),
  pricedOn: isoDate('Prices of').required(),
});

export const supplierAddress = {
  list: address({ method: 'get', path: '/suppliers', may: 'viewer', answer: answers<SupplierRow[]>() }),
  table: address({ method: 'get', path: '/suppliers.csv', may: 'viewer', answer: A_FILE }),
  one: address({ method: 'get', path: '/suppliers/:supplier', may: 'viewer', answer: answers<SupplierSheet>() }),
  change: address({
    method: 'put',
    path: '/suppliers/:supplier',
    may: 'manager',
    body: supplierSchema,
    answer: answers<Versioned>(),
  }),
  parts: address({
    method: 'get',
    path: '/suppliers/:supplier/parts',
    may: 'viewer',
    answer: answers<SupplierPart[]>(),
  }),
  partTable: address({ method: 'get', path: '/suppliers/:supplier/parts.csv', may: 'viewer', answer: A_FILE }),
  takePrices: address({
    method: 'post',
    path: '/suppliers/:supplier/prices',
    may: 'manager',
    body: priceListSchema,
    size: { bytes: 2 * LARGEST_PRICE_LIST, bounds: { values: 20, depth: 2, text: LARGEST_PRICE_LIST } },
    answer: answers<TakenIn>(),
  }),
  undoPrices: address({
    method: 'post',
    path: '/price-lists/:id/undo',
    may: 'manager',
    answer: answers<{ readonly undone: number }>(),
  }),
  note: address({
    method: 'post',
    path: '/suppliers/:supplier/notes',
    may: 'technician',
    body: noteSchema,
    answer: answers<Made>(),
  }),
  endNote: address({
    method: 'post',
    path: '/supplier-notes/:id/end',
    may: 'technician',
    body: endNoteSchema,
    answer: answers<Made>(),
  }),
  rounds: address({ method: 'get', path: '/offer-rounds', may: 'viewer', answer: answers<OfferRound[]>() }),
  roundTable: address({ method: 'get', path: '/offer-rounds.csv', may: 'viewer', answer: A_FILE }),
  addRound: address({
    method: 'post',
    path: '/offer-rounds',
    may: 'manager',
    body: roundSchema,
    answer: answers<Made>(),
  }),
  addOffer: address({
    method: 'post',
    path: '/offer-rounds/:id/offers',
    may: 'manager',
    body: offerSchema,
    answer: answers<Made>(),
  }),
} as const;
