import { sql } from 'drizzle-orm';
import {
  boolean,
  check,
  doublePrecision,
  index,
  integer,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import { LOG_FINDING_IDS, type LogFindingId } from '../../../core/logs/findings.ts';
import { variant } from './library.ts';
import { person } from './people.ts';

export const client = pgTable(
  'client',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    name: text('name').notNull(),
    contact: text('contact').notNull().default(''),
    /** A person whose data was removed: their jobs stay, with nobody's name. */
    removedAt: timestamp('removed_at', { withTimezone: true }),
    /** The workshop itself, for vehicles of its own; at most one. */
    own: boolean('own').notNull().default(false),
    version: integer('version').notNull().default(1),
  },
  (t) => [uniqueIndex('client_own_once').on(t.own).where(sql`${t.own}`)],
);

export const vehicle = pgTable(
  'vehicle',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => client.id),
    variantId: text('variant_id')
      .notNull()
      .references(() => variant.id),
    name: text('name').notNull(),
    chassisNumber: text('chassis_number').notNull(),
    registration: text('registration').notNull().default(''),
    builtYear: integer('built_year').notNull(),
    colour: text('colour').notNull().default(''),
    version: integer('version').notNull().default(1),
  },
  (t) => [index('vehicle_client').on(t.clientId), index('vehicle_variant').on(t.variantId)],
);

export const weighing = pgTable(
  'weighing',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    vehicleId: uuid('vehicle_id')
      .notNull()
      .references(() => vehicle.id),
    frontLeftKg: doublePrecision('front_left_kg').notNull(),
    frontRightKg: doublePrecision('front_right_kg').notNull(),
    rearLeftKg: doublePrecision('rear_left_kg').notNull(),
    rearRightKg: doublePrecision('rear_right_kg').notNull(),
    state: text('state', { enum: ['asReceived', 'stripped'] }).notNull(),
    note: text('note').notNull().default(''),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    index('weighing_vehicle').on(t.vehicleId),
    index('weighing_by').on(t.byId),
    check(
      'weighing_positive',
      sql`${t.frontLeftKg} > 0 and ${t.frontRightKg} > 0 and ${t.rearLeftKg} > 0 and ${t.rearRightKg} > 0`,
    ),
  ],
);

/** Figures of this very vehicle that stand in for the library's. */
export const vehicleFigure = pgTable(
  'vehicle_figure',
  {
    vehicleId: uuid('vehicle_id')
      .notNull()
      .references(() => vehicle.id),
    figure: text('figure').notNull(),
    value: doublePrecision('value').notNull(),
    source: text('source', { enum: ['measured', 'library', 'drawing', 'assumed'] }).notNull(),
    /** Who or what said so, where it was settled against another source. */
    says: text('says'),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.vehicleId, t.figure] }), index('vehicle_figure_by').on(t.byId)],
);

/** What somebody says of a figure of this vehicle that is not, or not yet, what is used. */
export const vehicleClaim = pgTable(
  'vehicle_claim',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    vehicleId: uuid('vehicle_id')
      .notNull()
      .references(() => vehicle.id),
    figure: text('figure').notNull(),
    value: doublePrecision('value').notNull(),
    source: text('source', { enum: ['measured', 'library', 'drawing', 'assumed'] }).notNull(),
    /** Who or what says so: the handbook, the client, a plate. */
    says: text('says').notNull(),
    /** Why it is not used; null while nobody has decided. */
    whyNot: text('why_not'),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    index('vehicle_claim_vehicle').on(t.vehicleId),
    index('vehicle_claim_by').on(t.byId),
    check('vehicle_claim_says', sql`${t.says} <> '' and (${t.whyNot} is null or ${t.whyNot} <> '')`),
  ],
);

/** What a log showed of a vehicle beside what its figures had predicted. */
export const logFinding = pgTable(
  'log_finding',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    vehicleId: uuid('vehicle_id')
      .notNull()
      .references(() => vehicle.id),
    figure: text('figure', { enum: LOG_FINDING_IDS as [LogFindingId, ...LogFindingId[]] }).notNull(),
    predicted: doublePrecision('predicted'),
    measured: doublePrecision('measured').notNull(),
    error: doublePrecision('error'),
    /** Name of the log's file. */
    log: text('log').notNull(),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    index('log_finding_vehicle').on(t.vehicleId),
    index('log_finding_by').on(t.byId),
    check('log_finding_error', sql`${t.error} >= 0`),
  ],
);
