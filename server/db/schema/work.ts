import { sql } from 'drizzle-orm';
import {
  bigint,
  bigserial,
  boolean,
  check,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import type { HoursSaid } from '../../../contract/hours.ts';
import { REWORK_CAUSES } from '../../../core/hours/entry.ts';
import type { StageTrait } from '../../../core/kit/kit.ts';
import { design, job, place } from './jobs.ts';
import { person } from './people.ts';
import { tool } from './tools.ts';

export const stage = pgTable(
  'stage',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    position: integer('position').notNull(),
    key: text('key').notNull(),
    name: text('name').notNull(),
    traits: text('traits').array().$type<StageTrait[]>().notNull().default([]),
    after: text('after').array().notNull().default([]),
    hours: doublePrecision('hours').notNull(),
    skill: text('skill').notNull().default(''),
    people: integer('people').notNull(),
    /** People who can share its hours; null: as many as it takes. */
    mostPeople: integer('most_people'),
    /** Held by a person: not begun before. */
    notBefore: date('not_before'),
    /** A firm outside does it, and has the vehicle for so many of its days; null: the workshop's own people. */
    firmId: text('firm_id').references(() => place.id),
    firmDays: doublePrecision('firm_days'),
    liveHv: boolean('live_hv').notNull(),
    /** Kinds of tools it holds while it lasts. */
    tools: text('tools').array().notNull().default([]),
    needs: text('needs').notNull().default(''),
    note: text('note').notNull().default(''),
    state: text('state', { enum: ['waiting', 'inHand', 'stopped', 'done'] })
      .notNull()
      .default('waiting'),
    /** Live work: isolated, locked, waited, proved dead, second person present, confirmed by the authorised person. */
    hvConfirmed: boolean('hv_confirmed').notNull().default(false),
    startedAt: timestamp('started_at', { withTimezone: true }),
    finishedAt: timestamp('finished_at', { withTimezone: true }),
    finishedById: uuid('finished_by_id').references(() => person.id),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    index('stage_firm').on(t.firmId),
    check('stage_firm_days', sql`(${t.firmId} is null) = (${t.firmDays} is null) and ${t.firmDays} > 0`),
    uniqueIndex('stage_key_once').on(t.jobId, t.key),
    index('stage_finished_by').on(t.finishedById),
    check('stage_most_people', sql`${t.mostPeople} is null or ${t.mostPeople} >= ${t.people}`),
    check('stage_state', sql`${t.state} in ('waiting', 'inHand', 'stopped', 'done')`),
    check(
      'stage_done_who',
      sql`${t.state} <> 'done' or (${t.finishedAt} is not null and ${t.finishedById} is not null)`,
    ),
  ],
);

export const step = pgTable(
  'step',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    stageId: uuid('stage_id')
      .notNull()
      .references(() => stage.id),
    position: integer('position').notNull(),
    text: text('text').notNull(),
    note: text('note').notNull().default(''),
    limitMin: doublePrecision('limit_min'),
    limitMax: doublePrecision('limit_max'),
    limitKind: text('limit_kind'),
    /** Who says so: a drawing, a handbook. */
    limitSource: text('limit_source').notNull().default(''),
    /** The kind of tool it is done or measured with. */
    tool: text('tool'),
    /** A second person looks and signs. */
    second: boolean('second').notNull().default(false),
    /** Bolts tightened in turn. */
    bolts: integer('bolts'),
  },
  (t) => [index('step_stage').on(t.stageId)],
);

/** Readings are never changed; the newest one of a step counts. */
export const reading = pgTable(
  'reading',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    stepId: uuid('step_id')
      .notNull()
      .references(() => step.id),
    value: doublePrecision('value').notNull(),
    verdict: text('verdict', { enum: ['within', 'under', 'over'] }).notNull(),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
    decidedById: uuid('decided_by_id').references(() => person.id),
    decidedAt: timestamp('decided_at', { withTimezone: true }),
    reason: text('reason'),
    /** The instrument or tool it was taken with. */
    toolId: uuid('tool_id').references(() => tool.id),
    secondById: uuid('second_by_id').references(() => person.id),
    secondAt: timestamp('second_at', { withTimezone: true }),
  },
  (t) => [
    index('reading_step').on(t.stepId, t.id),
    index('reading_by').on(t.byId),
    index('reading_decided_by').on(t.decidedById),
    index('reading_tool').on(t.toolId),
    index('reading_second_by').on(t.secondById),
    check(
      'reading_second_other',
      sql`${t.secondById} is null or (${t.secondById} <> ${t.byId} and ${t.secondAt} is not null)`,
    ),
    check('reading_decided_why', sql`(${t.decidedById} is null) = (${t.reason} is null)`),
  ],
);

export const timeEntry = pgTable(
  'time_entry',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id),
    stageId: uuid('stage_id')
      .notNull()
      .references(() => stage.id),
    kind: text('kind', { enum: ['work', 'rework', 'waiting', 'learning'] }).notNull(),
    cause: text('cause'),
    from: timestamp('from', { withTimezone: true }).notNull().defaultNow(),
    to: timestamp('to', { withTimezone: true }),
    /** Left for a break: they mean to go on here. */
    paused: boolean('paused').notNull().default(false),
    version: integer('version').notNull().default(1),
  },
  // Nobody is in two places: spans of one person share no moment (an exclusion constraint, in its migration).
  (t) => [
    uniqueIndex('time_entry_one_open').on(t.personId).where(sql`${t.to} is null`),
    index('time_entry_stage').on(t.stageId),
    index('time_entry_person_from').on(t.personId, t.from),
    check('time_entry_order', sql`${t.to} is null or ${t.to} >= ${t.from}`),
    check('time_entry_cause', sql`${t.kind} not in ('rework', 'waiting') or ${t.cause} is not null`),
  ],
);

/** What was done to hours afterwards, never changed: before (null: they were entered late) and after (null: struck out). */
export const timeCorrection = pgTable(
  'time_correction',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    /** No reference: what is struck out is gone, this stays. */
    entryId: bigint('entry_id', { mode: 'number' }).notNull(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
    why: text('why').notNull(),
    before: jsonb('before').$type<HoursSaid>(),
    after: jsonb('after').$type<HoursSaid>(),
  },
  (t) => [
    index('time_correction_entry').on(t.entryId),
    index('time_correction_person').on(t.personId, t.at),
    index('time_correction_by').on(t.byId),
    check('time_correction_what', sql`${t.before} is not null or ${t.after} is not null`),
  ],
);

export const snag = pgTable(
  'snag',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    text: text('text').notNull(),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
    closedById: uuid('closed_by_id').references(() => person.id),
    closedAt: timestamp('closed_at', { withTimezone: true }),
    /** Why there was something to put right, once somebody knows. */
    cause: text('cause', { enum: REWORK_CAUSES }),
    costHours: doublePrecision('cost_hours'),
    costCents: integer('cost_cents'),
    closedHow: text('closed_how').notNull().default(''),
  },
  (t) => [index('snag_job').on(t.jobId), index('snag_by').on(t.byId), index('snag_closed_by').on(t.closedById)],
);

/** Signed checks; a trigger keeps them as they were signed. A check done again is a further row. */
export const checkResult = pgTable(
  'check_result',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    checkId: text('check_id').notNull(),
    value: doublePrecision('value').notNull(),
    verdict: text('verdict', { enum: ['passed', 'failed'] }).notNull(),
    limitMin: doublePrecision('limit_min'),
    limitMax: doublePrecision('limit_max'),
    limitSource: text('limit_source').notNull(),
    designId: uuid('design_id').references(() => design.id),
    designName: text('design_name'),
    designVersion: integer('design_version'),
    note: text('note').notNull().default(''),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    index('check_result_job').on(t.jobId),
    index('check_result_design').on(t.designId),
    index('check_result_by').on(t.byId),
  ],
);

/** Append-only: who changed what, before and after. Its insert tells every server (see the trigger). */
export const event = pgTable(
  'event',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
    personId: uuid('person_id').references(() => person.id),
    what: text('what').notNull(),
    resource: text('resource').notNull(),
    resourceId: text('resource_id').notNull(),
    jobNumber: text('job_number'),
    before: jsonb('before'),
    after: jsonb('after'),
  },
  (t) => [index('event_job').on(t.jobNumber, t.id), index('event_person').on(t.personId)],
);
