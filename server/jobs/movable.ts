import { sql } from 'drizzle-orm';
import type { Workshop } from '../../contract/workshop.ts';
import type { Movable } from '../../core/job/stateMoves.ts';
import { evidenceMissing, evidenceWanted } from '../../core/practice/evidence.ts';
import { CHECKS } from '../../core/prove/index.ts';
import type { StoredJob } from '../change.ts';
import type { Tx } from '../db/connect.ts';

/** What decides where a job may be taken, as it is under its lock. */
export async function movableJob(tx: Tx, stored: StoredJob, workshop: Workshop): Promise<Movable> {
  const { rows } = await tx.execute<{ on: string[]; snags: number; passed: string[]; stages: number }>(sql`
    select
      (select coalesce(array_agg(p.name order by p.name), '{}') from time_entry t join stage s on s.id = t.stage_id
        join person p on p.id = t.person_id where s.job_id = ${stored.id} and t."to" is null) as "on",
      (select count(*)::int from snag where job_id = ${stored.id} and closed_at is null) as snags,
      (select coalesce(array_agg(check_id), '{}') from (select distinct on (check_id) check_id, verdict from check_result
        where job_id = ${stored.id} order by check_id, id desc) newest where verdict = 'passed') as passed,
      (select count(*)::int from stage where job_id = ${stored.id} and state <> 'done') as stages`);
  const [row] = rows;
  const passed = new Set(row?.passed);
  return {
    state: stored.state,
    clockedOn: row?.on ?? [],
    openSnags: row?.snags ?? 0,
    openChecks: CHECKS.filter(({ id }) => !passed.has(id)).length,
    openStages: row?.stages ?? 0,
    missingEvidence: evidenceMissing(
      evidenceWanted(stored.region ?? workshop.region, workshop.practice.evidence),
      stored.evidence,
    ).length,
  };
}
