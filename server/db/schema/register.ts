import { sql } from 'drizzle-orm';
import { check, index, integer, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import { PART_GOES, REGISTER_KINDS } from '../../../core/vehicle/register.ts';
import { job } from './jobs.ts';
import { person } from './people.ts';
import { vehicle } from './vehicles.ts';

/** Everything changed on a vehicle that is not the kit itself: kept with the vehicle, whichever job did it. */
export const registerEntry = pgTable(
  'register_entry',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    vehicleId: uuid('vehicle_id')
      .notNull()
      .references(() => vehicle.id),
    jobId: uuid('job_id')
      .notNull()
      .references(() => job.id),
    kind: text('kind', { enum: REGISTER_KINDS }).notNull(),
    what: text('what').notNull(),
    place: text('place').notNull(),
    agreedBy: text('agreed_by').notNull().default(''),
    undo: text('undo').notNull(),
    /** Where a part that came out is now. */
    goes: text('goes', { enum: PART_GOES }),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
    undoneById: uuid('undone_by_id').references(() => person.id),
    undoneAt: timestamp('undone_at', { withTimezone: true }),
    undoneHow: text('undone_how'),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    index('register_vehicle').on(t.vehicleId),
    index('register_job').on(t.jobId),
    index('register_by').on(t.byId),
    index('register_undone_by').on(t.undoneById),
    check('register_kind', sql`${t.kind} in ('hole', 'cut', 'weld', 'narrowing', 'bracket', 'partOut', 'rehoused')`),
    check('register_goes', sql`(${t.kind} = 'partOut') = (${t.goes} is not null)`),
    check('register_undone_who', sql`(${t.undoneAt} is null) = (${t.undoneById} is null)`),
  ],
);
