import { type SQL, sql } from 'drizzle-orm';
import { ITEMS_A_PAGE, type ItemList, type ItemPage, type ItemRow, type ItemSheet } from '../../contract/stores.ts';
import type { ComponentKind } from '../../core/component/sheets.ts';
import { wantsSerials } from '../../core/order/order.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { HELD } from '../read/heldStock.ts';
import { holdsWord } from '../read/holdsWord.ts';
import { placeJson } from '../read/stockPlaceSql.ts';

/** Jobs that still take parts. */
const OPEN_JOB = sql`j.state not in ('handedOver', 'cancelled')`;

/** What jobs want and do not hold, and what of it is on order, in units of lists. */
const WANTED = sql`
  select l.component_id, sum(l.quantity)::int as wanted,
    coalesce(sum(l.quantity) filter (where l.state = 'ordered'), 0)::int as ordered
  from part_line l join job j on j.id = l.job_id
  where l.state in ('missing', 'ordered') and ${OPEN_JOB} group by l.component_id`;

const ROW = sql`c.id, c.name, c.kind, s.name as supplier, c.part_number as "partNumber", c.unit_size as "unitSize",
  coalesce((select array_agg(p.name order by b.quantity desc) from stock_balance b join stock_place p on p.id = b.place_id
    where b.component_id = c.id and b.kind = 'bin' and b.quantity > 0),
    array(select name from stock_place where id = c.bin_id)) as bins,
  c.on_hand as "onHand", coalesce(h.n, 0) * c.unit_size as held, coalesce(w.wanted, 0) * c.unit_size as wanted,
  coalesce(w.ordered, 0) * c.unit_size as ordered, c.reorder_at as "reorderAt", c.price_cents as "priceCents"`;
const FROM = sql`component c join supplier s on s.id = c.supplier_id
  left join (${HELD}) h on h.component_id = c.id left join (${WANTED}) w on w.component_id = c.id`;

const LIST: Readonly<Record<ItemList, SQL>> = {
  kept: sql`(c.on_hand > 0 or c.bin_id is not null or c.reorder_at is not null)`,
  low: sql`c.reorder_at is not null and c.on_hand - coalesce(h.n, 0) * c.unit_size <= c.reorder_at`,
  all: sql`true`,
};

/** A page of what stores keep, by name; of those that answer to a word where one is given. */
export async function itemPage(db: Db, list: ItemList, page: number, word: string | null): Promise<ItemPage> {
  const wanted = word?.trim().toLowerCase() ?? '';
  // Looked up once, from narrow indexes; the parts themselves are then fetched by their ids.
  const found =
    wanted === ''
      ? sql`true`
      : sql`c.id = any(array(
          select id from component where ${holdsWord(sql`find`, wanted)}
          union select id from component
            where supplier_id = any(array(select id from supplier where ${holdsWord(sql`lower(name)`, wanted)}))
          union select component_id from stock_balance where quantity > 0 and place_id = any(array(
            select id from stock_place where kind = 'bin' and ${holdsWord(sql`lower(name)`, wanted)}))))`;
  const where = sql`${LIST[list]} and ${found}`;
  // What is held matters only to the list of what has run low: without it the catalogue alone is looked through.
  const looked = list === 'low' ? FROM : sql`component c`;
  const { rows: ids } = await db.execute<{ id: string; count: number; worth: string }>(sql`
    select c.id, (count(*) over ())::int as count, (sum(c.price_cents::bigint * c.on_hand / c.unit_size) over ())::text as worth
    from ${looked} where ${where} order by c.name, c.id limit ${ITEMS_A_PAGE} offset ${page * ITEMS_A_PAGE}`);
  const { rows } = await db.execute<ItemRow & Record<string, unknown>>(
    sql`select ${ROW} from ${FROM} where c.id = any(${sql.param(ids.map(({ id }) => id))}::text[]) order by c.name, c.id`,
  );
  return { rows, count: ids[0]?.count ?? 0, worthCents: Number(ids[0]?.worth ?? 0) };
}

/** Every row of what stores keep, for a file. */
export async function keptItems(db: Db): Promise<ItemRow[]> {
  const { rows } = await db.execute<ItemRow & Record<string, unknown>>(
    sql`select ${ROW} from ${FROM} where ${LIST.kept} order by c.name, c.id`,
  );
  return rows;
}

/** Instants as the page writes them. */
const iso = (column: SQL) => sql`to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`;

/** The newest moves of a component, as many as asked for. */
export const movesJson = (most: number): SQL => sql`
  select coalesce(json_agg(json_build_object('id', m.id, 'at', ${iso(sql`m.at`)},
      'by', (select name from person where id = m.by_id), 'kind', m.kind, 'quantity', m.quantity,
      'from', ${placeJson('f')}, 'to', ${placeJson('t')}, 'note', m.note,
      'serials', (select coalesce(json_agg(i.serial order by i.serial), '[]'::json)
        from stock_move_serial ms join serial_item i on i.id = ms.serial_id where ms.move_id = m.id)) order by m.id desc), '[]'::json)
  from (select * from stock_move where component_id = c.id order by id desc limit ${most}) m
  join stock_place f on f.id = m.from_id join stock_place t on t.id = m.to_id`;

const MOST_MOVES = 100;

/** One component as stores know it: where it lies, who holds it, what came and went. */
export async function itemSheet(db: Db | Tx, id: string): Promise<ItemSheet> {
  const { rows } = await db.execute<Omit<ItemSheet, 'numbered'> & Record<string, unknown>>(sql`
    select ${ROW}, c.bin_id as "binId", c.reorder_to as "reorderTo", c.version,
      (select coalesce(json_agg(json_build_object('place', ${placeJson('p')}, 'quantity', b.quantity,
          'numbers', (select count(*)::int from serial_item i where i.place_id = p.id and i.component_id = c.id))
          order by p.kind, p.name), '[]'::json)
        from stock_balance b join stock_place p on p.id = b.place_id
        where b.component_id = c.id and b.kind in ('bin', 'job', 'vehicle') and b.quantity > 0) as places,
      (select coalesce(json_agg(json_build_object('partId', l.id, 'jobNumber', j.number, 'jobTitle', v.name, 'state', l.state,
          'quantity', l.quantity, 'due', l.due, 'promised', j.promised) order by j.promised nulls last, j.number), '[]'::json)
        from part_line l join job j on j.id = l.job_id join vehicle v on v.id = j.vehicle_id
        where l.component_id = c.id and l.state <> 'fitted' and ${OPEN_JOB}) as holders,
      (${movesJson(MOST_MOVES)}) as moves
    from ${FROM} where c.id = ${id}`);
  const { bins: _, ...row } = one(rows, 'component');
  return { ...row, numbered: wantsSerials(row.kind as ComponentKind) } as unknown as ItemSheet;
}
