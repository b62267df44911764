import { sql } from 'drizzle-orm';
import { boolean, check, date, index, integer, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import type { OfferBody } from '../../../core/offer/offer.ts';
import { SALE_STATES } from '../../../core/offer/sale.ts';
import { at, cents, oneOf } from './columns.ts';
import { person } from './people.ts';
import { client, vehicle } from './vehicles.ts';

/** Sold over the counter: parts, one box, or advice, without a vehicle. Once sold it never changes (a trigger holds it). */
export const counterSale = pgTable(
  'counter_sale',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    number: text('number').notNull().unique(),
    state: text('state', { enum: SALE_STATES }).notNull().default('draft'),
    clientId: uuid('client_id')
      .notNull()
      .references(() => client.id),
    body: jsonb('body').$type<OfferBody>().notNull(),
    currency: text('currency').notNull(),
    netCents: cents('net_cents').notNull(),
    taxCents: cents('tax_cents').notNull(),
    totalCents: cents('total_cents').notNull(),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    createdAt: at('created_at').notNull().defaultNow(),
    soldAt: at('sold_at'),
    endedWhy: text('ended_why'),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    index('counter_sale_client').on(t.clientId),
    index('counter_sale_by').on(t.byId),
    check('counter_sale_state', sql`${t.state} in (${oneOf(SALE_STATES)})`),
    check('counter_sale_sums', sql`${t.netCents} + ${t.taxCents} = ${t.totalCents}`),
    check('counter_sale_sold', sql`(${t.state} = 'sold') = (${t.soldAt} is not null)`),
    check('counter_sale_ended', sql`(${t.state} = 'cancelled') = (${t.endedWhy} is not null)`),
  ],
);

/** A vehicle of the workshop's own: what it cost, what it is worth, what it was sold for. Before tax, own currency. */
export const ownVehicle = pgTable(
  'own_vehicle',
  {
    vehicleId: uuid('vehicle_id')
      .primaryKey()
      .references(() => vehicle.id),
    boughtOn: date('bought_on', { mode: 'string' }).notNull(),
    boughtFrom: text('bought_from').notNull().default(''),
    purchaseCents: cents('purchase_cents').notNull(),
    /** It had been converted before: what comes out is an older conversion, not an engine. */
    convertedBefore: boolean('converted_before').notNull().default(false),
    /** What it would fetch now; null: nobody has said. */
    valueCents: cents('value_cents'),
    valuedOn: date('valued_on', { mode: 'string' }),
    soldOn: date('sold_on', { mode: 'string' }),
    soldTo: text('sold_to').notNull().default(''),
    soldCents: cents('sold_cents'),
    version: integer('version').notNull().default(1),
  },
  () => [
    check('own_vehicle_sold', sql`(sold_on is null) = (sold_cents is null)`),
    check('own_vehicle_valued', sql`(valued_on is null) = (value_cents is null)`),
  ],
);
