import { and, eq, inArray, isNull, sql } from 'drizzle-orm';
import type { PackRow } from '../../contract/numbers.ts';
import type { StockPlaceKind } from '../../core/stores/ledger.ts';
import type { Db, Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { component, job, pack, packModule, partLine, serialItem, stockPlace } from '../db/schema/index.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { book } from '../read/stock.ts';
import { placeJson } from '../read/stockPlaceSql.ts';

const ISO = sql.raw(`'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'`);

/** Every pack, those in use first, with its modules and what became of those that left. */
export async function packRows(db: Db | Tx, id: string | null = null): Promise<PackRow[]> {
  const { rows } = await db.execute<PackRow & Record<string, unknown>>(sql`
    select k.id, k.name, k.note, k.version, to_char(k.made_at at time zone 'UTC', ${ISO}) as "madeAt",
      to_char(k.ended_at at time zone 'UTC', ${ISO}) as "endedAt",
      (select coalesce(json_agg(json_build_object('id', i.id, 'serial', i.serial, 'component', c.name, 'place', ${placeJson('p')})
          order by c.name, i.serial), '[]'::json)
        from pack_module m join serial_item i on i.id = m.serial_id join component c on c.id = i.component_id
          join stock_place p on p.id = i.place_id where m.pack_id = k.id and m.until is null) as modules,
      (select coalesce(array_agg(distinct o.name), '{}') from pack_module m join pack_module n on n.serial_id = m.serial_id and n.id > m.id
        join pack o on o.id = n.pack_id where m.pack_id = k.id and n.pack_id <> k.id) as "wentInto",
      (select coalesce(array_agg(distinct o.name), '{}') from pack_module m join pack_module n on n.serial_id = m.serial_id and n.id < m.id
        join pack o on o.id = n.pack_id where m.pack_id = k.id and n.pack_id <> k.id) as "cameFrom"
    from pack k where ${id === null ? sql`true` : sql`k.id = ${id}`}
    order by k.ended_at nulls first, k.made_at desc, k.name limit 200`);
  return rows;
}

/** A pack in use, locked, as it was looked at. */
export async function lockPack(tx: Tx, id: string, version: number) {
  const stored = one(await tx.select().from(pack).where(eq(pack.id, id)).for('update'), 'pack');
  if (stored.version !== version) throw new Stale((await packRows(tx, id))[0]);
  if (stored.endedAt) throw new RuleBroken(`${stored.name} was split up: there is nothing left of it.`);
  return stored;
}

/** Makes a pack of modules that are in none. */
export async function makePack(
  tx: Tx,
  body: { name: string; note: string; serialIds: readonly string[] },
  byId: string,
  at: Date,
) {
  const [same] = await tx.select({ id: pack.id }).from(pack).where(sql`lower(${pack.name}) = lower(${body.name})`);
  if (same) throw new BadInput({ name: 'There is, or was, a pack of this name: its history stays with it.' });
  const { id } = made(await tx.insert(pack).values({ name: body.name, note: body.note, byId, madeAt: at }).returning());
  await putInto(tx, id, body.serialIds, at);
  return id;
}

/** Puts modules into a pack; each is in one. */
export async function putInto(tx: Tx, packId: string, serialIds: readonly string[], at: Date): Promise<void> {
  const items = await tx
    .select({ id: serialItem.id, serial: serialItem.serial, kind: component.kind })
    .from(serialItem)
    .innerJoin(component, eq(component.id, serialItem.componentId))
    .where(inArray(serialItem.id, [...serialIds]))
    .for('no key update', { of: serialItem });
  if (items.length < serialIds.length) throw new BadInput({ serialIds: 'One of these numbers is not there any more.' });
  const other = items.find(({ kind }) => kind !== 'module');
  if (other) throw new BadInput({ serialIds: `${other.serial} is no module: a pack is made of modules.` });
  const [taken] = await tx
    .select({ serial: serialItem.serial, name: pack.name })
    .from(packModule)
    .innerJoin(serialItem, eq(serialItem.id, packModule.serialId))
    .innerJoin(pack, eq(pack.id, packModule.packId))
    .where(and(inArray(packModule.serialId, [...serialIds]), isNull(packModule.until)));
  if (taken) throw new BadInput({ serialIds: `${taken.serial} is in ${taken.name}.` });
  await tx.insert(packModule).values(serialIds.map((serialId) => ({ packId, serialId, since: at })));
}

/** Takes modules out of a pack; one with none left is ended. */
export async function takeOutOf(tx: Tx, packId: string, serialIds: readonly string[], at: Date): Promise<void> {
  const out = await tx
    .update(packModule)
    .set({ until: at })
    .where(and(eq(packModule.packId, packId), inArray(packModule.serialId, [...serialIds]), isNull(packModule.until)))
    .returning({ id: packModule.id });
  if (out.length < serialIds.length)
    throw new BadInput({ serialIds: 'One of these modules is not in this pack any more.' });
  const left = await tx.$count(packModule, and(eq(packModule.packId, packId), isNull(packModule.until)));
  await tx
    .update(pack)
    .set({ version: sql`${pack.version} + 1`, endedAt: left === 0 ? at : null })
    .where(eq(pack.id, packId));
}

/** The modules of a pack, with the line each is for and that line's job. */
const modulesOf = (tx: Tx, packId: string) =>
  tx
    .select({
      id: serialItem.id,
      serial: serialItem.serial,
      componentId: serialItem.componentId,
      placeId: serialItem.placeId,
      partLineId: serialItem.partLineId,
      jobId: partLine.jobId,
    })
    .from(packModule)
    .innerJoin(serialItem, eq(serialItem.id, packModule.serialId))
    .leftJoin(partLine, eq(partLine.id, serialItem.partLineId))
    .where(and(eq(packModule.packId, packId), isNull(packModule.until)));

/** Jobs whose lines have modules of a pack: they are changed when it is moved. */
export const jobsOfPack = async (tx: Tx, packId: string): Promise<string[]> =>
  (await modulesOf(tx, packId)).flatMap(({ jobId }) => jobId ?? []);

/** What is there is not the workshop's to move. */
const GONE: Partial<Record<StockPlaceKind, string>> = {
  scrap: 'was scrapped',
  supplier: 'went back to its supplier',
  count: 'was gone at a count',
};

interface Going {
  readonly packId: string;
  readonly toId: string;
  /** The job whose vehicle it goes into; null for a bin. */
  readonly jobId: string | null;
  /** Jobs that are locked: those of its modules must be among them. */
  readonly locked: ReadonlySet<string>;
  readonly mayTakeOut: boolean;
  readonly byId: string;
  readonly at: Date;
  readonly why: string;
}

/**
 * Moves every module of a pack. Lines of jobs still open that had them are short again; the job they come to has them on its
 * list as fitted. What was fitted in a job that has been handed over stays its record.
 */
export async function movePack(tx: Tx, going: Going): Promise<readonly string[]> {
  const { packId, toId, jobId, locked, mayTakeOut, byId, at, why } = going;
  const moving = (await modulesOf(tx, packId)).filter(({ placeId }) => placeId !== toId);
  if (moving.length === 0) throw new RuleBroken('It is there already.');
  if (moving.some((item) => item.jobId !== null && !locked.has(item.jobId)))
    throw new RuleBroken('One of its modules was put on a job since. Look again, then decide.');
  const places = new Map(
    (
      await tx
        .select()
        .from(stockPlace)
        .where(inArray(stockPlace.id, [...new Set(moving.map(({ placeId }) => placeId!))]))
    ).map((place) => [place.id, place.kind]),
  );
  for (const { serial, placeId } of moving) {
    const kind = places.get(placeId!)!;
    if (GONE[kind]) throw new RuleBroken(`${serial} ${GONE[kind]}. Take it out of the pack first.`);
    if (kind === 'vehicle' && !mayTakeOut) throw new RuleBroken('A fitted part is taken out again by a manager.');
  }
  const touched = await leaveLines(tx, moving);
  const components = [...new Set(moving.map(({ componentId }) => componentId))].sort();
  for (const componentId of components) {
    const of = moving.filter((item) => item.componentId === componentId);
    const lineId = jobId === null ? null : await lineOf(tx, jobId, componentId, of.length, byId, at);
    for (const fromId of new Set(of.map(({ placeId }) => placeId!))) {
      const here = of.filter(({ placeId }) => placeId === fromId).map(({ id }) => id);
      const kind = jobId !== null ? 'fitted' : places.get(fromId) === 'vehicle' ? 'takenOut' : 'moved';
      const move = { kind, componentId, fromId, toId, quantity: here.length, serialIds: here } as const;
      await book(tx, { ...move, partLineId: lineId, byId, at, note: why });
    }
    await tx
      .update(serialItem)
      .set({ partLineId: lineId })
      .where(
        inArray(
          serialItem.id,
          of.map(({ id }) => id),
        ),
      );
  }
  await tx
    .update(pack)
    .set({ version: sql`${pack.version} + 1` })
    .where(eq(pack.id, packId));
  return touched;
}

/** Lines of open jobs that lose these pieces: what is gone is missing. Answers the numbers of their jobs. */
async function leaveLines(tx: Tx, items: readonly { readonly partLineId: string | null }[]): Promise<string[]> {
  const touched = new Set<string>();
  const lineIds = [...new Set(items.flatMap(({ partLineId }) => (partLineId ? [partLineId] : [])))].sort();
  for (const id of lineIds) {
    const [row] = await tx
      .select({ line: partLine, state: job.state, number: job.number })
      .from(partLine)
      .innerJoin(job, eq(job.id, partLine.jobId))
      .where(eq(partLine.id, id))
      .for('no key update', { of: partLine });
    if (!row || row.state === 'handedOver' || row.state === 'cancelled') continue;
    touched.add(row.number);
    const gone = items.filter(({ partLineId }) => partLineId === id).length;
    const { line } = row;
    const version = line.version + 1;
    const short = {
      state: 'missing' as const,
      due: null,
      pickedById: null,
      pickedAt: null,
      fittedById: null,
      fittedAt: null,
    };
    if (gone >= line.quantity)
      await tx
        .update(partLine)
        .set({ ...short, version })
        .where(eq(partLine.id, id));
    else {
      await tx
        .update(partLine)
        .set({ quantity: line.quantity - gone, version })
        .where(eq(partLine.id, id));
      const { componentId, jobId, from, packedIn } = line;
      await tx.insert(partLine).values({ componentId, jobId, from, packedIn, quantity: gone, ...short });
    }
  }
  return [...touched];
}

/** The line of a job that such pieces fill: one that waits for as many, or a new one; fitted now. */
async function lineOf(tx: Tx, jobId: string, componentId: string, quantity: number, byId: string, at: Date) {
  const fitted = { state: 'fitted' as const, due: null, fittedById: byId, fittedAt: at };
  const [waiting] = await tx
    .select()
    .from(partLine)
    .where(
      and(
        eq(partLine.jobId, jobId),
        eq(partLine.componentId, componentId),
        eq(partLine.quantity, quantity),
        inArray(partLine.state, ['missing', 'ordered', 'inStores']),
      ),
    )
    .limit(1)
    .for('no key update');
  if (waiting) {
    // What it held of its own is free again.
    await tx.update(serialItem).set({ partLineId: null }).where(eq(serialItem.partLineId, waiting.id));
    await tx
      .update(partLine)
      .set({ ...fitted, version: waiting.version + 1 })
      .where(eq(partLine.id, waiting.id));
    return waiting.id;
  }
  return made(
    await tx
      .insert(partLine)
      .values({ jobId, componentId, quantity, from: 'added', ...fitted })
      .returning(),
  ).id;
}
