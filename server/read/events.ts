import { desc, eq, or, type SQL, sql } from 'drizzle-orm';
import type { JobEvent } from '../../contract/job.ts';
import type { Db } from '../db/connect.ts';
import { event, person } from '../db/schema/index.ts';

/** More than this is nothing anybody reads down; the rest stays in the table. */
const MOST = 500;

async function events(db: Db, condition: SQL | undefined, most: number | null): Promise<JobEvent[]> {
  const query = db
    .select({
      id: event.id,
      at: event.at,
      by: person.name,
      what: event.what,
      resource: event.resource,
      job: event.jobNumber,
    })
    .from(event)
    .leftJoin(person, eq(person.id, event.personId))
    .where(condition)
    .orderBy(desc(event.id));
  const rows = await (most === null ? query : query.limit(most));
  return rows.map((row) => ({ ...row, by: row.by ?? 'Dajo', at: row.at.toISOString() }));
}

/** What was done to a job, the newest first; all of it where `most` is null. */
export const eventsOf = (db: Db, number: string, most: number | null = MOST): Promise<JobEvent[]> =>
  events(db, eq(event.jobNumber, number), most);

/** What was done to a vehicle and to every job of it, the newest first. */
export const eventsOfVehicle = (db: Db, id: string, most: number | null = MOST): Promise<JobEvent[]> =>
  events(
    db,
    or(eq(event.resourceId, id), sql`${event.jobNumber} in (select number from job where vehicle_id = ${id})`),
    most,
  );

/** A history as a table: heads, and the cells of a row. */
export const EVENT_HEADS = ['When (UTC)', 'Who', 'Job', 'About', 'What'] as const;
export const eventCells = ({ at, by, job, resource, what }: JobEvent): string[] => [at, by, job ?? '', resource, what];
