import { and, eq, type SQL, sql } from 'drizzle-orm';
import { NUMBERS_A_PAGE, type NumberPage, type NumberRow, type NumberSheet } from '../../contract/numbers.ts';
import { refurbishingCost } from '../../core/stores/refurbishing.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { serialItem } from '../db/schema/index.ts';
import { BadInput } from '../problems.ts';
import { holdsWord } from '../read/holdsWord.ts';
import { instant } from '../read/instant.ts';
import { quantityAt } from '../read/stock.ts';
import { placeJson } from '../read/stockPlaceSql.ts';

interface Named {
  readonly quantity: number;
  readonly serials: readonly string[];
}

/** The numbered pieces of a bin that were named, for a move out of it; those without number make up the rest. */
export async function serialsInBin(tx: Tx, componentId: string, binId: string, { quantity, serials }: Named) {
  const there = await tx
    .select({ id: serialItem.id, serial: serialItem.serial })
    .from(serialItem)
    .where(and(eq(serialItem.componentId, componentId), eq(serialItem.placeId, binId)));
  const ids = serials.map((serial) => {
    const item = there.find((one) => one.serial.toLowerCase() === serial.toLowerCase());
    if (!item) throw new BadInput({ serials: `${serial} is not in this bin.` });
    return item.id;
  });
  if (ids.length > quantity) throw new BadInput({ serials: `${ids.length} numbers for ${quantity} pieces.` });
  const plain = (await quantityAt(tx, componentId, binId)) - there.length;
  if (quantity - ids.length > plain)
    throw new BadInput({ serials: `Say which: ${plain} of those in this bin carry no number, ${quantity} are moved.` });
  return ids;
}

const GRADING = sql`json_build_object('id', g.id, 'day', g.day, 'capacityAh', g.capacity_ah, 'energyWh', g.energy_wh,
  'resistanceOhm', g.resistance_ohm, 'temperatureC', g.temperature_c, 'currentA', g.current_a, 'fromV', g.from_v, 'toV', g.to_v,
  'method', g.method, 'by', (select name from person where id = g.by_id), 'logFileId', g.log_file_id)`;

const ROW = sql`i.id, i.serial, i.component_id as "componentId", c.name as component, c.kind, i.batch, i.origin,
  i.origin_note as "originNote", ${placeJson('p')} as place,
  (select j.number from part_line l join job j on j.id = l.job_id where l.id = i.part_line_id) as "forJob",
  (select k.name from pack_module m join pack k on k.id = m.pack_id where m.serial_id = i.id and m.until is null) as pack,
  (select ${GRADING} from grading g where g.serial_id = i.id order by g.day desc, g.at desc limit 1) as graded,
  i.warranty_until as "warrantyUntil",
  exists (select from refurbishing r where r.serial_id = i.id and r.state = 'open') as "beingRefurbished"`;
const FROM = sql`serial_item i join component c on c.id = i.component_id join stock_place p on p.id = i.place_id`;

type Row = NumberRow & Record<string, unknown>;

/** By what they are, then by number: as the index has them, so that no page is waited for. */
const ORDER = sql`i.component_id, lower(i.serial), i.id`;

/** Rows of numbers, in one order. */
const rowsWhere = async (db: Db | Tx, where: SQL, most?: number, from = 0): Promise<NumberRow[]> =>
  (
    await db.execute<Row>(
      sql`select ${ROW} from ${FROM} where ${where} order by ${ORDER} ${most === undefined ? sql`` : sql`limit ${most} offset ${from}`}`,
    )
  ).rows;

/** Ids of those whose number, batch, origin or component answers to a word, each way by an index of its own. */
function matched(word: string | null): SQL {
  if (word === null) return sql`select id, component_id, serial from serial_item`;
  const wanted = word.trim().toLowerCase();
  return sql`
    select id, component_id, serial from serial_item where ${holdsWord(sql`find`, wanted)}
    union
    select i.id, i.component_id, i.serial from (select id from component where ${holdsWord(sql`find`, wanted)} offset 0) c,
      lateral (select id, component_id, serial from serial_item where component_id = c.id offset 0) i`;
}

export async function numberPage(db: Db, page: number, word: string | null): Promise<NumberPage> {
  // Looked through once for both, where there is a word; without one the index gives a page and the count is quick.
  const { rows } = await db.execute<{ n: number; ids: string[] }>(sql`
    with m as ${word === null ? sql`not materialized` : sql`materialized`} (${matched(word)})
    select (select count(*)::int from m) as n,
      array(select i.id from m i order by ${ORDER} limit ${NUMBERS_A_PAGE} offset ${page * NUMBERS_A_PAGE}) as ids`);
  return { rows: await numbersOf(db, rows[0]?.ids ?? []), count: rows[0]?.n ?? 0 };
}

export const allNumbers = (db: Db): Promise<NumberRow[]> => rowsWhere(db, sql`true`);

/** Those of a component that lie in bins. */
export const numbersInBins = (db: Db, componentId: string): Promise<NumberRow[]> =>
  rowsWhere(db, sql`i.component_id = ${componentId} and p.kind = 'bin'`);

/** These numbers, those there are. */
export const numbersOf = async (db: Db | Tx, ids: readonly string[]): Promise<NumberRow[]> =>
  ids.length === 0 ? [] : rowsWhere(db, sql`i.id = any(${sql.param(ids)}::uuid[])`);

/** Orders to make it good again, the newest first. */
const REFURBISHING = sql`(select coalesce(json_agg(json_build_object('id', r.id, 'what', r.what, 'state', r.state,
    'boughtCents', r.bought_cents, 'ended', r.ended, 'warrantyUntil', r.warranty_until, 'by', b.name, 'at', ${instant('r.at')},
    'endedBy', (select name from person where id = r.ended_by_id), 'endedAt', ${instant('r.ended_at')}, 'version', r.version,
    'parts', (select coalesce(json_agg(json_build_object('name', pc.name, 'quantity', rp.quantity, 'unitCents', rp.unit_cents) order by rp.at), '[]'::json)
      from refurbishing_part rp join component pc on pc.id = rp.component_id where rp.refurbishing_id = r.id),
    'work', (select coalesce(json_agg(json_build_object('by', w.name, 'hours', h.hours, 'day', h.day, 'what', h.what) order by h.day, h.at), '[]'::json)
      from refurbishing_hours h join person w on w.id = h.person_id where h.refurbishing_id = r.id)) order by r.at desc), '[]'::json)
  from refurbishing r join person b on b.id = r.by_id where r.serial_id = i.id)`;

/** A number's whole life: where it was, what it was measured at, in which packs. */
export async function numberSheet(db: Db | Tx, id: string, hourCents: number): Promise<NumberSheet> {
  const { rows } = await db.execute<NumberSheet & Record<string, unknown>>(sql`
    select ${ROW}, i.note, i.version, c.price_cents::float8 as "newCents", ${REFURBISHING} as refurbishing,
      (select coalesce(json_agg(e.event order by e.at, e.n), '[]'::json) from (
        select m.at, m.id as n, json_build_object('what', 'moved', 'at', ${instant('m.at')}, 'by', w.name, 'kind', m.kind,
            'from', ${placeJson('f')}, 'to', ${placeJson('t')}, 'note', m.note) as event
          from stock_move_serial ms join stock_move m on m.id = ms.move_id join stock_place f on f.id = m.from_id
            join stock_place t on t.id = m.to_id left join person w on w.id = m.by_id where ms.serial_id = i.id
        union all
        select g.at, 0, json_build_object('what', 'graded', 'at', ${instant('g.at')},
            'by', (select name from person where id = g.by_id), 'grading', ${GRADING})
          from grading g where g.serial_id = i.id
        union all
        select m.since, 9000000000000000, json_build_object('what', 'packed', 'at', ${instant('m.since')}, 'by', null, 'pack', k.name)
          from pack_module m join pack k on k.id = m.pack_id where m.serial_id = i.id
        union all
        select m.until, -1, json_build_object('what', 'unpacked', 'at', ${instant('m.until')}, 'by', null, 'pack', k.name)
          from pack_module m join pack k on k.id = m.pack_id where m.serial_id = i.id and m.until is not null
      ) e) as events
    from ${FROM} where i.id = ${id}`);
  const sheet = one(rows, 'number');
  return {
    ...sheet,
    refurbishing: sheet.refurbishing.map((order) => {
      const hours = order.work.reduce((sum, entry) => sum + entry.hours, 0);
      return { ...order, hours, ...refurbishingCost({ ...order, hours, hourCents }) };
    }),
  };
}
