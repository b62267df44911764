import { sql } from 'drizzle-orm';
import type { AdditionRow, CostRow, OfferRow, WayRow } from '../../contract/offers.ts';
import type { Db, Tx } from '../db/connect.ts';
import { instant } from '../read/instant.ts';
import { madeGood } from '../read/madeGood.ts';

const ANSWERED = sql`case when o.state in ('accepted', 'declined') then json_build_object('at', ${instant('o.answered_at')},
  'by', o.answered_by, 'onPage', coalesce(o.answered_from, '') <> '', 'why', o.answered_why) end`;
const SUMS = sql`o.net_cents::float8 as "netCents", o.tax_cents::float8 as "taxCents", o.total_cents::float8 as "totalCents"`;

/** Offers of a job, the newest first. */
export async function offersOf(db: Db | Tx, jobId: string): Promise<OfferRow[]> {
  const { rows } = await db.execute<OfferRow & Record<string, unknown>>(sql`
    select o.id, o.number, o.state, o.body, o.currency, ${SUMS}, o.design_id as "designId", d.name as "designName",
      (select k.name || ' ' || r.revision from kit_revision r join kit k on k.id = r.kit_id where r.id = o.kit_revision_id) as "kitName",
      o.kit_options as "kitOptions", p.name as by, ${instant('o.created_at')} as "createdAt", ${instant('o.sent_at')} as "sentAt",
      ${ANSWERED} as answered, o.version
    from offer o join person p on p.id = o.by_id left join design d on d.id = o.design_id
    where o.job_id = ${jobId} order by o.number desc`);
  return rows;
}

/** Wishes of a job since it was agreed, in the order they came. */
export async function additionsOf(db: Db | Tx, jobId: string): Promise<AdditionRow[]> {
  const { rows } = await db.execute<AdditionRow & Record<string, unknown>>(sql`
    select o.id, o.number, o.wish, o.state, o.body, o.currency, ${SUMS}, o.design_id as "designId",
      case when o.revision_id is not null then json_build_object('revisionId', o.revision_id, 'options', o.options) end as kit,
      o.mass_kg as "massKg", o.x_mm as "xMm", o.effect, o.asked_by as "askedBy", ${instant('o.created_at')} as "createdAt",
      ${instant('o.priced_at')} as "pricedAt", ${ANSWERED} as answered, o.version
    from addition o where o.job_id = ${jobId} order by o.number`);
  return rows;
}

export async function waysOf(db: Db | Tx, jobId: string, hourCents: number): Promise<WayRow[]> {
  const { rows } = await db.execute<Omit<WayRow, 'used'> & { serialId: string | null } & Record<string, unknown>>(sql`
    select id, name, design_id as "designId", revision_id as "revisionId", options, lv_by_client as "lvByClient",
      more_cents::float8 as "moreCents", serial_id as "serialId"
    from job_way where job_id = ${jobId} and dropped_at is null order by at, id`);
  const units = await madeGood(
    db,
    hourCents,
    rows.flatMap(({ serialId }) => serialId ?? []),
  );
  return rows.map(({ serialId, ...row }) => ({
    ...row,
    used: units.find((unit) => unit.serialId === serialId) ?? null,
  }));
}

export async function costsOf(db: Db | Tx, jobId: string): Promise<CostRow[]> {
  const { rows } = await db.execute<CostRow & Record<string, unknown>>(sql`
    select c.id, c.text, c.cents::float8 as cents, c."foreign", c.day::text as day, p.name as by
    from job_cost c join person p on p.id = c.by_id where c.job_id = ${jobId} and c.dropped_at is null order by c.day, c.at`);
  return rows;
}
