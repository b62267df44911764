import { sql } from 'drizzle-orm';
import { boolean, check, date, index, pgTable, text, timestamp, uniqueIndex, uuid } from 'drizzle-orm/pg-core';

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
    passwordHash: text('password_hash').notNull(),
    active: boolean('active').notNull().default(true),
    demoNote: text('demo_note'),
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
    validUntil: date('valid_until').notNull(),
  },
  (t) => [index('authorisation_person').on(t.personId)],
);

/** Requests that create something are remembered by their key, so that a repeat gets the first answer. */
export const idempotencyKey = pgTable(
  'idempotency_key',
  {
    key: text('key').notNull(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id),
    answer: text('answer'),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [uniqueIndex('idempotency_key_once').on(t.personId, t.key)],
);
