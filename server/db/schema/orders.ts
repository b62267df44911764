import { sql } from 'drizzle-orm';
import {
  check,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import { type FittedBy, ORDER_FITTERS, ORDER_KINDS, ORDER_PAPERS, ORDER_STATES } from '../../../core/order/order.ts';
import { at, day, oneOf } from './columns.ts';
import { job } from './jobs.ts';
import { kit, kitRevision } from './kits.ts';
import { component, variant } from './library.ts';
import { person } from './people.ts';
import { client } from './vehicles.ts';

/** A kit that goes out: sold with one revision and its options, fitted by somebody else or by several. */
export const kitOrder = pgTable(
  'kit_order',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    number: text('number').notNull().unique(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => client.id),
    revisionId: text('revision_id')
      .notNull()
      .references(() => kitRevision.id),
    variantId: text('variant_id')
      .notNull()
      .references(() => variant.id),
    options: jsonb('options').$type<readonly string[]>().notNull(),
    kind: text('kind', { enum: ORDER_KINDS }).notNull(),
    fitter: text('fitter', { enum: ORDER_FITTERS }).notNull(),
    partnerId: uuid('partner_id').references(() => client.id),
    vehicle: text('vehicle').notNull().default(''),
    promisedOn: day('promised_on').notNull(),
    /** The day the vehicle comes for high voltage and software, and the job it comes to. */
    comesOn: day('comes_on'),
    jobId: uuid('job_id').references(() => job.id),
    /** Stages by key that are not the fitter's. */
    fittedBy: jsonb('fitted_by').$type<FittedBy>().notNull(),
    /** Null until it is decided; empty where none goes along. */
    loanTool: text('loan_tool'),
    loanDue: day('loan_due'),
    loanBack: day('loan_back'),
    note: text('note').notNull().default(''),
    state: text('state', { enum: ORDER_STATES }).notNull().default('ordered'),
    cancelledWhy: text('cancelled_why'),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    orderedAt: at('ordered_at').notNull().defaultNow(),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    index('kit_order_client').on(t.clientId),
    index('kit_order_revision').on(t.revisionId),
    index('kit_order_variant').on(t.variantId),
    index('kit_order_partner').on(t.partnerId),
    index('kit_order_job').on(t.jobId),
    index('kit_order_by').on(t.byId),
    check('kit_order_kind', sql`${t.kind} in (${oneOf(ORDER_KINDS)})`),
    check('kit_order_state', sql`${t.state} in (${oneOf(ORDER_STATES)})`),
    check('kit_order_partner_named', sql`(${t.fitter} = 'partner') = (${t.partnerId} is not null)`),
    check('kit_order_cancelled_why', sql`(${t.state} = 'cancelled') = (${t.cancelledWhy} is not null)`),
  ],
);

/** What is packed, counted twice by two people. */
export const orderLine = pgTable(
  'order_line',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    orderId: uuid('order_id')
      .notNull()
      .references(() => kitOrder.id),
    position: integer('position').notNull(),
    componentId: text('component_id')
      .notNull()
      .references(() => component.id),
    crate: text('crate').notNull(),
    pieces: integer('pieces').notNull(),
    firstPieces: integer('first_pieces'),
    firstById: uuid('first_by_id').references(() => person.id),
    firstAt: at('first_at'),
    secondPieces: integer('second_pieces'),
    secondById: uuid('second_by_id').references(() => person.id),
    secondAt: at('second_at'),
  },
  (t) => [
    index('order_line_order').on(t.orderId),
    index('order_line_component').on(t.componentId),
    index('order_line_first_by').on(t.firstById),
    index('order_line_second_by').on(t.secondById),
    check('order_line_pieces', sql`${t.pieces} > 0`),
    check('order_line_first', sql`${t.firstPieces} between 0 and ${t.pieces}`),
    check('order_line_second', sql`${t.secondPieces} between 0 and ${t.pieces}`),
    check('order_line_first_who', sql`(${t.firstPieces} is null) = (${t.firstById} is null)`),
    check('order_line_second_who', sql`(${t.secondPieces} is null) = (${t.secondById} is null)`),
    // Two pairs of eyes, and the second after the first.
    check(
      'order_line_two_people',
      sql`${t.secondById} is null or ${t.firstById} is not null and ${t.secondById} <> ${t.firstById}`,
    ),
  ],
);

export const orderSerial = pgTable(
  'order_serial',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    lineId: uuid('line_id')
      .notNull()
      .references(() => orderLine.id),
    componentId: text('component_id')
      .notNull()
      .references(() => component.id),
    serial: text('serial').notNull(),
  },
  (t) => [
    index('order_serial_line').on(t.lineId),
    // One thing is in one crate.
    uniqueIndex('order_serial_once').on(t.componentId, sql`lower(${t.serial})`),
  ],
);

export const orderCrate = pgTable(
  'order_crate',
  {
    orderId: uuid('order_id')
      .notNull()
      .references(() => kitOrder.id),
    name: text('name').notNull(),
    lengthMm: integer('length_mm').notNull(),
    widthMm: integer('width_mm').notNull(),
    heightMm: integer('height_mm').notNull(),
    /** As weighed, packed and closed. */
    massKg: doublePrecision('mass_kg').notNull(),
  },
  (t) => [primaryKey({ columns: [t.orderId, t.name] })],
);

export const orderPaper = pgTable(
  'order_paper',
  {
    orderId: uuid('order_id')
      .notNull()
      .references(() => kitOrder.id),
    kind: text('kind', { enum: ORDER_PAPERS }).notNull(),
    reference: text('reference').notNull(),
    givenBy: text('given_by').notNull(),
    day: day('day').notNull(),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.orderId, t.kind] }),
    index('order_paper_by').on(t.byId),
    check('order_paper_kind', sql`${t.kind} in (${oneOf(ORDER_PAPERS)})`),
  ],
);

/** How a kit left: signed once, never changed. */
export const orderDispatch = pgTable(
  'order_dispatch',
  {
    orderId: uuid('order_id')
      .primaryKey()
      .references(() => kitOrder.id),
    carrier: text('carrier').notNull(),
    /** What was still missing, in sentences; then it left as somebody's decision, for a reason. */
    missing: jsonb('missing').$type<readonly string[]>().notNull(),
    why: text('why').notNull().default(''),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
  },
  (t) => [
    index('order_dispatch_by').on(t.byId),
    check('order_dispatch_why', sql`jsonb_array_length(${t.missing}) = 0 or ${t.why} <> ''`),
  ],
);

/** The page of a fitter: one open link an order; only the hash of its word is kept. */
export const orderLink = pgTable(
  'order_link',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    orderId: uuid('order_id')
      .notNull()
      .references(() => kitOrder.id),
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
    uniqueIndex('order_link_open').on(t.orderId).where(sql`${t.revokedAt} is null`),
    index('order_link_order').on(t.orderId),
    index('order_link_by').on(t.byId),
  ],
);

/** A stage the fitter has done. */
export const orderStage = pgTable(
  'order_stage',
  {
    orderId: uuid('order_id')
      .notNull()
      .references(() => kitOrder.id),
    stageKey: text('stage_key').notNull(),
    by: text('by').notNull(),
    hours: doublePrecision('hours'),
    at: at('at').notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.orderId, t.stageKey] })],
);

/** What a fitter read; the newest of a step counts. */
export const orderReading = pgTable(
  'order_reading',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    orderId: uuid('order_id')
      .notNull()
      .references(() => kitOrder.id),
    stageKey: text('stage_key').notNull(),
    step: integer('step').notNull(),
    value: doublePrecision('value').notNull(),
    instrument: text('instrument').notNull().default(''),
    by: text('by').notNull(),
    at: at('at').notNull().defaultNow(),
    /** Outside its limits, and who let it stand, why. */
    allowedById: uuid('allowed_by_id').references(() => person.id),
    allowedWhy: text('allowed_why'),
  },
  (t) => [
    index('order_reading_order').on(t.orderId, t.stageKey, t.step),
    index('order_reading_allowed_by').on(t.allowedById),
    check('order_reading_allowed', sql`(${t.allowedById} is null) = (${t.allowedWhy} is null)`),
  ],
);

/** Asked about a revision, answered for all who fit it. */
export const orderQuestion = pgTable(
  'order_question',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    orderId: uuid('order_id')
      .notNull()
      .references(() => kitOrder.id),
    revisionId: text('revision_id')
      .notNull()
      .references(() => kitRevision.id),
    stageKey: text('stage_key'),
    text: text('text').notNull(),
    by: text('by').notNull(),
    at: at('at').notNull().defaultNow(),
    answer: text('answer'),
    answeredById: uuid('answered_by_id').references(() => person.id),
    answeredAt: at('answered_at'),
  },
  (t) => [
    index('order_question_order').on(t.orderId),
    index('order_question_revision').on(t.revisionId),
    index('order_question_answered_by').on(t.answeredById),
    check('order_question_answered', sql`(${t.answer} is null) = (${t.answeredById} is null)`),
  ],
);

/** The sheet that came back: who fitted the kit and says so. Never changed. */
export const orderSign = pgTable('order_sign', {
  orderId: uuid('order_id')
    .primaryKey()
    .references(() => kitOrder.id),
  by: text('by').notNull(),
  address: text('address').notNull(),
  remark: text('remark').notNull().default(''),
  at: at('at').notNull().defaultNow(),
});

/** A shop that may fit a kit, until when. Ended, not deleted. */
export const partnerApproval = pgTable(
  'partner_approval',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => client.id),
    kitId: text('kit_id')
      .notNull()
      .references(() => kit.id),
    validUntil: day('valid_until').notNull(),
    note: text('note').notNull().default(''),
    endedOn: day('ended_on'),
    endedWhy: text('ended_why'),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
  },
  (t) => [
    index('partner_approval_client').on(t.clientId),
    index('partner_approval_kit').on(t.kitId),
    index('partner_approval_by').on(t.byId),
    uniqueIndex('partner_approval_once').on(t.clientId, t.kitId).where(sql`${t.endedOn} is null`),
    check('partner_approval_ended', sql`(${t.endedOn} is null) = (${t.endedWhy} is null)`),
  ],
);
