import { type SQL, sql } from 'drizzle-orm';
import type { AdoptedRow } from '../../contract/estimates.ts';
import type { Adopted, StageActual } from '../../core/learning/learnt.ts';
import type { Db, Tx } from '../db/connect.ts';
import { instant } from './instant.ts';

export interface AdoptedOfKit extends Adopted, AdoptedRow {
  readonly kitId: string;
}

/** Estimates that hold: of each stage of each kit, for all variants and for one, the newest that was adopted. */
export async function adoptedEstimates(db: Db | Tx, kitId: string | null = null): Promise<AdoptedOfKit[]> {
  const { rows } = await db.execute<AdoptedOfKit & Record<string, unknown>>(sql`
    select distinct on (e.kit_id, e.key, e.variant_id) e.kit_id as "kitId", e.key, e.variant_id as "variantId", e.hours,
      e.low_hours as "lowHours", e.high_hours as "highHours", e.vehicles, e.before_hours as "beforeHours", w.name as by, ${instant('e.at')} as at
    from stage_estimate e join person w on w.id = e.by_id
    where ${kitId === null ? sql`true` : sql`e.kit_id = ${kitId}`} order by e.kit_id, e.key, e.variant_id, e.at desc, e.id`);
  return rows;
}

/** What stages took, of jobs that meet a condition over `j` and `r` (its kit's revision), rework apart. */
export async function stageActuals(db: Db | Tx, condition: SQL): Promise<(StageActual & { kitId: string | null })[]> {
  const { rows } = await db.execute<StageActual & { kitId: string | null } & Record<string, unknown>>(sql`
    select j.number as job, v.name as title, v.variant_id as "variantId", r.kit_id as "kitId", s.key, s.hours as planned,
      to_char(s.finished_at at time zone 'UTC', 'YYYY-MM-DD') as day,
      coalesce(sum(extract(epoch from t."to" - t."from")) filter (where t.kind in ('work', 'learning')), 0)::float8 / 3600 as hours,
      coalesce(sum(extract(epoch from t."to" - t."from")) filter (where t.kind = 'rework'), 0)::float8 / 3600 as "reworkHours"
    from stage s join job j on j.id = s.job_id join vehicle v on v.id = j.vehicle_id
      join time_entry t on t.stage_id = s.id and t."to" is not null
      left join kit_revision r on r.id = j.kit_revision_id
    where s.state = 'done' and j.state <> 'cancelled' and ${condition}
    group by j.id, v.id, r.kit_id, s.id
    -- Nobody takes a minute for a stage: it was clicked through.
    having sum(extract(epoch from t."to" - t."from")) filter (where t.kind in ('work', 'learning')) > 60
    order by s.finished_at desc, j.number desc, s.key`);
  return rows;
}
