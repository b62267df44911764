import { sql } from 'drizzle-orm';
import type { ClientRow, VehicleKnown, VehicleRow } from '../../contract/clients.ts';
import type { Db, Tx } from '../db/connect.ts';
import { clockedSeconds } from '../read/clockedSql.ts';

/** All clients by name, with how much hangs on each. */
export async function clientRows(db: Db | Tx): Promise<ClientRow[]> {
  const { rows } = await db.execute<ClientRow & Record<string, unknown>>(sql`
    select c.id, c.name, c.contact, c.removed_at is not null as removed, c.version,
      count(distinct v.id)::int as vehicles, count(j.id)::int as jobs,
      count(j.id) filter (where j.state not in ('handedOver', 'cancelled'))::int as open
    from client c left join vehicle v on v.client_id = c.id left join job j on j.vehicle_id = v.id
    group by c.id order by lower(c.name), c.id`);
  return rows;
}

/** All vehicles by name, each with its jobs. */
export async function vehicleRows(db: Db | Tx): Promise<VehicleRow[]> {
  const { rows } = await db.execute<VehicleRow & Record<string, unknown>>(sql`
    select v.id, v.name, v.variant_id as "variantId", mo.name || ' ' || va.name as "variantName",
      v.chassis_number as "chassisNumber", v.registration, v.built_year as "builtYear", v.colour,
      v.client_id as "clientId", c.name as client, v.version,
      coalesce((select json_agg(json_build_object('number', j.number, 'state', j.state, 'promised', j.promised,
          'openedAt', j.created_at, 'hoursClocked', coalesce((
            select sum(${sql.raw(clockedSeconds('t'))}) / 3600
            from time_entry t join stage s on s.id = t.stage_id where s.job_id = j.id), 0)) order by j.number desc)
        from job j where j.vehicle_id = v.id), '[]') as jobs
    from vehicle v join client c on c.id = v.client_id join variant va on va.id = v.variant_id
      join model mo on mo.id = va.model_id
    order by lower(v.name), v.id`);
  return rows;
}

/** What was measured on each vehicle and its newest weighing, of those that have either. */
export async function vehiclesKnown(db: Db): Promise<VehicleKnown[]> {
  const { rows } = await db.execute<VehicleKnown & Record<string, unknown>>(sql`
    select v.id, coalesce(f.measured, '{}') as measured, w.weighing
    from vehicle v
    left join (
      select vehicle_id, json_object_agg(figure, json_build_object('value', value, 'source', source, 'says', says,
        'by', p.name, 'at', at)) as measured
      from vehicle_figure join person p on p.id = by_id group by vehicle_id
    ) f on f.vehicle_id = v.id
    left join (
      select distinct on (vehicle_id) vehicle_id, json_build_object('frontLeftKg', front_left_kg,
        'frontRightKg', front_right_kg, 'rearLeftKg', rear_left_kg, 'rearRightKg', rear_right_kg, 'state', weighing.state,
        'by', p.name, 'at', at) as weighing
      from weighing join person p on p.id = by_id order by vehicle_id, at desc
    ) w on w.vehicle_id = v.id
    where f.measured is not null or w.weighing is not null
    order by v.id`);
  return rows;
}
