import { eq } from 'drizzle-orm';
import type { AllocationChoice, TakeBody } from '../../contract/needs.ts';
import type { Workshop } from '../../contract/workshop.ts';
import type { Change } from '../change.ts';
import { made, one } from '../db/one.ts';
import { orderLine, partLine, stockTaken } from '../db/schema/index.ts';
import { lockOrder } from '../orders/lock.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { lockStock } from '../read/stock.ts';
import { needSheet } from './needs.ts';
import { takeFrom } from './takeFrom.ts';

/** The day a choice has a line's job, or kit, ready. */
export const dayIn = (choice: AllocationChoice | undefined, lineId: string): string | null =>
  choice?.outcomes.find((outcome) => outcome.lineId === lineId)?.readyOn ?? null;

interface Given {
  readonly order: string;
  readonly byId: string;
  readonly workshop: Workshop;
  readonly today: string;
}

/**
 * Frees what a job holds for a kit that is being packed: it lies in its bin for whoever counts it into the crate. The job
 * waits for the next; both days before and after are kept.
 */
export async function freeForKit(
  { tx, log, job: lock }: Pick<Change, 'tx' | 'log' | 'job'>,
  body: TakeBody,
  { order: number, byId, workshop, today }: Given,
): Promise<{ id: string }> {
  const lineOf = async () =>
    one(await tx.select().from(partLine).where(eq(partLine.id, body.fromLineId)), 'line of a parts list');
  // Job, then order, then stock: as everybody else takes them.
  const job = await lock({ id: (await lineOf()).jobId });
  const order = await lockOrder(tx, number, { states: ['ordered'], what: 'packed' });
  const from = await lineOf();
  const to = one(await tx.select().from(orderLine).where(eq(orderLine.id, body.toLineId)), 'line of the pick list');
  const { name } = await lockStock(tx, from.componentId);
  if (to.componentId !== from.componentId) throw new BadInput({ fromLineId: 'The lines are of different parts.' });
  if (from.state !== 'inStores')
    throw new RuleBroken(`${name} is not held for that job any more. Look again, then decide.`);
  const wanted = to.pieces - (to.firstPieces ?? 0);
  if (wanted === 0) throw new RuleBroken('The kit has its pieces already. Look again, then decide.');
  if (wanted > from.quantity) throw new RuleBroken(`That job holds ${from.quantity} of ${name}; ${wanted} are wanted.`);
  const sheet = await needSheet(tx, workshop, today, from.componentId);
  const after = sheet.choices.find(({ lineId }) => lineId === to.id);
  const before = sheet.choices.find(({ lineId }) => lineId === from.id);
  const [toAfter, fromAfter] = [dayIn(after, to.id), dayIn(after, from.id)];
  if (toAfter !== body.toReadyOn || fromAfter !== body.fromReadyOn)
    throw new RuleBroken('The days have moved since you looked. Look again, then decide.');
  await takeFrom(tx, from, wanted, null);
  const days = { fromBefore: dayIn(before, from.id), fromAfter, toBefore: dayIn(before, to.id), toAfter };
  const row = made(
    await tx
      .insert(stockTaken)
      .values({
        ...{ componentId: from.componentId, fromJobId: job.id, toOrderId: order.id, quantity: wanted },
        ...{ why: body.why, byId, ...days },
      })
      .returning(),
  );
  const what = `freed ${wanted} of ${name} for ${number}: ${body.why}`;
  await log({ what, resource: 'stock', id: row.id, job: job.number, after: row });
  return { id: row.id };
}
