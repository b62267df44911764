import { sql } from 'drizzle-orm';
import {
  bigint,
  boolean,
  check,
  date,
  doublePrecision,
  index,
  integer,
  pgTable,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';

export const person = pgTable(
  'person',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    signIn: text('sign_in').notNull().unique(),
    name: text('name').notNull(),
    initials: text('initials').notNull(),
    role: text('role', { enum: ['viewer', 'technician', 'manager'] }).notNull(),
    skills: text('skills').array().notNull().default([]),
    unitSet: text('unit_set', { enum: ['metric', 'uk', 'us'] })
      .notNull()
      .default('metric'),
    /** Null while an invitation has not been taken up. */
    passwordHash: text('password_hash'),
    active: boolean('active').notNull().default(true),
    demoNote: text('demo_note'),
    /** Hours of an own working day; null: the workshop's. */
    dayHours: doublePrecision('day_hours'),
    /** An hour of this person as sold; null: the workshop's rate. */
    rateCents: integer('rate_cents'),
    version: integer('version').notNull().default(1),
  },
  (t) => [check('person_role', sql`${t.role} in ('viewer', 'technician', 'manager')`)],
);

/** High-voltage authorisations; the newest end date counts. */
export const authorisation = pgTable(
  'authorisation',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id),
    validFrom: date('valid_from'),
    validUntil: date('valid_until').notNull(),
    /** Who gave it, and the paper that says so. */
    givenBy: text('given_by').notNull().default(''),
    paper: text('paper').notNull().default(''),
    /** Ended before its day, with the reason. */
    endedOn: date('ended_on'),
    endedWhy: text('ended_why'),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    index('authorisation_person').on(t.personId),
    check('authorisation_order', sql`${t.validFrom} is null or ${t.validFrom} <= ${t.validUntil}`),
    check('authorisation_ended_why', sql`(${t.endedOn} is null) = (${t.endedWhy} is null)`),
  ],
);

/** Links by which people choose their own password, once. Only a hash of the link is kept. */
export const invitation = pgTable(
  'invitation',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id),
    tokenHash: text('token_hash').notNull().unique(),
    until: timestamp('until', { withTimezone: true }).notNull(),
    usedAt: timestamp('used_at', { withTimezone: true }),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
  },
  (t) => [index('invitation_person').on(t.personId), index('invitation_by').on(t.byId)],
);

/**
 * Requests that change something are remembered by their key for a week, so that the same one sent again gets the first
 * answer. Method, path and body belong to it: the key on any other request is refused.
 */
export const idempotencyKey = pgTable(
  'idempotency_key',
  {
    key: text('key').notNull(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id),
    method: text('method').notNull(),
    path: text('path').notNull(),
    bodyHash: text('body_hash').notNull(),
    answer: text('answer'),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [uniqueIndex('idempotency_key_once').on(t.personId, t.key), index('idempotency_key_at').on(t.at)],
);

/** Tries at signing in, counted for all servers together (the columns are those of rate-limiter-flexible). */
export const signInTry = pgTable('sign_in_try', {
  key: text('key').primaryKey(),
  points: integer('points').notNull().default(0),
  /** Epoch, milliseconds. */
  expire: bigint('expire', { mode: 'number' }),
});
