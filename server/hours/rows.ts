import { type SQL, sql } from 'drizzle-orm';
import type { HoursRow, HoursSheet, HoursTrace } from '../../contract/hours.ts';
import type { Db, Tx } from '../db/connect.ts';
import { instant, instantText } from '../read/instant.ts';

const ROWS = sql.raw(`
  select t.id, t.person_id as "personId", p.name as person, j.number as "jobNumber", v.name as "jobTitle", s.id as "stageId",
    s.name as stage, s.live_hv as "liveHv", t.kind, t.cause, ${instantText('t."from"')} as "from", ${instantText('t."to"')} as "to",
    exists (select 1 from time_correction c where c.entry_id = t.id) as corrected, t.version
  from time_entry t join person p on p.id = t.person_id join stage s on s.id = t.stage_id join job j on j.id = s.job_id
    join vehicle v on v.id = j.vehicle_id`);

/** Hours that meet a condition over `t`, the earliest first. */
export async function hoursWhere(db: Db | Tx, condition: SQL): Promise<HoursRow[]> {
  const { rows } = await db.execute<HoursRow & Record<string, unknown>>(
    sql`${ROWS} where ${condition} order by t."from", t.id`,
  );
  return rows.map((row) => ({ ...row, id: Number(row.id) }));
}

/** All hours that touch a stretch of time, and what was done to hours in it afterwards. */
export async function hoursSheet(db: Db, from: Date, to: Date): Promise<HoursSheet> {
  const [begin, end] = [from.toISOString(), to.toISOString()];
  const entries = await hoursWhere(
    db,
    sql`tstzrange(t."from", t."to") && tstzrange(${begin}::timestamptz, ${end}::timestamptz)`,
  );
  const { rows: traces } = await db.execute<HoursTrace & Record<string, unknown>>(sql`
    select c.id, c.entry_id as "entryId", c.person_id as "personId", p.name as person, ${instant('c.at')} as at, b.name as by, c.why, c.before, c.after
    from time_correction c join person p on p.id = c.person_id join person b on b.id = c.by_id
    where coalesce((c.after ->> 'from')::timestamptz, (c.before ->> 'from')::timestamptz) < ${end}::timestamptz
      and coalesce((c.after ->> 'to')::timestamptz, (c.before ->> 'to')::timestamptz, now()) > ${begin}::timestamptz
    order by c.id desc`);
  return { entries, traces: traces.map((row) => ({ ...row, id: Number(row.id), entryId: Number(row.entryId) })) };
}
