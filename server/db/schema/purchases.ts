import { sql } from 'drizzle-orm';
import {
  bigserial,
  check,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import { PURCHASE_STATES } from '../../../core/buying/purchase.ts';
import { at, day, oneOf } from './columns.ts';
import { component, supplier } from './library.ts';
import { person } from './people.ts';

/** What is bought of one supplier in one go. */
export const purchase = pgTable(
  'purchase',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    number: text('number').notNull().unique(),
    supplierId: text('supplier_id')
      .notNull()
      .references(() => supplier.id),
    state: text('state', { enum: PURCHASE_STATES }).notNull().default('draft'),
    currency: text('currency').notNull(),
    /** One unit of it in millionths of the workshop's own, on that day; a million where it is the own one. */
    rateMillionths: integer('rate_millionths').notNull().default(1_000_000),
    rateDay: day('rate_day'),
    wantedOn: day('wanted_on'),
    note: text('note').notNull().default(''),
    endedWhy: text('ended_why'),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    createdAt: at('created_at').notNull().defaultNow(),
    sentAt: at('sent_at'),
    /** When its supplier's desk has taken it; null where it has none, or cannot be reached yet. */
    takenAt: at('taken_at'),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    index('purchase_supplier').on(t.supplierId),
    index('purchase_by').on(t.byId),
    index('purchase_open').on(t.number).where(sql`${t.state} in ('draft', 'sent', 'confirmed')`),
    check('purchase_state', sql`${t.state} in (${oneOf(PURCHASE_STATES)})`),
    check('purchase_rate', sql`${t.rateMillionths} > 0`),
    check('purchase_sent', sql`(${t.state} in ('draft', 'cancelled')) or ${t.sentAt} is not null`),
    check('purchase_cancelled', sql`${t.state} <> 'cancelled' or ${t.endedWhy} is not null`),
  ],
);

export const purchaseLine = pgTable(
  'purchase_line',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    purchaseId: uuid('purchase_id')
      .notNull()
      .references(() => purchase.id),
    position: integer('position').notNull(),
    componentId: text('component_id')
      .notNull()
      .references(() => component.id),
    /** Ledger units. */
    quantity: integer('quantity').notNull(),
    /** Of one unit of lists, in the order's currency. */
    priceCents: integer('price_cents').notNull(),
    /** What the supplier says now, and said first. */
    promisedOn: day('promised_on'),
    firstPromisedOn: day('first_promised_on'),
    /** Will not come. */
    dropped: integer('dropped').notNull().default(0),
  },
  (t) => [
    index('purchase_line_purchase').on(t.purchaseId),
    index('purchase_line_component').on(t.componentId),
    check('purchase_line_quantity', sql`${t.quantity} > 0`),
    check('purchase_line_price', sql`${t.priceCents} >= 0`),
    check('purchase_line_dropped', sql`${t.dropped} between 0 and ${t.quantity}`),
  ],
);

/** What came from a supplier: its word is kept as it came, and taken once. */
export const purchaseMessage = pgTable(
  'purchase_message',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    purchaseId: uuid('purchase_id')
      .notNull()
      .references(() => purchase.id),
    /** The supplier's own mark of this message. */
    key: text('key').notNull(),
    kind: text('kind').notNull(),
    body: jsonb('body').notNull(),
    at: at('at').notNull().defaultNow(),
    /** A delivery that was announced and has been counted in, or an invoice that was settled. */
    doneAt: at('done_at'),
  },
  (t) => [uniqueIndex('purchase_message_once').on(t.purchaseId, t.key)],
);

/** One delivery as it was counted in. */
export const goodsReceipt = pgTable(
  'goods_receipt',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    purchaseId: uuid('purchase_id')
      .notNull()
      .references(() => purchase.id),
    /** Of the delivery note: one note is counted in once. */
    note: text('note').notNull(),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
  },
  (t) => [
    uniqueIndex('goods_receipt_once').on(t.purchaseId, sql`lower(${t.note})`),
    index('goods_receipt_by').on(t.byId),
  ],
);

export const goodsReceiptLine = pgTable(
  'goods_receipt_line',
  {
    receiptId: uuid('receipt_id')
      .notNull()
      .references(() => goodsReceipt.id),
    lineId: uuid('line_id')
      .notNull()
      .references(() => purchaseLine.id),
    good: integer('good').notNull(),
    damaged: integer('damaged').notNull(),
    wrong: integer('wrong').notNull(),
    /** By the delivery note, where it said. */
    announced: integer('announced'),
    remark: text('remark').notNull().default(''),
  },
  (t) => [
    primaryKey({ columns: [t.receiptId, t.lineId] }),
    index('goods_receipt_line_line').on(t.lineId),
    check('goods_receipt_line_counted', sql`${t.good} >= 0 and ${t.damaged} >= 0 and ${t.wrong} >= 0`),
  ],
);

/** What was sent back, and why. */
export const purchaseReturn = pgTable(
  'purchase_return',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    lineId: uuid('line_id')
      .notNull()
      .references(() => purchaseLine.id),
    quantity: integer('quantity').notNull(),
    /** It lay in a bin; what was refused at the door did not. */
    fromBin: text('from_bin', { enum: ['bin', 'door'] }).notNull(),
    reason: text('reason').notNull(),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
  },
  (t) => [
    index('purchase_return_line').on(t.lineId),
    index('purchase_return_by').on(t.byId),
    check('purchase_return_quantity', sql`${t.quantity} > 0`),
  ],
);

export const INVOICE_STATES = ['open', 'agreed', 'refused'] as const;

/** A supplier's invoice, held against order and receipts. */
export const purchaseInvoice = pgTable(
  'purchase_invoice',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    purchaseId: uuid('purchase_id')
      .notNull()
      .references(() => purchase.id),
    number: text('number').notNull(),
    day: day('day').notNull(),
    lines: jsonb('lines')
      .$type<readonly { readonly lineId: string; readonly quantity: number; readonly priceCents: number }[]>()
      .notNull(),
    taxCents: integer('tax_cents').notNull(),
    totalCents: integer('total_cents').notNull(),
    state: text('state', { enum: INVOICE_STATES }).notNull().default('open'),
    why: text('why').notNull().default(''),
    /** Null where the supplier's desk sent it. */
    byId: uuid('by_id').references(() => person.id),
    at: at('at').notNull().defaultNow(),
    settledById: uuid('settled_by_id').references(() => person.id),
    settledAt: at('settled_at'),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    uniqueIndex('purchase_invoice_once').on(t.purchaseId, sql`lower(${t.number})`),
    index('purchase_invoice_by').on(t.byId),
    index('purchase_invoice_settled_by').on(t.settledById),
    check('purchase_invoice_state', sql`${t.state} in (${oneOf(INVOICE_STATES)})`),
    check('purchase_invoice_settled', sql`(${t.state} = 'open') = (${t.settledById} is null)`),
  ],
);

/** What a supplier was asked, promised or failed in, as somebody noted it. */
export const supplierNote = pgTable(
  'supplier_note',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    supplierId: text('supplier_id')
      .notNull()
      .references(() => supplier.id),
    kind: text('kind', { enum: ['question', 'promise', 'failure'] }).notNull(),
    text: text('text').notNull(),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
    /** Answered, kept or made good, and how. */
    ended: text('ended'),
    endedById: uuid('ended_by_id').references(() => person.id),
    endedAt: at('ended_at'),
  },
  (t) => [
    index('supplier_note_supplier').on(t.supplierId),
    index('supplier_note_by').on(t.byId),
    index('supplier_note_ended_by').on(t.endedById),
    check('supplier_note_kind', sql`${t.kind} in ('question', 'promise', 'failure')`),
    check('supplier_note_ended', sql`(${t.ended} is null) = (${t.endedById} is null)`),
  ],
);

/** An offer for a list of things that are wanted, to be compared with others at equal cover. */
export const offerRound = pgTable(
  'offer_round',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    name: text('name').notNull(),
    /** Components wanted, with how many of each. */
    wanted: jsonb('wanted').$type<readonly { readonly componentId: string; readonly quantity: number }[]>().notNull(),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
    closedAt: at('closed_at'),
    version: integer('version').notNull().default(1),
  },
  (t) => [index('offer_round_by').on(t.byId)],
);

export const supplierOffer = pgTable(
  'supplier_offer',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    roundId: uuid('round_id')
      .notNull()
      .references(() => offerRound.id),
    supplierId: text('supplier_id')
      .notNull()
      .references(() => supplier.id),
    /** For all that is in it, in the offer's currency, with its rate on the day. */
    priceCents: integer('price_cents').notNull(),
    currency: text('currency').notNull(),
    rateMillionths: integer('rate_millionths').notNull().default(1_000_000),
    rateDay: day('rate_day'),
    deliveryDays: integer('delivery_days').notNull(),
    includes: jsonb('includes').$type<readonly string[]>().notNull(),
    validUntil: day('valid_until'),
    note: text('note').notNull().default(''),
    at: at('at').notNull().defaultNow(),
  },
  (t) => [
    index('supplier_offer_round').on(t.roundId),
    index('supplier_offer_supplier').on(t.supplierId),
    check('supplier_offer_price', sql`${t.priceCents} > 0`),
    check('supplier_offer_rate', sql`${t.rateMillionths} > 0`),
  ],
);
