import { sql } from 'drizzle-orm';
import { check, doublePrecision, index, integer, jsonb, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import type { DashPoint, HandedItem, SettingValues } from '../../../core/vehicle/condition.ts';
import { at } from './columns.ts';
import { job } from './jobs.ts';
import { person } from './people.ts';
import { vehicle } from './vehicles.ts';

const jobId = () =>
  uuid('job_id')
    .notNull()
    .references(() => job.id);
const byId = () =>
  uuid('by_id')
    .notNull()
    .references(() => person.id);

/** The service switch locked open by somebody who works behind it: only they take the lock off, or a manager with a reason. */
export const serviceLock = pgTable(
  'service_lock',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: jobId(),
    byId: byId(),
    at: at('at').notNull(),
    /** Where the key is. */
    key: text('key').notNull().default(''),
    offById: uuid('off_by_id').references(() => person.id),
    offAt: timestamp('off_at', { withTimezone: true }),
    offWhy: text('off_why'),
  },
  (t) => [
    index('service_lock_job').on(t.jobId),
    index('service_lock_by').on(t.byId),
    index('service_lock_off_by').on(t.offById),
    check('service_lock_off', sql`(${t.offById} is null) = (${t.offAt} is null)`),
  ],
);

/** Inspected on arrival, connector by connector and box by box. Never changed: what is looked at again is a further row. */
export const inspection = pgTable(
  'inspection',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: jobId(),
    /** A connector or a box, as it is called. */
    kind: text('kind', { enum: ['connector', 'box'] }).notNull(),
    what: text('what').notNull(),
    /** Of a connector pin, wire, crimp and seal, of a box torque and seal: each good, failed, or not looked at. */
    points: jsonb('points').$type<Record<string, 'good' | 'failed' | null>>().notNull(),
    note: text('note').notNull().default(''),
    byId: byId(),
    at: at('at').notNull(),
  },
  (t) => [index('inspection_job').on(t.jobId, t.what), index('inspection_by').on(t.byId)],
);

/** Who has the vehicle, since when, with which list; one at a time. */
export const custody = pgTable(
  'custody',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: jobId(),
    /** The firm or person that has it. */
    holder: text('holder').notNull(),
    what: text('what').notNull().default(''),
    from: at('from').notNull(),
    dueBack: timestamp('due_back', { withTimezone: true }),
    /** What went along, and what of it came back. */
    list: jsonb('list').$type<HandedItem[]>().notNull(),
    byId: byId(),
    backAt: timestamp('back_at', { withTimezone: true }),
    backById: uuid('back_by_id').references(() => person.id),
    backNote: text('back_note').notNull().default(''),
  },
  (t) => [
    index('custody_job').on(t.jobId),
    index('custody_by').on(t.byId),
    index('custody_back_by').on(t.backById),
    check('custody_back', sql`(${t.backAt} is null) = (${t.backById} is null)`),
    check('custody_order', sql`${t.dueBack} is null or ${t.dueBack} > ${t.from}`),
  ],
);

/** Settings of a controller, charger or management unit as they were put in; never changed, a further row is a further version. */
export const settingsVersion = pgTable(
  'settings_version',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    vehicleId: uuid('vehicle_id')
      .notNull()
      .references(() => vehicle.id),
    jobId: jobId(),
    /** Which box: controller, charger, management unit. */
    unit: text('unit', { enum: ['controller', 'charger', 'management'] }).notNull(),
    firmware: text('firmware').notNull().default(''),
    values: jsonb('values').$type<SettingValues>().notNull(),
    why: text('why').notNull(),
    byId: byId(),
    at: at('at').notNull(),
  },
  (t) => [
    index('settings_version_vehicle').on(t.vehicleId, t.unit, t.at),
    index('settings_version_job').on(t.jobId),
    index('settings_version_by').on(t.byId),
  ],
);

/** A dial, lamp, lever or switch of the old dash: what signal it gets, what drives it, what stands on its face. */
export const dashLine = pgTable(
  'dash_line',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    vehicleId: uuid('vehicle_id')
      .notNull()
      .references(() => vehicle.id),
    jobId: jobId(),
    kind: text('kind', { enum: ['dial', 'lamp', 'lever', 'switch'] }).notNull(),
    name: text('name').notNull(),
    signal: text('signal').notNull().default(''),
    driver: text('driver').notNull().default(''),
    face: text('face').notNull().default(''),
    unit: text('unit').notNull().default(''),
    /** What the signal said and what the needle showed, five of them. */
    points: jsonb('points').$type<DashPoint[]>().notNull(),
    /** How far it may be off, share of its full scale. */
    tolerance: doublePrecision('tolerance').notNull().default(0.05),
    byId: byId(),
    at: at('at').notNull(),
    droppedAt: timestamp('dropped_at', { withTimezone: true }),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    index('dash_line_vehicle').on(t.vehicleId),
    index('dash_line_job').on(t.jobId),
    index('dash_line_by').on(t.byId),
  ],
);
