import { sql } from 'drizzle-orm';
import { bigserial, check, date, index, integer, jsonb, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import type { HandDone, PlanChange } from '../../../core/plan/planChange.ts';
import type { StoredPlan } from '../../../core/plan/storedPlan.ts';
import { at } from './columns.ts';
import { person } from './people.ts';

/** Plans as they were made, the newest in force. Never changed: what holds a plan is on its stages and jobs. */
export const workPlan = pgTable(
  'work_plan',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    at: at('at').notNull().defaultNow(),
    /** Null: made by itself, because something it rests on had changed. */
    byId: uuid('by_id').references(() => person.id),
    /** What stands for the facts it was made from: where theirs is another now, it does not hold any more. */
    factsKey: text('facts_key').notNull(),
    body: jsonb('body').$type<StoredPlan>().notNull(),
    /** The day each job is ready, null where something of it cannot be planned: read with every job, the body is not. */
    ready: jsonb('ready').$type<Readonly<Record<string, string | null>>>().notNull().default({}),
    /** What a hand did with it, and what was before; null where nobody laid one. */
    hand: jsonb('hand').$type<HandDone[]>(),
    undoneAt: at('undone_at'),
  },
  (t) => [
    index('work_plan_by').on(t.byId),
    check('work_plan_undone', sql`${t.undoneAt} is null or ${t.hand} is not null`),
  ],
);

/** A what-if that is kept beside the plan, until it is adopted or thrown away. */
export const scenario = pgTable(
  'scenario',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    name: text('name').notNull(),
    changes: jsonb('changes').$type<PlanChange[]>().notNull(),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
    endedAt: at('ended_at'),
    /** How it ended. */
    ended: text('ended', { enum: ['adopted', 'thrownAway'] }),
    version: integer('version').notNull().default(1),
  },
  (t) => [index('scenario_by').on(t.byId), check('scenario_ended', sql`(${t.endedAt} is null) = (${t.ended} is null)`)],
);

/** Whole days somebody is not there. */
export const absence = pgTable(
  'absence',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id),
    fromDay: date('from_day').notNull(),
    /** The last one included. */
    toDay: date('to_day').notNull(),
    why: text('why').notNull().default(''),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
    droppedAt: timestamp('dropped_at', { withTimezone: true }),
  },
  (t) => [
    index('absence_person').on(t.personId, t.toDay),
    index('absence_by').on(t.byId),
    check('absence_order', sql`${t.toDay} >= ${t.fromDay}`),
  ],
);
