import { sql } from 'drizzle-orm';
import { check, index, integer, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { FABRICATION_STATES } from '../../../core/fabrication/fabrication.ts';
import { at, oneOf } from './columns.ts';
import { job } from './jobs.ts';
import { person } from './people.ts';

/** A part that is made in the house for a job, with its drawing among the files. */
export const fabrication = pgTable(
  'fabrication',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    name: text('name').notNull(),
    /** Of what, how thick. */
    material: text('material').notNull().default(''),
    state: text('state', { enum: FABRICATION_STATES }).notNull().default('design'),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    createdAt: at('created_at').notNull().defaultNow(),
    /** Not made after all. */
    droppedWhy: text('dropped_why'),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    index('fabrication_job').on(t.jobId),
    index('fabrication_by').on(t.byId),
    check('fabrication_state', sql`${t.state} in (${oneOf(FABRICATION_STATES)})`),
  ],
);

/** From step to step, and back, with why; never changed. */
export const fabricationMove = pgTable(
  'fabrication_move',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    fabricationId: uuid('fabrication_id')
      .notNull()
      .references(() => fabrication.id),
    from: text('from', { enum: FABRICATION_STATES }).notNull(),
    to: text('to', { enum: FABRICATION_STATES }).notNull(),
    reason: text('reason').notNull().default(''),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
  },
  (t) => [index('fabrication_move_of').on(t.fabricationId), index('fabrication_move_by').on(t.byId)],
);
