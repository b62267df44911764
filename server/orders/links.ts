import { eq } from 'drizzle-orm';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { kitOrder, orderLink } from '../db/schema/index.ts';
import { openLink } from '../read/secretWord.ts';

/** The order an open link leads to; refused once it was revoked or has run out. */
export async function orderOfLink(db: Db | Tx, token: string, now: Date): Promise<{ id: string; number: string }> {
  const link = await openLink(db, orderLink, token, now);
  const rows = await db
    .select({ id: kitOrder.id, number: kitOrder.number })
    .from(orderLink)
    .innerJoin(kitOrder, eq(kitOrder.id, orderLink.orderId))
    .where(eq(orderLink.id, link));
  return one(rows, 'order');
}
