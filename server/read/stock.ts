import { and, eq, inArray, isNotNull, sql } from 'drizzle-orm';
import type { MoveKind, StockPlaceKind, Taking } from '../../core/stores/ledger.ts';
import { takeFrom } from '../../core/stores/ledger.ts';
import { stockText } from '../../wording/stores.ts';
import type { Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import {
  component,
  refurbishing,
  serialItem,
  stockBalance,
  stockMove,
  stockMoveSerial,
  stockPlace,
} from '../db/schema/index.ts';
import { RuleBroken } from '../problems.ts';

/** The place that stands for something, made where it is new. `of` is empty for counts and scrap. */
export async function placeOf(tx: Tx, kind: Exclude<StockPlaceKind, 'bin'>, of = ''): Promise<string> {
  const known = async () =>
    (
      await tx
        .select({ id: stockPlace.id })
        .from(stockPlace)
        .where(and(eq(stockPlace.kind, kind), eq(stockPlace.of, of)))
    )[0]?.id;
  const there = await known();
  if (there) return there;
  const [fresh] = await tx.insert(stockPlace).values({ kind, of }).onConflictDoNothing().returning();
  // Somebody else made it at the same moment.
  return fresh?.id ?? (await known())!;
}

/** Which of these are no bins in use; the others stay in use until the end of the change. */
export async function notInUse(tx: Tx, binIds: readonly string[]): Promise<ReadonlySet<string>> {
  if (binIds.length === 0) return new Set();
  const bins = await tx
    .select({ id: stockPlace.id })
    .from(stockPlace)
    .where(and(inArray(stockPlace.id, [...binIds]), eq(stockPlace.kind, 'bin'), eq(stockPlace.closed, false)))
    .orderBy(stockPlace.id)
    .for('share');
  const used = new Set(bins.map(({ id }) => id));
  return new Set(binIds.filter((id) => !used.has(id)));
}

/** The bin that goods without one of their own are put into, made when the first come. */
const FIRST_BIN = 'Shelf';

/** Where a component is put when it comes in: its own bin, or the first there is. */
export async function binFor(tx: Tx, componentId: string): Promise<string> {
  const { binId } = one(
    await tx.select({ binId: component.binId }).from(component).where(eq(component.id, componentId)),
    'component',
  );
  if (binId) return binId;
  const [any] = await tx
    .select({ id: stockPlace.id })
    .from(stockPlace)
    .where(and(eq(stockPlace.kind, 'bin'), eq(stockPlace.closed, false)))
    .orderBy(sql`lower(${stockPlace.name}) <> ${FIRST_BIN.toLowerCase()}`, stockPlace.name)
    .limit(1)
    .for('share');
  if (any) return any.id;
  // Every bin was given up: the first is taken into use again.
  const [again] = await tx
    .update(stockPlace)
    .set({ closed: false })
    .where(and(eq(stockPlace.kind, 'bin'), sql`lower(${stockPlace.name}) = ${FIRST_BIN.toLowerCase()}`))
    .returning({ id: stockPlace.id });
  if (again) return again.id;
  return made(await tx.insert(stockPlace).values({ kind: 'bin', name: FIRST_BIN }).returning()).id;
}

export interface Booking {
  readonly kind: MoveKind;
  readonly componentId: string;
  readonly fromId: string;
  readonly toId: string;
  /** Pieces, or millimetres of what is kept by length. */
  readonly quantity: number;
  readonly serialIds?: readonly string[];
  readonly partLineId?: string | null;
  readonly note?: string;
  readonly byId: string | null;
  readonly at?: Date;
}

/** Writes one movement into the ledger; the database carries it into the balances and refuses what cannot be. */
export async function book(tx: Tx, { serialIds = [], ...move }: Booking): Promise<number> {
  const { id } = made(await tx.insert(stockMove).values(move).returning({ id: stockMove.id }));
  if (serialIds.length > 0)
    await tx.insert(stockMoveSerial).values(serialIds.map((serialId) => ({ moveId: id, serialId })));
  return id;
}

/** Writes many movements at once, components in one order as everywhere; each with the numbers that go along. */
export async function bookAll(tx: Tx, bookings: readonly Booking[]): Promise<void> {
  if (bookings.length === 0) return;
  const order = bookings.toSorted((a, b) =>
    a.componentId < b.componentId ? -1 : a.componentId > b.componentId ? 1 : 0,
  );
  const ids = await tx
    .insert(stockMove)
    .values(order.map(({ serialIds: _, ...move }) => move))
    .returning({ id: stockMove.id });
  const along = order.flatMap(({ serialIds = [] }, i) =>
    serialIds.map((serialId) => ({ moveId: ids[i]!.id, serialId })),
  );
  if (along.length > 0) await tx.insert(stockMoveSerial).values(along);
}

export interface ComponentStock {
  readonly name: string;
  readonly kind: string;
  readonly unitSize: number;
  readonly binId: string | null;
  readonly supplierId: string;
}

/** A component's facts for stores, with its ledger locked until the end of the change. */
export async function lockStock(tx: Tx, componentId: string): Promise<ComponentStock> {
  return one(
    await tx
      .select({
        name: component.name,
        kind: component.kind,
        unitSize: component.unitSize,
        binId: component.binId,
        supplierId: component.supplierId,
      })
      .from(component)
      .where(eq(component.id, componentId))
      .for('no key update'),
    'component',
  );
}

/** How much of a component is at a place, in ledger units. */
export async function quantityAt(tx: Tx, componentId: string, placeId: string): Promise<number> {
  const [row] = await tx
    .select({ quantity: stockBalance.quantity })
    .from(stockBalance)
    .where(and(eq(stockBalance.componentId, componentId), eq(stockBalance.placeId, placeId)));
  return row?.quantity ?? 0;
}

/** How many pieces at a place carry no number yet. */
export async function withoutNumber(tx: Tx, componentId: string, placeId: string): Promise<number> {
  const numbered = await tx.$count(
    serialItem,
    and(eq(serialItem.componentId, componentId), eq(serialItem.placeId, placeId)),
  );
  return (await quantityAt(tx, componentId, placeId)) - numbered;
}

interface NumberedThere {
  readonly id: string;
  readonly serial: string;
  readonly placeId: string;
  readonly partLineId: string | null;
  /** Taken apart at this moment, and not proved good. */
  readonly refurbished: boolean;
}

/** Numbered pieces of a component in bins. */
const numberedInBins = async (tx: Tx, componentId: string): Promise<NumberedThere[]> =>
  (
    await tx
      .select({
        id: serialItem.id,
        serial: serialItem.serial,
        placeId: serialItem.placeId,
        partLineId: serialItem.partLineId,
        refurbished: sql<boolean>`exists (select 1 from ${refurbishing} r where r.serial_id = ${serialItem.id} and r.state = 'open')`,
      })
      .from(serialItem)
      .innerJoin(stockPlace, eq(stockPlace.id, serialItem.placeId))
      .where(and(eq(serialItem.componentId, componentId), eq(stockPlace.kind, 'bin'), isNotNull(serialItem.placeId)))
      .orderBy(serialItem.serial)
  ).map((row) => ({ ...row, placeId: row.placeId! }));

export interface FromBins {
  readonly componentId: string;
  /** In ledger units. */
  readonly quantity: number;
  /** Numbers that were named for it, as typed or scanned. */
  readonly serials: readonly string[];
  /** The line it is for: numbers held for another are not taken. */
  readonly partLineId: string | null;
}

/** What is taken from each bin, with the numbers that go along. */
export type BinTaking = Taking & { readonly serialIds: readonly string[] };

const LISTED = 6;

/**
 * Which pieces leave which bins: those with the numbers that were named, numbers held for the line, and for the rest
 * pieces without a number. A number that nobody knows yet is written on a piece that had none.
 *
 * @throws RuleBroken where a number is elsewhere, held for another line or being refurbished, or where it must be said which
 */
export async function outOfBins(tx: Tx, wanted: FromBins): Promise<BinTaking[]> {
  const { name, binId, unitSize } = await lockStock(tx, wanted.componentId);
  const there = await numberedInBins(tx, wanted.componentId);
  const balances = await tx
    .select({ placeId: stockBalance.placeId, quantity: stockBalance.quantity })
    .from(stockBalance)
    .where(and(eq(stockBalance.componentId, wanted.componentId), eq(stockBalance.kind, 'bin')));
  const byWord = new Map(there.map((item) => [item.serial.toLowerCase(), item]));
  const picked: NumberedThere[] = [];
  const fresh: string[] = [];
  for (const serial of wanted.serials) {
    const known = byWord.get(serial.toLowerCase());
    if (known?.partLineId && known.partLineId !== wanted.partLineId)
      throw new RuleBroken(`${serial} is held for another job.`);
    if (known) picked.push(known);
    else fresh.push(serial);
  }
  if (wanted.serials.length === 0)
    picked.push(...there.filter((item) => item.partLineId === wanted.partLineId && item.partLineId));
  const apart = picked.find(({ refurbished }) => refurbished);
  if (apart) throw new RuleBroken(`${apart.serial} is being refurbished: it leaves stores once that is over.`);
  await refuseElsewhere(tx, wanted.componentId, fresh);
  const rest = wanted.quantity - picked.length;
  if (rest < 0) throw new RuleBroken(`${picked.length} numbers were named for ${wanted.quantity} of ${name}.`);
  const plain = balances.map(({ placeId, quantity }) => ({
    placeId,
    quantity: quantity - there.filter((item) => item.placeId === placeId).length,
  }));
  const plainThere = plain.reduce((sum, { quantity }) => sum + quantity, 0);
  if (fresh.length > plainThere)
    throw new RuleBroken(`${fresh[0]} is no number of ${name} in stores, and every piece there has a number.`);
  const takings = takeFrom(plain, rest, binId);
  if (!takings) {
    const open = there.filter((item) => item.partLineId === null && !item.refurbished && !picked.includes(item));
    const some = open.slice(0, LISTED).map(({ serial }) => serial);
    const more = open.length > some.length ? ` and ${open.length - some.length} more` : '';
    throw new RuleBroken(
      open.length > 0
        ? `Say which of ${name} it is: stores have ${some.join(', ')}${more}.`
        : `Stores do not have ${stockText(wanted.quantity, unitSize)} of ${name}.`,
    );
  }
  const known = new Map<string, { quantity: number; serialIds: string[] }>();
  const at = (placeId: string) =>
    known.get(placeId) ?? known.set(placeId, { quantity: 0, serialIds: [] }).get(placeId)!;
  for (const { id, placeId } of picked) {
    at(placeId).quantity++;
    at(placeId).serialIds.push(id);
  }
  for (const { placeId, quantity } of takings) {
    at(placeId).quantity += quantity;
    for (const serial of fresh.splice(0, quantity))
      at(placeId).serialIds.push(await newSerial(tx, { componentId: wanted.componentId, serial, origin: 'unknown' }));
  }
  return [...known].map(([placeId, taking]) => ({ placeId, ...taking }));
}

/**
 * Why these numbers cannot be of pieces out of bins, in a sentence; null where they can: those that are known lie in a bin
 * and are held for nobody, and there are pieces without a number for the others.
 */
export async function numbersProblem(tx: Tx, componentId: string, serials: readonly string[]): Promise<string | null> {
  const { name } = await lockStock(tx, componentId);
  const there = new Map((await numberedInBins(tx, componentId)).map((item) => [item.serial.toLowerCase(), item]));
  const known = await tx
    .select({ serial: serialItem.serial })
    .from(serialItem)
    .where(eq(serialItem.componentId, componentId));
  const all = new Set(known.map(({ serial }) => serial.toLowerCase()));
  const fresh = serials.filter((serial) => !all.has(serial.toLowerCase()));
  for (const serial of serials) {
    const item = there.get(serial.toLowerCase());
    if (!item && all.has(serial.toLowerCase())) return `${serial} is not in a bin.`;
    if (item?.partLineId) return `${serial} is held for a job.`;
    if (item?.refurbished) return `${serial} is being refurbished.`;
  }
  const [{ plain } = { plain: 0 }] = await tx
    .select({ plain: sql<number>`coalesce(sum(${stockBalance.quantity}), 0)::int - ${there.size}::int` })
    .from(stockBalance)
    .where(and(eq(stockBalance.componentId, componentId), eq(stockBalance.kind, 'bin')));
  return fresh.length > plain ? `${fresh[0]} is no number of ${name} in stores, and every piece there has one.` : null;
}

/** A number that is known but lies elsewhere cannot come out of a bin. */
async function refuseElsewhere(tx: Tx, componentId: string, serials: readonly string[]): Promise<void> {
  if (serials.length === 0) return;
  const lower = serials.map((serial) => serial.toLowerCase());
  const [taken] = await tx
    .select({ serial: serialItem.serial })
    .from(serialItem)
    .where(and(eq(serialItem.componentId, componentId), inArray(sql`lower(${serialItem.serial})`, lower)));
  if (taken) throw new RuleBroken(`${taken.serial} is not in a bin: look where it is now under By serial number.`);
}

export type NewSerial = Pick<typeof serialItem.$inferInsert, 'componentId' | 'serial' | 'origin'> &
  Partial<typeof serialItem.$inferInsert>;

/** Takes a number into the books; its place follows from the move it goes along with. */
export const newSerial = async (tx: Tx, item: NewSerial): Promise<string> =>
  made(await tx.insert(serialItem).values(item).returning({ id: serialItem.id })).id;
