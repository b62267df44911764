import { createHash } from 'node:crypto';
import { and, eq, gt, isNull, sql } from 'drizzle-orm';
import type { Db, Tx } from '../db/connect.ts';
import { kitOrder, orderLink } from '../db/schema/index.ts';
import { ProblemError } from '../problems.ts';

/** Only the hash is kept: who reads the database cannot open the page. */
export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

const gone = () =>
  new ProblemError('notFound', 'This page has been closed or has run out. Ask the workshop for a new link.');

/** How often the last use of a link is written down: not at every look. */
const USED_EVERY_MS = 60_000;

/** The order an open link leads to; refused once it was revoked or has run out. */
export async function orderOfLink(db: Db | Tx, token: string, now: Date): Promise<{ id: string; number: string }> {
  if (!/^[A-Za-z0-9_-]{32}$/.test(token)) throw gone();
  const [row] = await db
    .select({ id: kitOrder.id, number: kitOrder.number, link: orderLink.id, lastUsedAt: orderLink.lastUsedAt })
    .from(orderLink)
    .innerJoin(kitOrder, eq(kitOrder.id, orderLink.orderId))
    .where(and(eq(orderLink.tokenHash, hashOf(token)), isNull(orderLink.revokedAt), gt(orderLink.until, now)));
  if (!row) throw gone();
  if (!row.lastUsedAt || now.getTime() - row.lastUsedAt.getTime() > USED_EVERY_MS)
    await db.execute(sql`update order_link set last_used_at = ${now.toISOString()} where id = ${row.link}`);
  return { id: row.id, number: row.number };
}
