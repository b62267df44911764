import Joi from 'joi';
import { isoDate, type Mutable, text, whole } from './fields.ts';

/**
 * What Dajo and a supplier's desk say to each other over HTTP, JSON both ways. Dajo puts an order at `PUT /orders/{number}`:
 * the same order put again is the same order. It asks for everything the desk has said of it at
 * `GET /orders/{number}/messages`; a message said twice has the same key and is taken once.
 */
export interface DeskOrder {
  readonly number: string;
  readonly buyer: string;
  readonly currency: string;
  readonly wantedOn: string | null;
  readonly lines: readonly {
    /** The position of the line on the order, from 1. */
    readonly line: number;
    readonly partNumber: string;
    readonly name: string;
    /** Pieces, or millimetres where the unit says so. */
    readonly quantity: number;
    readonly unit: 'piece' | 'mm';
    readonly priceCents: number;
  }[];
}

export type DeskMessage =
  | {
      readonly key: string;
      readonly kind: 'confirmed' | 'delayed';
      readonly lines: readonly { readonly line: number; readonly promisedOn: string; readonly priceCents?: number }[];
      readonly why?: string;
    }
  | { readonly key: string; readonly kind: 'refused'; readonly why: string }
  | {
      readonly key: string;
      readonly kind: 'dispatched';
      readonly note: string;
      readonly arrivesOn: string | null;
      readonly lines: readonly { readonly line: number; readonly quantity: number }[];
    }
  | {
      readonly key: string;
      readonly kind: 'invoiced';
      readonly number: string;
      readonly day: string;
      readonly lines: readonly { readonly line: number; readonly quantity: number; readonly priceCents: number }[];
      readonly taxCents: number;
      readonly totalCents: number;
    };

const MOST = 2_000_000_000;
const key = text('Key', 80).min(1).required();
const line = whole('Line', 1, 400).required();
const lines = (fields: Joi.SchemaMap) =>
  Joi.array()
    .items(Joi.object({ line, ...fields }))
    .min(1)
    .max(400)
    .unique('line')
    .label('Lines')
    .required();
const quantity = whole('Quantity', 1, MOST).required();
const kind = (...kinds: string[]) =>
  Joi.string()
    .valid(...kinds)
    .label('Kind')
    .required();

export const deskMessageSchema = Joi.alternatives().try(
  Joi.object({
    key,
    kind: kind('confirmed', 'delayed'),
    lines: lines({ promisedOn: isoDate('Promised for').required(), priceCents: whole('Price', 0, MOST) }),
    why: text('Why', 300).allow(''),
  }),
  Joi.object({ key, kind: kind('refused'), why: text('Why', 300).required() }),
  Joi.object({
    key,
    kind: kind('dispatched'),
    note: text('Delivery note', 80).required(),
    arrivesOn: isoDate('Arrives on').allow(null).required(),
    lines: lines({ quantity }),
  }),
  Joi.object({
    key,
    kind: kind('invoiced'),
    number: text('Number', 80).required(),
    day: isoDate('Day').required(),
    lines: lines({ quantity, priceCents: whole('Price', 0, MOST).required() }),
    taxCents: whole('Tax', 0, MOST).required(),
    totalCents: whole('Total', 0, MOST).required(),
  }),
) as Joi.Schema<DeskMessage>;

/** What a desk answers when it is asked what it has said. */
export const deskAnswerSchema = Joi.object<{ messages: DeskMessage[] }, true>({
  messages: Joi.array().items(deskMessageSchema).max(1000).label('Messages').required() as unknown as Joi.ArraySchema<
    DeskMessage[]
  >,
});

export const deskOrderSchema = Joi.object<Mutable<DeskOrder>, true>({
  number: text('Number', 20).min(1).required(),
  buyer: text('Buyer', 120).required(),
  currency: text('Currency', 3).min(3).required(),
  wantedOn: isoDate('Wanted on').allow(null).required(),
  lines: lines({
    partNumber: text('Part number', 60).allow('').required(),
    name: text('Name', 80).required(),
    quantity,
    unit: kind('piece', 'mm'),
    priceCents: whole('Price', 0, MOST).required(),
  }),
});
