import { sql } from 'drizzle-orm';
import {
  bigint,
  bigserial,
  boolean,
  check,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
} from 'drizzle-orm/pg-core';
import type { Region, SettingName } from '../../../contract/workshop.ts';
import type { Practice } from '../../../core/practice/practice.ts';
import type { Currency } from '../../../core/quantity/currency.ts';

/** What this database is, in one row. */
export const installation = pgTable(
  'installation',
  {
    id: integer('id').primaryKey().default(1),
    /** The sample workshop, with sign-ins that everybody may know. */
    sample: boolean('sample').notNull(),
    madeAt: timestamp('made_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [check('installation_one_row', sql`${t.id} = 1`)],
);

/** What the workshop is and what it reckons with, in one row; none while it has not been begun. */
export const workshop = pgTable(
  'workshop',
  {
    id: integer('id').primaryKey().default(1),
    name: text('name').notNull(),
    region: text('region').$type<Region>().notNull(),
    timeZone: text('time_zone').notNull(),
    currency: text('currency').$type<Currency>().notNull(),
    taxShare: doublePrecision('tax_share').notNull(),
    unitSet: text('unit_set', { enum: ['metric', 'uk', 'us'] }).notNull(),
    workingDays: integer('working_days').array().notNull(),
    dayStartH: doublePrecision('day_start_h').notNull(),
    dayEndH: doublePrecision('day_end_h').notNull(),
    breakH: doublePrecision('break_h').notNull(),
    rateCents: integer('rate_cents').notNull(),
    hoursPerDay: doublePrecision('hours_per_day').notNull(),
    /** What else the workshop reckons with; what is not in it is common practice. */
    practice: jsonb('practice').$type<Partial<Practice>>().notNull().default({}),
    /** Settings somebody has set; the others are common practice. */
    own: text('own').array().$type<SettingName[]>().notNull().default([]),
    version: integer('version').notNull().default(1),
    /** The building, metres; its places are saved with it as one plan. */
    buildingWidthM: doublePrecision('building_width_m').notNull().default(20),
    buildingLengthM: doublePrecision('building_length_m').notNull().default(12),
    planVersion: integer('plan_version').notNull().default(1),
  },
  (t) => [
    check('workshop_one_row', sql`${t.id} = 1`),
    check('workshop_day', sql`${t.dayEndH} - ${t.dayStartH} - ${t.breakH} > 0`),
    check('workshop_building', sql`${t.buildingWidthM} > 0 and ${t.buildingLengthM} > 0`),
  ],
);

/** Every backup and every trial of one, with how it ended: what a manager looks at to sleep well. */
export const backupRun = pgTable(
  'backup_run',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    kind: text('kind', { enum: ['daily', 'asked', 'trial'] }).notNull(),
    file: text('file').notNull(),
    startedAt: timestamp('started_at', { withTimezone: true }).notNull().defaultNow(),
    endedAt: timestamp('ended_at', { withTimezone: true }),
    bytes: bigint('bytes', { mode: 'number' }),
    /** Why it failed; null where it did not, or has not ended. */
    fault: text('fault'),
    /** Thrown away since, by the rules of keeping. */
    goneAt: timestamp('gone_at', { withTimezone: true }),
  },
  (t) => [
    index('backup_run_started').on(t.startedAt),
    check('backup_run_kind', sql`${t.kind} in ('daily', 'asked', 'trial')`),
  ],
);
