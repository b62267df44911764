import { and, eq, inArray, notInArray, sql } from 'drizzle-orm';
import type { MoveKind } from '../../core/stores/ledger.ts';
import type { GoodsMove, PartPlace } from '../../core/stores/partMove.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { job, type partLine, serialItem } from '../db/schema/index.ts';
import { RuleBroken } from '../problems.ts';
import { binFor, book, lockStock, newSerial, outOfBins, placeOf, quantityAt } from '../read/stock.ts';

const KIND: Readonly<Record<PartPlace, Partial<Record<PartPlace, MoveKind>>>> = {
  supplier: { bin: 'received' },
  bin: { job: 'picked', vehicle: 'fitted' },
  job: { bin: 'putBack', vehicle: 'fitted' },
  vehicle: { bin: 'takenOut', job: 'takenOut' },
};

interface Moved {
  readonly line: typeof partLine.$inferSelect;
  readonly goods: GoodsMove;
  /** Numbers that were named with it. */
  readonly serials: readonly string[];
  /** Of the job. */
  readonly number: string;
  readonly byId: string;
  readonly at: Date;
}

/** Books what a line's change of state does to its pieces, and which numbers they carry. */
export async function moveGoods(tx: Tx, { line, goods, serials, number, byId, at }: Moved): Promise<void> {
  const { componentId, jobId } = line;
  const { name, unitSize, supplierId } = await lockStock(tx, componentId);
  const quantity = line.quantity * unitSize;
  const { vehicleId } = one(await tx.select({ vehicleId: job.vehicleId }).from(job).where(eq(job.id, jobId)), 'job');
  const placeId = (place: PartPlace) =>
    place === 'supplier'
      ? placeOf(tx, 'supplier', supplierId)
      : place === 'bin'
        ? binFor(tx, componentId)
        : place === 'job'
          ? placeOf(tx, 'job', jobId)
          : placeOf(tx, 'vehicle', vehicleId);
  const toId = await placeId(goods.to);
  const move = {
    ...{ kind: KIND[goods.from][goods.to]!, componentId, toId, partLineId: line.id, byId, at },
    note: number,
  };
  const goneAlong: string[] = [];
  if (goods.from === 'bin') {
    for (const taking of await outOfBins(tx, { componentId, quantity, serials, partLineId: line.id })) {
      await book(tx, { ...move, fromId: taking.placeId, quantity: taking.quantity, serialIds: taking.serialIds });
      goneAlong.push(...taking.serialIds);
    }
  } else {
    const fromId = await placeId(goods.from);
    if (goods.from !== 'supplier' && (await quantityAt(tx, componentId, fromId)) < quantity)
      throw new RuleBroken(`${quantity / unitSize} of ${name} are not there any more: somebody has moved them since.`);
    const there = await numbersOf(tx, line.id, fromId);
    goneAlong.push(...there.map(({ id }) => id), ...(await freshNumbers(tx, line, serials, there, goods.from)));
    if (goneAlong.length > line.quantity)
      throw new RuleBroken(`${goneAlong.length} numbers for ${line.quantity} pieces: leave some out.`);
    await book(tx, { ...move, fromId, quantity, serialIds: goneAlong });
  }
  // Others were named than those it held: these are anybody's again.
  if (goods.from === 'bin')
    await tx
      .update(serialItem)
      .set({ partLineId: null })
      .where(and(eq(serialItem.partLineId, line.id), notInArray(serialItem.id, goneAlong)));
  if (goneAlong.length > 0)
    await tx.update(serialItem).set({ partLineId: line.id }).where(inArray(serialItem.id, goneAlong));
}

/** Numbers of a line that are at a place. */
const numbersOf = (tx: Tx, lineId: string, placeId: string) =>
  tx
    .select({ id: serialItem.id, serial: serialItem.serial })
    .from(serialItem)
    .where(and(eq(serialItem.partLineId, lineId), eq(serialItem.placeId, placeId)));

/** Numbers that are named for the first time, on pieces that had none: they came in or lay in the job's box. */
async function freshNumbers(
  tx: Tx,
  { componentId }: typeof partLine.$inferSelect,
  serials: readonly string[],
  there: readonly { readonly serial: string }[],
  from: PartPlace,
): Promise<string[]> {
  const known = new Set(there.map(({ serial }) => serial.toLowerCase()));
  const fresh = serials.filter((serial) => !known.has(serial.toLowerCase()));
  if (fresh.length === 0) return [];
  const [taken] = await tx
    .select({ serial: serialItem.serial })
    .from(serialItem)
    .where(
      and(
        eq(serialItem.componentId, componentId),
        inArray(
          sql`lower(${serialItem.serial})`,
          fresh.map((one) => one.toLowerCase()),
        ),
      ),
    );
  if (taken) throw new RuleBroken(`${taken.serial} is in the books already: a number is one thing's.`);
  const ids: string[] = [];
  for (const serial of fresh)
    ids.push(await newSerial(tx, { componentId, serial, origin: from === 'supplier' ? 'delivery' : 'unknown' }));
  return ids;
}
