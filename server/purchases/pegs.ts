import { and, eq, inArray, sql } from 'drizzle-orm';
import type { Workshop } from '../../contract/workshop.ts';
import { isoDay } from '../../core/quantity/format.ts';
import { netItem } from '../../core/stores/needs.ts';
import type { Tx } from '../db/connect.ts';
import { job, partLine } from '../db/schema/index.ts';
import { netting } from '../read/netting.ts';
import type { StoredLine, StoredPurchase } from './lock.ts';

/** Locks a job until the end of the change. */
export type LockJob = (which: { readonly id: string }) => Promise<unknown>;

/**
 * Lines of jobs that wait for nothing yet and that this order covers by netting: they are on order from now on, due when
 * it comes. Answers the numbers of their jobs.
 */
export async function pegToOrder(
  tx: Tx,
  lockJob: LockJob,
  stored: StoredPurchase,
  lines: readonly StoredLine[],
  workshop: Workshop,
  today: string,
): Promise<string[]> {
  const touched = new Set<string>();
  for (const componentId of [...new Set(lines.map((line) => line.componentId))].sort()) {
    const net = await netting(tx, workshop, today, componentId);
    const [item] = net.items;
    if (!item) continue;
    const covered = netItem(item, net.today).covers.filter(({ ref, short }) => ref === stored.number && short === 0);
    const own = lines.find((line) => line.componentId === componentId)!;
    for (const { lineId, day } of covered.toSorted((a, b) => (a.lineId < b.lineId ? -1 : 1))) {
      const line = net.lines.get(lineId);
      if (!line?.jobId || line.state !== 'missing' || day === null) continue;
      await lockJob({ id: line.jobId });
      const done = await tx
        .update(partLine)
        .set({ state: 'ordered', due: isoDay(day), purchaseLineId: own.id, version: sql`${partLine.version} + 1` })
        .where(and(eq(partLine.id, lineId), eq(partLine.state, 'missing')))
        .returning({ id: partLine.id });
      if (done.length > 0) touched.add(line.number);
    }
  }
  return [...touched];
}

/** Locks the jobs whose lines wait for these, all in one order. */
async function lockJobsOf(tx: Tx, purchaseLineIds: readonly string[]): Promise<void> {
  await tx
    .select({ id: job.id })
    .from(job)
    .where(
      inArray(
        job.id,
        tx
          .select({ id: partLine.jobId })
          .from(partLine)
          .where(inArray(partLine.purchaseLineId, [...purchaseLineIds])),
      ),
    )
    .orderBy(job.id)
    .for('no key update');
}

/** Moves the due day of every line that waits for this one. Answers the numbers of their jobs. */
export async function moveDue(tx: Tx, purchaseLineId: string, due: string): Promise<string[]> {
  await lockJobsOf(tx, [purchaseLineId]);
  const moved = await tx
    .update(partLine)
    .set({ due, version: sql`${partLine.version} + 1` })
    .where(eq(partLine.purchaseLineId, purchaseLineId))
    .returning({ jobId: partLine.jobId });
  return numbersOf(
    tx,
    moved.map(({ jobId }) => jobId),
  );
}

/** Lines that wait for these are missing again: nothing comes for them. */
export async function unpeg(tx: Tx, purchaseLineIds: readonly string[]): Promise<string[]> {
  if (purchaseLineIds.length === 0) return [];
  await lockJobsOf(tx, purchaseLineIds);
  const freed = await tx
    .update(partLine)
    .set({ state: 'missing', due: null, purchaseLineId: null, version: sql`${partLine.version} + 1` })
    .where(inArray(partLine.purchaseLineId, [...purchaseLineIds]))
    .returning({ jobId: partLine.jobId });
  return numbersOf(
    tx,
    freed.map(({ jobId }) => jobId),
  );
}

export async function numbersOf(tx: Tx, jobIds: readonly string[]): Promise<string[]> {
  if (jobIds.length === 0) return [];
  const rows = await tx
    .select({ number: job.number })
    .from(job)
    .where(inArray(job.id, [...new Set(jobIds)]));
  return rows.map(({ number }) => number);
}
