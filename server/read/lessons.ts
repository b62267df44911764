import { sql } from 'drizzle-orm';
import type { LessonRow } from '../../contract/lessons.ts';
import type { Db, Tx } from '../db/connect.ts';

/** Lessons that wait at a kit or were settled there, those that wait first. */
export async function lessonsOfKit(db: Db | Tx, kitId: string): Promise<LessonRow[]> {
  const { rows } = await db.execute<LessonRow & Record<string, unknown>>(sql`
    select l.id, j.number as "jobNumber", l.about, l.about_text as "aboutText", l.text, l.cost_hours as "costHours",
      l.cost_cents as "costCents", l.kit_id as "kitId", p.name as by, l.at, l.state, l.revision_id as "revisionId", l.why,
      s.name as "settledBy", l.settled_at as "settledAt", l.version
    from lesson l join job j on j.id = l.job_id join person p on p.id = l.by_id left join person s on s.id = l.settled_by_id
    where l.kit_id = ${kitId} order by l.state <> 'waiting', l.state <> 'aside', l.at desc, l.id`);
  return rows;
}
