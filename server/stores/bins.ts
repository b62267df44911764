import { and, eq, ne, sql } from 'drizzle-orm';
import type { BinLine, BinRow, StocktakeRow } from '../../contract/stores.ts';
import { type CountedLine, stocktakeMoves } from '../../core/stores/ledger.ts';
import type { Db, Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { serialItem, stockPlace, stocktake, stocktakeLine } from '../db/schema/index.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { freeStockLocked } from '../read/freeStock.ts';
import { book, lockStock, placeOf, quantityAt } from '../read/stock.ts';

const ISO = `'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'`;

/** Every bin with how much is in it and when it was last counted. */
export async function binRows(db: Db | Tx): Promise<BinRow[]> {
  const { rows } = await db.execute<BinRow & Record<string, unknown>>(sql`
    select p.id, p.name, p.closed, p.version,
      (select count(*)::int from stock_balance b where b.place_id = p.id and b.quantity > 0) as items,
      to_char(k.at at time zone 'UTC', ${sql.raw(ISO)}) as "countedAt", k.name as "countedBy"
    from stock_place p left join lateral (
      select s.at, w.name from stocktake s join person w on w.id = s.by_id where s.place_id = p.id order by s.at desc limit 1
    ) k on true
    where p.kind = 'bin' order by p.closed, p.name`);
  return rows;
}

/** A bin, or a problem that says there is none; locked for whoever is about to change it. */
export async function binOf(db: Db | Tx, id: string, lock?: 'no key update') {
  const bins = db
    .select()
    .from(stockPlace)
    .where(and(eq(stockPlace.id, id), eq(stockPlace.kind, 'bin')));
  return one(await (lock ? bins.for(lock) : bins), 'bin');
}

/** What lies in a bin, to be counted. */
export async function inBin(db: Db, id: string): Promise<BinLine[]> {
  await binOf(db, id);
  const { rows } = await db.execute<BinLine & Record<string, unknown>>(sql`
    select c.id as "componentId", c.name, c.part_number as "partNumber", c.unit_size as "unitSize", b.quantity,
      (select coalesce(json_agg(i.serial order by i.serial), '[]'::json)
        from serial_item i where i.place_id = b.place_id and i.component_id = c.id) as serials
    from stock_balance b join component c on c.id = b.component_id
    where b.place_id = ${id} and b.quantity > 0 order by c.name, c.id`);
  return rows;
}

/** Refuses a name that another bin has. */
export async function refuseSameBin(tx: Tx, name: string, but: string | null): Promise<void> {
  const [same] = await tx
    .select({ id: stockPlace.id })
    .from(stockPlace)
    .where(
      and(
        eq(stockPlace.kind, 'bin'),
        sql`lower(${stockPlace.name}) = lower(${name})`,
        but === null ? undefined : ne(stockPlace.id, but),
      ),
    );
  if (same) throw new BadInput({ name: 'There is a bin of this name.' });
}

interface Counted {
  readonly binId: string;
  readonly byId: string;
  readonly at: Date;
  readonly note: string;
  readonly lines: readonly (CountedLine & { readonly gone: readonly string[] })[];
}

/**
 * Writes down what was counted and books the differences. What has moved since it was counted is refused: the difference
 * would be of two moments. Answers how many lines differ.
 */
export async function countBin(tx: Tx, { binId, byId, at, note, lines }: Counted) {
  const outside = await placeOf(tx, 'count');
  const { id } = made(await tx.insert(stocktake).values({ placeId: binId, byId, at, note }).returning());
  // Components in one order, as everywhere.
  const ordered = lines.toSorted((a, b) => (a.componentId < b.componentId ? -1 : 1));
  const differing = new Map(stocktakeMoves(ordered).map((move) => [move.componentId, move]));
  for (const line of ordered) {
    const at0 = `lines.${lines.indexOf(line)}`;
    const { name, unitSize } = await lockStock(tx, line.componentId);
    const now = await quantityAt(tx, line.componentId, binId);
    if (now !== line.expected)
      throw new RuleBroken(
        `${name} has moved while you counted: the books now say ${now / unitSize}, not ${line.expected / unitSize}. Count it again.`,
      );
    const { componentId, expected, counted } = line;
    await tx.insert(stocktakeLine).values({ stocktakeId: id, componentId, expected, counted });
    const move = differing.get(componentId);
    if (!move) continue;
    const [fromId, toId] = move.direction === 'found' ? [outside, binId] : [binId, outside];
    const serialIds = move.direction === 'gone' ? await goneNumbers(tx, binId, line, at0) : [];
    if (move.direction === 'gone') {
      const free = (await freeStockLocked(tx, componentId)) * unitSize;
      if (move.quantity > free)
        throw new BadInput({
          [`${at0}.counted`]: `${move.quantity / unitSize} fewer than in the books, but only ${Math.max(0, free) / unitSize} of ${name} are free: the rest is held for jobs. Give one up there first, or count again.`,
        });
    }
    await book(tx, { kind: 'counted', componentId, fromId, toId, quantity: move.quantity, serialIds, byId, at, note });
  }
  return { id, differences: differing.size };
}

/** Which numbered pieces are gone: those that were named, no more than lie there without number being left out. */
async function goneNumbers(
  tx: Tx,
  binId: string,
  { componentId, counted, gone }: Counted['lines'][number],
  at: string,
): Promise<string[]> {
  const there = await tx
    .select({ id: serialItem.id, serial: serialItem.serial })
    .from(serialItem)
    .where(and(eq(serialItem.placeId, binId), eq(serialItem.componentId, componentId)));
  const ids = gone.map((serial) => {
    const item = there.find((one) => one.serial.toLowerCase() === serial.toLowerCase());
    if (!item) throw new BadInput({ [`${at}.gone`]: `${serial} is not in this bin by the books.` });
    return item.id;
  });
  if (there.length - ids.length > counted)
    throw new BadInput({
      [`${at}.gone`]: `${there.length} numbers are in the books and ${counted} were counted: say which are gone.`,
    });
  return ids;
}

/** The newest counts with what differed. */
export async function stocktakeRows(db: Db): Promise<StocktakeRow[]> {
  const { rows } = await db.execute<StocktakeRow & Record<string, unknown>>(sql`
    select s.id, to_char(s.at at time zone 'UTC', ${sql.raw(ISO)}) as at, w.name as by, p.name as bin, s.note,
      (select count(*)::int from stocktake_line l where l.stocktake_id = s.id) as lines,
      (select coalesce(json_agg(json_build_object('componentId', c.id, 'name', c.name, 'unitSize', c.unit_size,
          'expected', l.expected, 'counted', l.counted,
          'worthCents', round((l.counted - l.expected)::numeric * c.price_cents / c.unit_size)) order by c.name), '[]'::json)
        from stocktake_line l join component c on c.id = l.component_id
        where l.stocktake_id = s.id and l.counted <> l.expected) as differences
    from stocktake s join person w on w.id = s.by_id join stock_place p on p.id = s.place_id
    order by s.at desc limit 30`);
  return rows;
}
