import { and, eq } from 'drizzle-orm';
import type { StoredJob } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { addition, offer } from '../db/schema/index.ts';
import { RuleBroken } from '../problems.ts';

/** The offer of a job that its client has accepted; none while nothing is agreed. */
export async function agreedOffer(db: Db | Tx, jobId: string): Promise<typeof offer.$inferSelect | undefined> {
  const [row] = await db
    .select()
    .from(offer)
    .where(and(eq(offer.jobId, jobId), eq(offer.state, 'accepted')));
  return row;
}

const pricedFirst = (job: StoredJob, number: number, what: string) =>
  new RuleBroken(`${job.number} is agreed by offer ${number}: ${what} is priced as a change under Price first.`);

/** Nothing of a wish is built before it is agreed: another design is refused unless an accepted change names it. */
export async function refuseUnagreedDesign(tx: Tx, job: StoredJob, designId: string): Promise<void> {
  const agreed = await agreedOffer(tx, job.id);
  if (!agreed || designId === job.chosenDesignId) return;
  const [named] = await tx
    .select({ id: addition.id })
    .from(addition)
    .where(and(eq(addition.jobId, job.id), eq(addition.state, 'accepted'), eq(addition.designId, designId)));
  if (!named) throw pricedFirst(job, agreed.number, 'another design');
}

/** The kit that was sold stays: another revision or other options are refused unless they are what the job has. */
export async function refuseUnagreedKit(
  tx: Tx,
  job: StoredJob,
  wanted: { readonly kitRevisionId: string | null; readonly kitOptions: readonly string[] },
): Promise<void> {
  const agreed = await agreedOffer(tx, job.id);
  if (!agreed) return;
  const same =
    wanted.kitRevisionId === job.kitRevisionId &&
    [...wanted.kitOptions].sort().join() === [...job.kitOptions].sort().join();
  if (!same) throw pricedFirst(job, agreed.number, 'another kit');
}
