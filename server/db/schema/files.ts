import { sql } from 'drizzle-orm';
import { check, customType, index, integer, jsonb, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import type { Lay } from '../../../contract/files.ts';
import { person } from './people.ts';

const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' });

/** What a file holds, once, by its SHA-256: in the database, so that one backup has all. */
export const fileContent = pgTable(
  'file_content',
  {
    hash: text('hash').primaryKey(),
    /** Judged by what is in it, never by its name. */
    type: text('type').notNull(),
    size: integer('size').notNull(),
    body: bytes('body').notNull(),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [check('file_content_size', sql`${t.size} = length(${t.body})`)],
);

/** A photograph or paper of something: a vehicle, a job, a stage, a component. */
export const file = pgTable(
  'file',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    about: text('about').notNull(),
    /** Id of what it is about; rows of several tables, so the server holds it. */
    aboutId: text('about_id').notNull(),
    name: text('name').notNull(),
    caption: text('caption').notNull().default(''),
    hash: text('hash')
      .notNull()
      .references(() => fileContent.hash),
    /** A small picture of it; null for papers. */
    smallHash: text('small_hash').references(() => fileContent.hash),
    widthPx: integer('width_px'),
    heightPx: integer('height_px'),
    /** How it lies under a drawing, to be traced. */
    lay: jsonb('lay').$type<Lay>(),
    byId: uuid('by_id').references(() => person.id),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
    /** Dropped; kept for a while, so that it can be taken back. */
    droppedAt: timestamp('dropped_at', { withTimezone: true }),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    index('file_about').on(t.about, t.aboutId),
    index('file_hash').on(t.hash),
    index('file_small_hash').on(t.smallHash),
    index('file_by').on(t.byId),
    index('file_dropped').on(t.droppedAt).where(sql`${t.droppedAt} is not null`),
    check(
      'file_about_what',
      sql`${t.about} in ('vehicle', 'job', 'stage', 'snag', 'component', 'variant', 'authorisation', 'lesson', 'register', 'kitRevision', 'order', 'number', 'fabrication')`,
    ),
  ],
);
