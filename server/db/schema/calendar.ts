import { sql } from 'drizzle-orm';
import { check, index, pgTable, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { at } from './columns.ts';
import { person } from './people.ts';

/** Addresses a calendar reads by itself: what somebody is to do, or when jobs are promised. Only a hash of the word is kept. */
export const calendarLink = pgTable(
  'calendar_link',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    about: text('about', { enum: ['person', 'promises'] }).notNull(),
    /** Whose it is: of what they are to do, or who follows the promises. */
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id),
    tokenHash: text('token_hash').notNull().unique(),
    at: at('at').notNull().defaultNow(),
    revokedAt: at('revoked_at'),
    lastUsedAt: at('last_used_at'),
  },
  (t) => [
    uniqueIndex('calendar_link_open').on(t.personId, t.about).where(sql`${t.revokedAt} is null`),
    index('calendar_link_person').on(t.personId),
    check('calendar_link_about', sql`${t.about} in ('person', 'promises')`),
  ],
);
