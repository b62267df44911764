import { desc, eq } from 'drizzle-orm';
import type { JobEvent } from '../../contract/job.ts';
import type { Db } from '../db/connect.ts';
import { event, person } from '../db/schema/index.ts';

/** More than this is nothing anybody reads down; the rest stays in the table. */
const MOST = 500;

/** What was done to a job, the newest first. */
export async function eventsOf(db: Db, number: string): Promise<JobEvent[]> {
  const rows = await db
    .select({ id: event.id, at: event.at, by: person.name, what: event.what, resource: event.resource })
    .from(event)
    .leftJoin(person, eq(person.id, event.personId))
    .where(eq(event.jobNumber, number))
    .orderBy(desc(event.id))
    .limit(MOST);
  return rows.map((row) => ({ ...row, by: row.by ?? 'Dajo', at: row.at.toISOString() }));
}
