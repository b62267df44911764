import { sql } from 'drizzle-orm';
import { check, date, doublePrecision, index, integer, pgTable, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { REFURBISHING_STATES } from '../../../core/stores/refurbishing.ts';
import { at, cents } from './columns.ts';
import { component } from './library.ts';
import { person } from './people.ts';
import { serialItem } from './stock.ts';

/** An order on a numbered thing: to make it good again, so that its true cost is known. One at a time. */
export const refurbishing = pgTable(
  'refurbishing',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    serialId: uuid('serial_id')
      .notNull()
      .references(() => serialItem.id),
    /** What is to be done. */
    what: text('what').notNull(),
    state: text('state', { enum: REFURBISHING_STATES }).notNull().default('open'),
    boughtCents: cents('bought_cents'),
    /** How it was proved good, or why it was given up. */
    ended: text('ended'),
    warrantyUntil: date('warranty_until', { mode: 'string' }),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
    endedById: uuid('ended_by_id').references(() => person.id),
    endedAt: at('ended_at'),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    uniqueIndex('refurbishing_one_open').on(t.serialId).where(sql`${t.state} = 'open'`),
    index('refurbishing_serial').on(t.serialId),
    index('refurbishing_by').on(t.byId),
    index('refurbishing_ended_by').on(t.endedById),
    check('refurbishing_state', sql`${t.state} in ('open', 'done', 'givenUp')`),
    check(
      'refurbishing_ended',
      sql`(${t.state} = 'open') = (${t.endedAt} is null) and (${t.state} = 'open') = (${t.ended} is null)`,
    ),
  ],
);

/** Parts that went into it, at the price of that day. */
export const refurbishingPart = pgTable(
  'refurbishing_part',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    refurbishingId: uuid('refurbishing_id')
      .notNull()
      .references(() => refurbishing.id),
    componentId: text('component_id')
      .notNull()
      .references(() => component.id),
    quantity: integer('quantity').notNull(),
    unitCents: cents('unit_cents').notNull(),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
  },
  (t) => [
    index('refurbishing_part_of').on(t.refurbishingId),
    index('refurbishing_part_component').on(t.componentId),
    index('refurbishing_part_by').on(t.byId),
    check('refurbishing_part_quantity', sql`${t.quantity} > 0`),
  ],
);

/** Hours that went into it. */
export const refurbishingHours = pgTable(
  'refurbishing_hours',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    refurbishingId: uuid('refurbishing_id')
      .notNull()
      .references(() => refurbishing.id),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id),
    hours: doublePrecision('hours').notNull(),
    day: date('day', { mode: 'string' }).notNull(),
    what: text('what').notNull().default(''),
    at: at('at').notNull().defaultNow(),
  },
  (t) => [
    index('refurbishing_hours_of').on(t.refurbishingId),
    index('refurbishing_hours_person').on(t.personId),
    check('refurbishing_hours_hours', sql`${t.hours} > 0 and ${t.hours} <= 24`),
  ],
);
