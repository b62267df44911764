import { sql } from 'drizzle-orm';
import { check, doublePrecision, index, integer, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import { LESSON_ABOUT, LESSON_STATES } from '../../../core/kit/lessons.ts';
import { job } from './jobs.ts';
import { kit, kitRevision } from './kits.ts';
import { person } from './people.ts';

/** What to do otherwise next time: noted on a job, waits at its kit until somebody takes it in, leaves it or sets it aside. */
export const lesson = pgTable(
  'lesson',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    about: text('about', { enum: LESSON_ABOUT }).notNull(),
    /** Id of the stage, snag or step; the check or rule by its key. */
    aboutId: text('about_id').notNull().default(''),
    /** What it was about, in words, as it was then. */
    aboutText: text('about_text').notNull().default(''),
    text: text('text').notNull(),
    costHours: doublePrecision('cost_hours'),
    costCents: integer('cost_cents'),
    kitId: text('kit_id').references(() => kit.id),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
    state: text('state', { enum: LESSON_STATES }).notNull().default('waiting'),
    /** The revision it was taken into. */
    revisionId: text('revision_id').references(() => kitRevision.id),
    why: text('why').notNull().default(''),
    settledById: uuid('settled_by_id').references(() => person.id),
    settledAt: timestamp('settled_at', { withTimezone: true }),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    index('lesson_job').on(t.jobId),
    index('lesson_kit').on(t.kitId, t.state),
    index('lesson_by').on(t.byId),
    index('lesson_revision').on(t.revisionId),
    index('lesson_settled_by').on(t.settledById),
    check('lesson_state', sql`${t.state} in ('waiting', 'taken', 'left', 'aside')`),
    check('lesson_about', sql`${t.about} in ('job', 'stage', 'snag', 'reading', 'finding', 'check')`),
    check('lesson_settled_who', sql`(${t.state} = 'waiting') = (${t.settledById} is null)`),
    check('lesson_taken_where', sql`(${t.state} = 'taken') = (${t.revisionId} is not null)`),
  ],
);
