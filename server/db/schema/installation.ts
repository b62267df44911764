import { sql } from 'drizzle-orm';
import { boolean, check, integer, pgTable, timestamp } from 'drizzle-orm/pg-core';

/** What this database is, in one row. */
export const installation = pgTable(
  'installation',
  {
    id: integer('id').primaryKey().default(1),
    /** The sample workshop, with sign-ins that everybody may know. */
    sample: boolean('sample').notNull(),
    madeAt: timestamp('made_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [check('installation_one_row', sql`${t.id} = 1`)],
);
