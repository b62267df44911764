import { eq, inArray } from 'drizzle-orm';
import type { Tx } from '../db/connect.ts';
import { partLine, serialItem } from '../db/schema/index.ts';

type Line = typeof partLine.$inferSelect;

/**
 * Takes pieces out of a line that holds them. Their numbers go to another line, or to nobody; what stays is held on, and
 * what was taken is wanted again: as something else that is on its way, or missing.
 *
 * @param toLineId null: they lie free in their bin
 * @param instead what comes for the line now, where all of it was taken
 */
export async function takeFrom(
  tx: Tx,
  from: Line,
  quantity: number,
  toLineId: string | null,
  instead: Pick<Line, 'state' | 'due' | 'purchaseLineId'> | null = null,
): Promise<void> {
  const items = await tx.select().from(serialItem).where(eq(serialItem.partLineId, from.id)).limit(quantity);
  if (items.length > 0)
    await tx
      .update(serialItem)
      .set({ partLineId: toLineId })
      .where(
        inArray(
          serialItem.id,
          items.map(({ id }) => id),
        ),
      );
  const left = from.quantity - quantity;
  await tx
    .update(partLine)
    .set({
      quantity: left > 0 ? left : from.quantity,
      ...(left > 0 ? { state: 'inStores' as const } : (instead ?? { state: 'missing' as const })),
      version: from.version + 1,
    })
    .where(eq(partLine.id, from.id));
  if (left === 0) return;
  const { componentId, jobId, packedIn } = from;
  await tx.insert(partLine).values({ componentId, jobId, packedIn, from: from.from, quantity });
}
