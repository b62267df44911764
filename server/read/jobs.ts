import { eq, sql } from 'drizzle-orm';
import type { JobRow } from '../../contract/job.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { job } from '../db/schema/index.ts';
import { clockedSeconds } from './clockedSql.ts';

/** The stored job, or a problem that says there is none. */
export async function jobByNumber(db: Db | Tx, number: string) {
  return one(await db.select().from(job).where(eq(job.number, number)), 'job');
}

/** All jobs, newest number first, with what a list shows. */
export async function jobRows(db: Db): Promise<JobRow[]> {
  const { rows } = await db.execute<JobRow & Record<string, unknown>>(sql`
    select j.number, v.name as title, c.name as client, mo.name || ' ' || va.name as "variantName", j.state,
      p.name as place, j.promised::text as promised,
      coalesce(s.done, 0)::int as "stagesDone", coalesce(s.all_, 0)::int as "stagesAll",
      coalesce(s.planned, 0)::float8 as "hoursPlanned", coalesce(h.hours, 0)::float8 as "hoursClocked"
    from job j
    join vehicle v on v.id = j.vehicle_id
    join client c on c.id = v.client_id
    join variant va on va.id = v.variant_id
    join model mo on mo.id = va.model_id
    left join place p on p.id = j.place_id
    left join lateral (
      select count(*) filter (where state = 'done') as done, count(*) as all_, sum(hours) as planned from stage where job_id = j.id
    ) s on true
    left join lateral (
      select sum(${sql.raw(clockedSeconds('t'))}) / 3600 as hours
      from time_entry t join stage st on st.id = t.stage_id where st.job_id = j.id
    ) h on true
    order by j.number desc`);
  return rows;
}
