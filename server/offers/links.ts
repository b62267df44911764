import { eq } from 'drizzle-orm';
import type { StoredJob } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { clientLink, job } from '../db/schema/index.ts';
import { openLink } from '../read/secretWord.ts';

/** The job an open link leads to; refused once it was revoked or has run out. */
export async function jobOfLink(db: Db | Tx, token: string, now: Date): Promise<StoredJob> {
  const link = await openLink(db, clientLink, token, now);
  const rows = await db
    .select({ job })
    .from(clientLink)
    .innerJoin(job, eq(job.id, clientLink.jobId))
    .where(eq(clientLink.id, link));
  return one(rows, 'job').job;
}
