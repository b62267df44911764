import { sql } from 'drizzle-orm';
import { boolean, check, date, index, integer, pgTable, text, timestamp, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { person } from './people.ts';

/** Tools and instruments, one row a piece: where it is, who has it, until when its calibration holds. */
export const tool = pgTable(
  'tool',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    /** What it is, as stages ask for it: torque wrench, insulation tester. */
    kind: text('kind').notNull(),
    name: text('name').notNull(),
    /** Its own number, as it is marked. */
    number: text('number').notNull().default(''),
    calibrated: boolean('calibrated').notNull(),
    /** The last day its calibration holds; null where it needs none, or has never had one. */
    calibratedUntil: date('calibrated_until'),
    paper: text('paper').notNull().default(''),
    /** Where it is kept. */
    kept: text('kept').notNull().default(''),
    heldById: uuid('held_by_id').references(() => person.id),
    heldAt: timestamp('held_at', { withTimezone: true }),
    /** Broken, lost, at the calibrator's: not to be had, with why. */
    outWhy: text('out_why'),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    index('tool_kind').on(t.kind),
    index('tool_held_by').on(t.heldById),
    uniqueIndex('tool_number_once').on(t.kind, t.number).where(sql`${t.number} <> ''`),
    check('tool_held', sql`(${t.heldById} is null) = (${t.heldAt} is null)`),
  ],
);
