import { sql } from 'drizzle-orm';
import type { Db } from '../db/connect.ts';
import { clientRows, vehicleRows } from './rows.ts';

/** Everything that is kept of a client, as JSON: who they are, their vehicles, and every job whole. */
export async function dataOf(db: Db, id: string) {
  const client = (await clientRows(db)).find((row) => row.id === id) ?? null;
  const vehicles = (await vehicleRows(db)).filter((row) => row.clientId === id);
  const numbers = vehicles.flatMap(({ jobs }) => jobs.map(({ number }) => number));
  const list = sql.join([...numbers.map((one) => sql`${one}`), sql`''`], sql`, `);
  const all = async (query: ReturnType<typeof sql>) => (await db.execute(query)).rows;
  return {
    client,
    vehicles,
    weighings: await all(
      sql`select w.* from weighing w join vehicle v on v.id = w.vehicle_id where v.client_id = ${id}`,
    ),
    measured: await all(
      sql`select f.* from vehicle_figure f join vehicle v on v.id = f.vehicle_id where v.client_id = ${id}`,
    ),
    jobs: await all(sql`select * from job where number in (${list}) order by number`),
    brief: await all(
      sql`select b.* from brief_line b join job j on j.id = b.job_id where j.number in (${list}) order by b.position`,
    ),
    designs: await all(
      sql`select d.* from design d join job j on j.id = d.job_id where j.number in (${list}) order by d.created_at`,
    ),
    offers: await all(
      sql`select j.number as job, o.number, 'offer' as kind, o.state, o.total_cents, o.currency, o.sent_at, o.answered_at, o.answered_by,
            o.answered_from, o.answered_why from offer o join job j on j.id = o.job_id where j.number in (${list})
          union all select j.number, a.number, a.wish, a.state, a.total_cents, a.currency, a.priced_at, a.answered_at, a.answered_by,
            a.answered_from, a.answered_why from addition a join job j on j.id = a.job_id where j.number in (${list})`,
    ),
    questions: await all(
      sql`select q.text, q.by, q.at, q.answer from client_question q join job j on j.id = q.job_id where j.number in (${list}) order by q.at`,
    ),
    lessons: await all(
      sql`select l.* from lesson l join job j on j.id = l.job_id where j.number in (${list}) order by l.at`,
    ),
    register: await all(
      sql`select g.* from register_entry g join vehicle v on v.id = g.vehicle_id where v.client_id = ${id} order by g.at`,
    ),
    waitingFor: await all(sql`select w.* from kit_wish w where w.client_id = ${id} order by w.at`),
    kitOrders: await all(
      sql`select o.* from kit_order o where o.client_id = ${id} or o.partner_id = ${id} order by o.number`,
    ),
    fitting: await all(
      sql`select 'sign' as what, s.by, s.remark as text, s.at from order_sign s join kit_order o on o.id = s.order_id
            where o.client_id = ${id} or o.partner_id = ${id}
          union all select 'question', q.by, q.text, q.at from order_question q join kit_order o on o.id = q.order_id
            where o.client_id = ${id} or o.partner_id = ${id} order by at`,
    ),
    counterSales: await all(sql`select s.* from counter_sale s where s.client_id = ${id} order by s.number`),
    approvals: await all(sql`select a.* from partner_approval a where a.client_id = ${id} order by a.at`),
    files: await all(
      sql`select f.id, f.about, f.name, f.caption, f.at from file f where f.dropped_at is null and (f.about_id in (select v.id::text from vehicle v where v.client_id = ${id})
        or f.about_id in (select id::text from job where number in (${list})))`,
    ),
    history: await all(
      sql`select id, at, what, resource, job_number from event where job_number in (${list}) or resource_id = ${id}
        or resource_id in (select v.id::text from vehicle v where v.client_id = ${id}) order by id`,
    ),
  };
}
