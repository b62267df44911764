import { sql } from 'drizzle-orm';
import type { RecallAnswer, RecallRow } from '../../contract/numbers.ts';
import type { Db } from '../db/connect.ts';
import { placeJson } from '../read/stockPlaceSql.ts';

/** More than this are not called back but looked through. */
const MOST = 2000;

/**
 * Which vehicles carry this: everything with this number, of this batch, of this component by its name or number, and all
 * that took this kit revision, each with its client. A word must be the whole of a number or batch: half a number is another
 * thing's.
 */
export async function recall(db: Db, word: string): Promise<RecallAnswer> {
  const wanted = word.trim().toLowerCase();
  const items = sql`
    select i.*, case when lower(i.serial) = ${wanted} then 'serial' when lower(i.batch) = ${wanted} then 'batch' else 'component' end as why
    from serial_item i where lower(i.serial) = ${wanted} or lower(i.batch) = ${wanted}
      or i.component_id in (select id from component where lower(name) = ${wanted} or lower(part_number) = ${wanted} or id = ${wanted})`;
  const { rows: inVehicles } = await db.execute<RecallRow & { why: string } & Record<string, unknown>>(sql`
    with items as (${items})
    select (select number from job where vehicle_id = v.id order by created_at desc, number desc limit 1) as "jobNumber",
      null as "orderNumber", v.name as vehicle, k.name as client, k.contact,
      case when exists (select 1 from job where vehicle_id = v.id and state not in ('handedOver', 'cancelled'))
        then 'house' else 'client' end as where, c.name as component,
      array_agg(i.serial order by i.serial) as serials, min(i.why) as why
    from items i join stock_place p on p.id = i.place_id and p.kind = 'vehicle' join vehicle v on v.id = p."of"::uuid
      join client k on k.id = v.client_id join component c on c.id = i.component_id
    group by v.id, v.name, k.name, k.contact, c.id, c.name order by v.name, c.name limit ${MOST}`);
  const { rows: atClients } = await db.execute<RecallRow & { why: string } & Record<string, unknown>>(sql`
    with items as (${items})
    select null as "jobNumber", o.number as "orderNumber", coalesce(nullif(o.vehicle, ''), 'kit') as vehicle, k.name as client, k.contact,
      'client' as where, c.name as component, array_agg(i.serial order by i.serial) as serials, min(i.why) as why
    from items i join stock_place p on p.id = i.place_id and p.kind = 'client' join component c on c.id = i.component_id
      join client k on k.id = p."of"::uuid
      left join order_serial s on s.component_id = i.component_id and lower(s.serial) = lower(i.serial)
      left join order_line l on l.id = s.line_id left join kit_order o on o.id = l.order_id
    group by o.number, o.vehicle, k.id, k.name, k.contact, c.id, c.name order by o.number, c.name limit ${MOST}`);
  const { rows: byKit } = await db.execute<RecallRow & Record<string, unknown>>(sql`
    with revisions as (select r.id, ki.name || ' ' || r.revision as name from kit_revision r join kit ki on ki.id = r.kit_id
      where lower(r.id) = ${wanted} or lower(ki.name || ' ' || r.revision) = ${wanted})
    select j.number as "jobNumber", null as "orderNumber", v.name as vehicle, k.name as client, k.contact,
      case when j.state in ('handedOver', 'cancelled') then 'client' else 'house' end as where, r.name as component,
      array[]::text[] as serials
    from job j join revisions r on r.id = j.kit_revision_id join vehicle v on v.id = j.vehicle_id join client k on k.id = v.client_id
    where j.state <> 'cancelled'
    union all
    select null, o.number, coalesce(nullif(o.vehicle, ''), 'kit'), k.name, k.contact, 'client', r.name, array[]::text[]
    from kit_order o join revisions r on r.id = o.revision_id join client k on k.id = o.client_id where o.state in ('sent', 'signed')
    order by 1, 2 limit ${MOST}`);
  const { rows: elsewhere } = await db.execute<
    RecallAnswer['elsewhere'][number] & { why: string } & Record<string, unknown>
  >(sql`
    with items as (${items})
    select i.id, i.serial, c.name as component, i.batch, ${placeJson('p')} as place, i.why
    from items i join stock_place p on p.id = i.place_id and p.kind not in ('vehicle', 'client') join component c on c.id = i.component_id
    order by c.name, i.serial limit ${MOST}`);
  const whys = new Set([...inVehicles, ...atClients, ...elsewhere].map(({ why }) => why));
  const found = (['serial', 'batch', 'component'] as const).filter((why) => whys.has(why));
  const plain = ({ why: _, ...row }: RecallRow & { why: string }): RecallRow => row;
  return {
    found: byKit.length > 0 ? [...found, 'kitRevision'] : found,
    rows: [...inVehicles.map(plain), ...atClients.map(plain), ...byKit],
    elsewhere: elsewhere.map(({ why: _, ...row }) => row),
  };
}
