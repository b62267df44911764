import { createHash } from 'node:crypto';
import { and, eq, gt, isNull, sql } from 'drizzle-orm';
import type { Db, Tx } from '../db/connect.ts';
import type { clientLink, orderLink } from '../db/schema/index.ts';
import { ProblemError } from '../problems.ts';

/** Only the hash is kept: who reads the database cannot open the page. */
export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Has a word the form of one? What has not is looked up nowhere. */
export const isWord = (token: string): boolean => /^[A-Za-z0-9_-]{32}$/.test(token);

export const linkGone = () =>
  new ProblemError('notFound', 'This page has been closed or has run out. Ask the workshop for a new link.');

/** How often the last use of a link is written down: not at every look. */
const USED_EVERY_MS = 60_000;

/**
 * Which link of a table a word opens; refused once it was revoked or has run out. Its use is written down.
 *
 * @throws ProblemError `notFound`, which says the same of a word that never was
 */
export async function openLink<T extends typeof clientLink | typeof orderLink>(
  db: Db | Tx,
  table: T,
  token: string,
  now: Date,
): Promise<string> {
  if (!isWord(token)) throw linkGone();
  const open = and(eq(table.tokenHash, hashOf(token)), isNull(table.revokedAt), gt(table.until, now));
  const { id, lastUsedAt } = table;
  const [link] = await db
    .select({ id, lastUsedAt })
    .from(table as typeof clientLink)
    .where(open);
  if (!link) throw linkGone();
  if (!link.lastUsedAt || now.getTime() - link.lastUsedAt.getTime() > USED_EVERY_MS)
    await db.execute(sql`update ${table} set last_used_at = ${now.toISOString()} where id = ${link.id}`);
  return link.id;
}
