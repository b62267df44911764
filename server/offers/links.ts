import { and, eq, gt, isNull, sql } from 'drizzle-orm';
import type { Db, Tx } from '../db/connect.ts';
import { clientLink, job } from '../db/schema/index.ts';
import { hashOf, isWord, linkGone, USED_EVERY_MS } from '../read/secretWord.ts';

/** The job an open link leads to; refused once it was revoked or has run out. */
export async function jobOfLink(db: Db | Tx, token: string, now: Date): Promise<typeof job.$inferSelect> {
  if (!isWord(token)) throw linkGone();
  const [row] = await db
    .select({ job, link: clientLink.id, lastUsedAt: clientLink.lastUsedAt })
    .from(clientLink)
    .innerJoin(job, eq(job.id, clientLink.jobId))
    .where(and(eq(clientLink.tokenHash, hashOf(token)), isNull(clientLink.revokedAt), gt(clientLink.until, now)));
  if (!row) throw linkGone();
  if (!row.lastUsedAt || now.getTime() - row.lastUsedAt.getTime() > USED_EVERY_MS)
    await db.execute(sql`update client_link set last_used_at = ${now.toISOString()} where id = ${row.link}`);
  return row.job;
}
