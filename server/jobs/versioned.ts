import { eq } from 'drizzle-orm';
import type { Change, StoredJob } from '../change.ts';
import { made } from '../db/one.ts';
import { job } from '../db/schema/index.ts';
import { Stale } from '../problems.ts';

/** Changes a job made from a known version; a stale version is answered with what is stored now. */
export async function changeJob(
  { tx, job: lock }: Change,
  number: string,
  version: number,
  decide: (before: StoredJob) => Partial<StoredJob> | Promise<Partial<StoredJob>>,
): Promise<{ before: StoredJob; after: StoredJob }> {
  const before = await lock({ number });
  if (before.version !== version) throw new Stale(before);
  const set = await decide(before);
  const after = made(
    await tx
      .update(job)
      .set({ ...set, version: version + 1 })
      .where(eq(job.id, before.id))
      .returning(),
  );
  return { before, after };
}
