import { and, eq, sql } from 'drizzle-orm';
import type { Tx } from '../db/connect.ts';
import { job } from '../db/schema/index.ts';
import { stale } from '../problems.ts';
import { jobByNumber } from './queries.ts';

type JobRowStored = Awaited<ReturnType<typeof jobByNumber>>;

/** Changes a job made from a known version; a stale version is answered with what is stored now. */
export async function changeJob(
  tx: Tx,
  number: string,
  version: number,
  set: Partial<JobRowStored>,
): Promise<{ before: JobRowStored; after: JobRowStored }> {
  const before = await jobByNumber(tx, number);
  const [after] = await tx
    .update(job)
    .set({ ...set, version: sql`${job.version} + 1` })
    .where(and(eq(job.id, before.id), eq(job.version, version)))
    .returning();
  if (!after) throw stale(await jobByNumber(tx, number));
  return { before, after };
}
