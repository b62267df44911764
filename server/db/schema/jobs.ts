import { sql } from 'drizzle-orm';
import {
  type AnyPgColumn,
  boolean,
  check,
  customType,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core';
import type { DesignInputs } from '../../../core/design/inputs.ts';
import { upgradeDesign } from '../../../core/design/upgrade.ts';
import type { VehicleUse } from '../../../core/figures/slots.ts';
import type { FitWork, WorkEffects } from '../../../core/fit/finding.ts';
import { PLACE_KINDS } from '../../../core/floor/plan.ts';
import { JOB_STATES } from '../../../core/job/states.ts';
import type { CoverChoice } from '../../../core/kit/kit.ts';
import { PRIORITIES } from '../../../core/plan/facts.ts';
import type { EvidenceEntry } from '../../../core/practice/evidence.ts';
import type { PackedRoute } from '../../../core/road/packedRoute.ts';
import { PART_STATES } from '../../../core/stores/partMove.ts';
import { kitRevision } from './kits.ts';
import { component } from './library.ts';
import { person } from './people.ts';
import { purchaseLine } from './purchases.ts';
import { vehicle } from './vehicles.ts';

/** Parts of the building, with position and size in metres for the Floor. */
export const place = pgTable(
  'place',
  {
    id: text('id').primaryKey(),
    name: text('name').notNull(),
    kind: text('kind', { enum: PLACE_KINDS }).notNull(),
    lift: boolean('lift').notNull().default(false),
    alignment: boolean('alignment').notNull().default(false),
    xM: doublePrecision('x_m').notNull(),
    yM: doublePrecision('y_m').notNull(),
    widthM: doublePrecision('width_m').notNull(),
    lengthM: doublePrecision('length_m').notNull(),
    /** Of a firm outside: vehicles it has at a time, null: as many as come; the days of the week it works on them, none: all. */
    slots: integer('slots'),
    slotDays: integer('slot_days').array().notNull().default([]),
    /** Given up; jobs that stood there keep it in their history. */
    closed: boolean('closed').notNull().default(false),
  },
  (t) => [check('place_slots', sql`${t.slots} > 0`)],
);

export const job = pgTable(
  'job',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    number: text('number').notNull().unique(),
    vehicleId: uuid('vehicle_id')
      .notNull()
      .references(() => vehicle.id),
    state: text('state', { enum: JOB_STATES }).notNull(),
    placeId: text('place_id').references(() => place.id),
    promised: date('promised'),
    /** How much its lateness counts in the plan against that of others. */
    priority: text('priority', { enum: PRIORITIES }).notNull().default('usual'),
    /** The first of its kind, whose lessons hold this one until each is taken in or set aside. */
    followsId: uuid('follows_id').references((): AnyPgColumn => job.id),
    use: jsonb('use').$type<VehicleUse>().notNull(),
    /** The use is edited for a while, as one form, and has a version of its own. */
    useVersion: integer('use_version').notNull().default(1),
    kitRevisionId: text('kit_revision_id').references(() => kitRevision.id),
    kitOptions: text('kit_options').array().notNull().default([]),
    cover: jsonb('cover').$type<Record<string, CoverChoice>>().notNull().default({}),
    /** Where the vehicle will be registered; null: where the workshop is. */
    region: text('region'),
    evidence: jsonb('evidence').$type<Record<string, EvidenceEntry>>().notNull().default({}),
    chosenDesignId: uuid('chosen_design_id').references((): AnyPgColumn => design.id),
    version: integer('version').notNull().default(1),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    index('job_vehicle').on(t.vehicleId),
    index('job_place').on(t.placeId),
    index('job_follows').on(t.followsId),
    check('job_follows_other', sql`${t.followsId} <> ${t.id}`),
    index('job_kit').on(t.kitRevisionId),
    index('job_design').on(t.chosenDesignId),
    index('job_open').on(t.number).where(sql`${t.state} not in ('handedOver', 'cancelled')`),
    check('job_priority', sql`${t.priority} in ('usual','rush','canWait','show')`),
    check('job_region', sql`${t.region} in ('eu','uk','us','other')`),
    check(
      'job_state',
      sql`${t.state} in ('enquiry','sizing','offered','agreed','waitingForClient','waitingForPart','waitingOutside','building','proving','handedOver','cancelled')`,
    ),
  ],
);

export const briefLine = pgTable(
  'brief_line',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    position: integer('position').notNull(),
    kind: text('kind').notNull(),
    firm: boolean('firm').notNull(),
    amount: doublePrecision('amount'),
    school: text('school', { enum: ['equal', 'original'] }),
    tolerance: doublePrecision('tolerance'),
    text: text('text').notNull().default(''),
    done: boolean('done').notNull().default(false),
    /** Where whoever ticked it has seen it. */
    seen: text('seen').notNull().default(''),
    /** Lines are dropped, not deleted. */
    droppedAt: timestamp('dropped_at', { withTimezone: true }),
    version: integer('version').notNull().default(1),
  },
  (t) => [index('brief_line_job').on(t.jobId)],
);

/** Stored in the format of its day, read in today's. */
const designInputs = customType<{ data: DesignInputs; driverData: unknown }>({
  dataType: () => 'jsonb',
  fromDriver: (stored) => upgradeDesign(stored),
  toDriver: (inputs) => JSON.stringify(inputs),
});

export const design = pgTable(
  'design',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references((): AnyPgColumn => job.id),
    name: text('name').notNull(),
    inputs: designInputs('inputs').notNull(),
    version: integer('version').notNull().default(1),
    /** Sold: never changes again (a trigger holds it). */
    frozenAt: timestamp('frozen_at', { withTimezone: true }),
    followsId: uuid('follows_id').references((): AnyPgColumn => design.id),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [index('design_job').on(t.jobId), index('design_follows').on(t.followsId)],
);

/** The recorded route of a job, at most one. */
export const route = pgTable('route', {
  jobId: uuid('job_id')
    .primaryKey()
    .references((): AnyPgColumn => job.id),
  body: jsonb('body').$type<PackedRoute>().notNull(),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
});

export const partLine = pgTable(
  'part_line',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    componentId: text('component_id')
      .notNull()
      .references(() => component.id),
    quantity: integer('quantity').notNull(),
    from: text('from', { enum: ['kit', 'design', 'added'] }).notNull(),
    packedIn: text('packed_in').notNull().default(''),
    state: text('state', { enum: PART_STATES }).notNull().default('missing'),
    due: date('due'),
    /** The line of an order that its pieces come with. */
    purchaseLineId: uuid('purchase_line_id').references(() => purchaseLine.id),
    /** Who took it from its bin into the job's box. */
    pickedById: uuid('picked_by_id').references(() => person.id),
    pickedAt: timestamp('picked_at', { withTimezone: true }),
    fittedById: uuid('fitted_by_id').references(() => person.id),
    fittedAt: timestamp('fitted_at', { withTimezone: true }),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    index('part_line_job').on(t.jobId),
    index('part_line_component').on(t.componentId),
    index('part_line_purchase_line').on(t.purchaseLineId),
    index('part_line_fitted_by').on(t.fittedById),
    index('part_line_picked_by').on(t.pickedById),
    check('part_line_quantity', sql`${t.quantity} > 0`),
    check('part_line_state', sql`${t.state} in ('missing', 'ordered', 'inStores', 'picked', 'fitted')`),
    check(
      'part_line_picked_who',
      sql`${t.state} <> 'picked' or (${t.pickedById} is not null and ${t.pickedAt} is not null)`,
    ),
    check('part_line_purchase', sql`${t.purchaseLineId} is null or ${t.state} = 'ordered'`),
    check('part_line_ordered_due', sql`${t.state} <> 'ordered' or ${t.due} is not null`),
    check(
      'part_line_fitted_who',
      sql`${t.state} <> 'fitted' or (${t.fittedById} is not null and ${t.fittedAt} is not null)`,
    ),
  ],
);

export const verdictDecision = pgTable(
  'verdict_decision',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    rule: text('rule').notNull(),
    subject: text('subject').notNull(),
    decision: text('decision', { enum: ['accepted', 'overridden', 'takenBack'] }).notNull(),
    /** What was accepted, and what that did to the job, so that it can be taken back. */
    work: jsonb('work').$type<FitWork>(),
    effects: jsonb('effects').$type<WorkEffects>(),
    reason: text('reason').notNull(),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [index('verdict_decision_job').on(t.jobId), index('verdict_decision_by').on(t.byId)],
);
