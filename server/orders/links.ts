import { and, eq, gt, isNull, sql } from 'drizzle-orm';
import type { Db, Tx } from '../db/connect.ts';
import { kitOrder, orderLink } from '../db/schema/index.ts';
import { hashOf, isWord, linkGone, USED_EVERY_MS } from '../read/secretWord.ts';

/** The order an open link leads to; refused once it was revoked or has run out. */
export async function orderOfLink(db: Db | Tx, token: string, now: Date): Promise<{ id: string; number: string }> {
  if (!isWord(token)) throw linkGone();
  const [row] = await db
    .select({ id: kitOrder.id, number: kitOrder.number, link: orderLink.id, lastUsedAt: orderLink.lastUsedAt })
    .from(orderLink)
    .innerJoin(kitOrder, eq(kitOrder.id, orderLink.orderId))
    .where(and(eq(orderLink.tokenHash, hashOf(token)), isNull(orderLink.revokedAt), gt(orderLink.until, now)));
  if (!row) throw linkGone();
  if (!row.lastUsedAt || now.getTime() - row.lastUsedAt.getTime() > USED_EVERY_MS)
    await db.execute(sql`update order_link set last_used_at = ${now.toISOString()} where id = ${row.link}`);
  return { id: row.id, number: row.number };
}
