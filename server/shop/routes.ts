import { sql } from 'drizzle-orm';
import { type ShopSheet, shopAddress } from '../../contract/shop.ts';
import type { Workshop } from '../../contract/workshop.ts';
import { type DoneJob, daysLate, type MonthHours, monthsFrom } from '../../core/shop/shopFigures.ts';
import { toCsv } from '../../wording/csv.ts';
import { entryText } from '../../wording/work.ts';
import type { Db } from '../db/connect.ts';
import { serve } from '../endpoint.ts';
import { clockedSeconds } from '../read/clockedSql.ts';
import { hourCostOf } from '../read/madeGood.ts';
import { sendCsv } from '../read/sendCsv.ts';

/** The first of so many months, this one the last. */
function firstMonth(today: string, months: number): string {
  const at = new Date(Date.UTC(Number(today.slice(0, 4)), Number(today.slice(5, 7)) - months, 1));
  return at.toISOString().slice(0, 7);
}

/** Hours by month, job, kind and cause, and jobs that were handed over; an hour belongs to the month it began in. */
async function shopSheet(db: Db, workshop: Workshop, today: string, months: number): Promise<ShopSheet> {
  const first = firstMonth(today, months);
  const zone = workshop.timeZone;
  const begin = sql`(${`${first}-01`}::date)::timestamp at time zone ${zone}`;
  const { rows: hours } = await db.execute<MonthHours & Record<string, unknown>>(sql`
    select to_char(t."from" at time zone ${zone}, 'YYYY-MM') as month, j.number as job, t.kind, t.cause,
      sum(${sql.raw(clockedSeconds('t'))})::float8 / 3600 as hours
    from time_entry t join stage s on s.id = t.stage_id join job j on j.id = s.job_id
    where t."from" >= ${begin} group by 1, 2, 3, 4 order by 1, 2, 3, 4`);
  const { rows: done } = await db.execute<DoneJob & Record<string, unknown>>(sql`
    select * from (
      select j.number, v.name as title, j.promised::text as promised,
        to_char(coalesce(
          (select max(e.at) from event e where e.job_number = j.number and e.what like '% to handed over%'),
          (select max(s.finished_at) from stage s where s.job_id = j.id)) at time zone ${zone}, 'YYYY-MM-DD') as "doneOn",
        (select coalesce(sum(s.hours), 0)::float8 from stage s where s.job_id = j.id) as "plannedHours",
        coalesce(h.took, 0)::float8 as "tookHours", coalesce(h.rework, 0)::float8 as "reworkHours", coalesce(h.days, 0)::int as days
      from job j join vehicle v on v.id = j.vehicle_id left join lateral (
        select sum(extract(epoch from t."to" - t."from") / 3600) filter (where t.kind in ('work', 'learning')) as took,
          sum(extract(epoch from t."to" - t."from") / 3600) filter (where t.kind = 'rework') as rework,
          ceil(extract(epoch from max(t."to") - min(t."from")) / 86400) as days
        from time_entry t join stage s on s.id = t.stage_id where s.job_id = j.id and t."to" is not null) h on true
      where j.state = 'handedOver') x
    where x."doneOn" >= ${`${first}-01`} order by x."doneOn", x.number`);
  return { months: monthsFrom(first, today.slice(0, 7)), hours, done, hourCostCents: hourCostOf(workshop) };
}

const HOURS_HEAD = ['Month', 'Job', 'For', 'Hours'];
const JOBS_HEAD = [
  ...['Job', 'Vehicle', 'Handed over', 'Promised', 'Days late', 'Days from first to last hour', 'Planned h', 'Taken h'],
  'Rework h',
];

export const shopEndpoints = [
  serve(shopAddress.sheet, ({ db, params, workshop, today }) => shopSheet(db, workshop, today, Number(params.months))),
  serve(shopAddress.hours, async ({ db, params, workshop, today, res }) => {
    const { hours } = await shopSheet(db, workshop, today, Number(params.months));
    const rows = hours.map((one) => [one.month, one.job, entryText(one.kind, one.cause), one.hours]);
    return sendCsv(res, 'hours-by-month.csv', toCsv(HOURS_HEAD, rows));
  }),
  serve(shopAddress.jobs, async ({ db, params, workshop, today, res }) => {
    const { done } = await shopSheet(db, workshop, today, Number(params.months));
    const rows = done.map((job) => [
      ...[job.number, job.title, job.doneOn, job.promised, daysLate(job), job.days],
      ...[job.plannedHours, job.tookHours, job.reworkHours],
    ]);
    return sendCsv(res, 'jobs-handed-over.csv', toCsv(JOBS_HEAD, rows));
  }),
];
