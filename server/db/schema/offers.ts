import { sql } from 'drizzle-orm';
import {
  boolean,
  check,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import type { DesignInputs } from '../../../core/design/inputs.ts';
import type { WishEffect } from '../../../core/offer/effect.ts';
import { ADDITION_STATES, type ForeignPrice, OFFER_STATES, type OfferBody } from '../../../core/offer/offer.ts';
import { at, cents, oneOf } from './columns.ts';
import { file } from './files.ts';
import { design, job } from './jobs.ts';
import { kitRevision } from './kits.ts';
import { person } from './people.ts';
import { serialItem } from './stock.ts';

/** Who answered, when, from where: by the name that was typed. Null while nobody has. */
const answer = {
  answeredAt: at('answered_at'),
  answeredBy: text('answered_by'),
  /** Address it came from; empty where a person of the workshop wrote it down. */
  answeredFrom: text('answered_from'),
  answeredWhy: text('answered_why').notNull().default(''),
};
const sums = {
  netCents: cents('net_cents').notNull(),
  taxCents: cents('tax_cents').notNull(),
  totalCents: cents('total_cents').notNull(),
};

/** An offer of a job, version by version; once sent it never changes (a trigger holds it). */
export const offer = pgTable(
  'offer',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    number: integer('number').notNull(),
    state: text('state', { enum: OFFER_STATES }).notNull().default('draft'),
    body: jsonb('body').$type<OfferBody>().notNull(),
    currency: text('currency').notNull(),
    ...sums,
    designId: uuid('design_id').references(() => design.id),
    /** As the design was when the offer was sent: that is what is sold. */
    designInputs: jsonb('design_inputs').$type<DesignInputs>(),
    kitRevisionId: text('kit_revision_id').references(() => kitRevision.id),
    kitOptions: text('kit_options').array().notNull().default([]),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    createdAt: at('created_at').notNull().defaultNow(),
    sentAt: at('sent_at'),
    ...answer,
    version: integer('version').notNull().default(1),
  },
  (t) => [
    uniqueIndex('offer_number_once').on(t.jobId, t.number),
    uniqueIndex('offer_one_draft').on(t.jobId).where(sql`${t.state} = 'draft'`),
    uniqueIndex('offer_one_sent').on(t.jobId).where(sql`${t.state} = 'sent'`),
    uniqueIndex('offer_one_accepted').on(t.jobId).where(sql`${t.state} = 'accepted'`),
    index('offer_design').on(t.designId),
    index('offer_kit').on(t.kitRevisionId),
    index('offer_by').on(t.byId),
    check('offer_state', sql`${t.state} in (${oneOf(OFFER_STATES)})`),
    check('offer_sums', sql`${t.netCents} + ${t.taxCents} = ${t.totalCents}`),
    check('offer_sent', sql`${t.state} not in ('sent', 'accepted', 'declined') or ${t.sentAt} is not null`),
    check(
      'offer_answered',
      sql`${t.state} not in ('accepted', 'declined') or (${t.answeredAt} is not null and ${t.answeredBy} <> '')`,
    ),
  ],
);

/** A wish after something was agreed, priced as an addition; nothing of it is built before it is accepted. */
export const addition = pgTable(
  'addition',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    number: integer('number').notNull(),
    wish: text('wish').notNull(),
    state: text('state', { enum: ADDITION_STATES }).notNull().default('asked'),
    body: jsonb('body').$type<OfferBody>().notNull(),
    currency: text('currency').notNull(),
    ...sums,
    /** The design as it would be; null: the agreed one. */
    designId: uuid('design_id').references(() => design.id),
    /** The kit as it would be taken with it; null: as it is. */
    revisionId: text('revision_id').references(() => kitRevision.id),
    options: text('options').array().notNull().default([]),
    massKg: doublePrecision('mass_kg').notNull().default(0),
    xMm: doublePrecision('x_mm'),
    /** As it was laid before the client. */
    effect: jsonb('effect').$type<WishEffect>(),
    askedBy: text('asked_by').notNull().default(''),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    createdAt: at('created_at').notNull().defaultNow(),
    pricedAt: at('priced_at'),
    ...answer,
    version: integer('version').notNull().default(1),
  },
  (t) => [
    uniqueIndex('addition_number_once').on(t.jobId, t.number),
    index('addition_design').on(t.designId),
    index('addition_revision').on(t.revisionId),
    index('addition_by').on(t.byId),
    check('addition_state', sql`${t.state} in (${oneOf(ADDITION_STATES)})`),
    check('addition_sums', sql`${t.netCents} + ${t.taxCents} = ${t.totalCents}`),
    check(
      'addition_priced',
      sql`${t.state} not in ('priced', 'accepted', 'declined') or (${t.pricedAt} is not null and ${t.effect} is not null)`,
    ),
    check(
      'addition_answered',
      sql`${t.state} not in ('accepted', 'declined') or (${t.answeredAt} is not null and ${t.answeredBy} <> '')`,
    ),
  ],
);

/** The page of a client: one open link a job; only the hash of its word is kept. */
export const clientLink = pgTable(
  'client_link',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    tokenHash: text('token_hash').notNull().unique(),
    until: at('until').notNull(),
    revokedAt: at('revoked_at'),
    lastUsedAt: at('last_used_at'),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
  },
  (t) => [
    uniqueIndex('client_link_open').on(t.jobId).where(sql`${t.revokedAt} is null`),
    index('client_link_job').on(t.jobId),
    index('client_link_by').on(t.byId),
  ],
);

export const clientQuestion = pgTable(
  'client_question',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    text: text('text').notNull(),
    by: text('by').notNull(),
    at: at('at').notNull().defaultNow(),
    answer: text('answer'),
    answeredById: uuid('answered_by_id').references(() => person.id),
    answeredAt: at('answered_at'),
  },
  (t) => [
    index('client_question_job').on(t.jobId),
    index('client_question_answered_by').on(t.answeredById),
    check('client_question_answered', sql`(${t.answer} is null) = (${t.answeredById} is null)`),
  ],
);

/** Pictures of a job that its client may see. */
export const releasedFile = pgTable(
  'released_file',
  {
    fileId: uuid('file_id')
      .primaryKey()
      .references(() => file.id, { onDelete: 'cascade' }),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
  },
  (t) => [index('released_file_job').on(t.jobId), index('released_file_by').on(t.byId)],
);

/** What a job has cost beside its parts and hours: other firms, carriage, papers. Before tax. */
export const jobCost = pgTable(
  'job_cost',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    text: text('text').notNull(),
    /** The workshop's currency. */
    cents: cents('cents').notNull(),
    foreign: jsonb('foreign').$type<ForeignPrice>(),
    day: date('day', { mode: 'string' }).notNull(),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
    droppedAt: at('dropped_at'),
    droppedWhy: text('dropped_why'),
  },
  (t) => [
    index('job_cost_job').on(t.jobId),
    index('job_cost_by').on(t.byId),
    check('job_cost_dropped', sql`(${t.droppedAt} is null) = (${t.droppedWhy} is null)`),
  ],
);

/** One of several ways to do a job, kept to be compared: a design of it, or a kit with options. */
export const jobWay = pgTable(
  'job_way',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    name: text('name').notNull(),
    designId: uuid('design_id').references(() => design.id),
    revisionId: text('revision_id').references(() => kitRevision.id),
    options: text('options').array().notNull().default([]),
    lvByClient: boolean('lv_by_client').notNull().default(false),
    moreCents: cents('more_cents').notNull().default(0),
    /** A unit made good again, in place of a new one. */
    serialId: uuid('serial_id').references(() => serialItem.id),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
    droppedAt: at('dropped_at'),
  },
  (t) => [
    index('job_way_job').on(t.jobId),
    index('job_way_design').on(t.designId),
    index('job_way_revision').on(t.revisionId),
    index('job_way_by').on(t.byId),
    index('job_way_serial').on(t.serialId),
    check('job_way_one', sql`(${t.designId} is null) <> (${t.revisionId} is null)`),
  ],
);
