import { sql } from 'drizzle-orm';
import type { ActualSheet } from '../../contract/offers.ts';
import type { Workshop } from '../../contract/workshop.ts';
import { actualOf, type PartGoing, type StageGoing } from '../../core/actual/actual.ts';
import { practiceOf } from '../../core/practice/practice.ts';
import type { StoredJob } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { clockedSeconds } from '../read/clockedSql.ts';
import { soldBodies } from './answer.ts';
import { costsOf } from './rows.ts';

const hoursOf = (kind: string) =>
  sql.raw(`coalesce(sum(${clockedSeconds('t')}) filter (where t.kind = '${kind}'), 0)::float8 / 3600`);

/** Stages of a job with the hours of each kind that were clocked on them. */
export async function stagesGoing(db: Db | Tx, jobId: string): Promise<StageGoing[]> {
  const { rows } = await db.execute<StageGoing & Record<string, unknown>>(sql`
    select s.key, s.name, s.skill, s.state, s.hours, ${hoursOf('work')} as work, ${hoursOf('rework')} as rework,
      ${hoursOf('waiting')} as waiting, ${hoursOf('learning')} as learning
    from stage s left join time_entry t on t.stage_id = s.id where s.job_id = ${jobId}
    group by s.id order by s.position`);
  return rows;
}

/** Lines of the parts list: at the price of the order they come with, else of the last order for such, else of today's catalogue. */
export async function partsGoing(db: Db | Tx, jobId: string): Promise<PartGoing[]> {
  const { rows } = await db.execute<PartGoing & Record<string, unknown>>(sql`
    select l.component_id as "componentId", c.name, l.quantity, l.state <> 'missing' as bought,
      coalesce(
        (select round(pl.price_cents::numeric * p.rate_millionths / 1000000) from purchase_line pl join purchase p on p.id = pl.purchase_id
          where pl.id = l.purchase_line_id),
        case when l.state <> 'missing' then (
          select round(pl.price_cents::numeric * p.rate_millionths / 1000000) from purchase_line pl join purchase p on p.id = pl.purchase_id
          where pl.component_id = l.component_id and p.state in ('sent', 'confirmed', 'closed') order by p.sent_at desc limit 1) end,
        c.price_cents)::float8 as "unitCents"
    from part_line l join component c on c.id = l.component_id where l.job_id = ${jobId} order by c.name`);
  return rows;
}

/** What a job takes against what was sold; null while nothing is. */
export async function actualSheet(db: Db | Tx, stored: StoredJob, workshop: Workshop): Promise<ActualSheet> {
  const practice = practiceOf(workshop.practice);
  const costs = await costsOf(db, stored.id);
  const hoursAsSold = practice.hourCostCents === null;
  const sold = await soldBodies(db, stored.id);
  if (sold.length === 0) return { actual: null, costs, hoursAsSold };
  const { rows: rework } = await db.execute<{ cause: string; skill: string; hours: number }>(sql`
    select t.cause, s.skill, sum(${sql.raw(clockedSeconds('t'))})::float8 / 3600 as hours
    from time_entry t join stage s on s.id = t.stage_id where s.job_id = ${stored.id} and t.kind = 'rework'
    group by t.cause, s.skill`);
  const actual = actualOf({
    ...{ sold, rework, practice, hourCostCents: practice.hourCostCents, rateCents: workshop.rateCents },
    stages: await stagesGoing(db, stored.id),
    parts: await partsGoing(db, stored.id),
    spent: costs,
  });
  return { actual, costs, hoursAsSold };
}
