import { and, eq, inArray, sql } from 'drizzle-orm';
import type { JobState } from '../../core/job/states.ts';
import type { Tx } from '../db/connect.ts';
import { partLine, serialItem } from '../db/schema/index.ts';

/**
 * A job that is over holds nothing any more: what lies in a bin for it is anybody's, and of a cancelled one what is on order
 * too. What was picked lies in its box until somebody puts it back.
 */
export async function releaseParts(tx: Tx, jobId: string, state: JobState): Promise<void> {
  if (state !== 'handedOver' && state !== 'cancelled') return;
  const freed = await tx
    .update(partLine)
    .set({ state: 'missing', due: null, purchaseLineId: null, version: sql`${partLine.version} + 1` })
    .where(
      and(
        eq(partLine.jobId, jobId),
        inArray(partLine.state, state === 'cancelled' ? ['inStores', 'ordered'] : ['inStores']),
      ),
    )
    .returning({ id: partLine.id });
  if (freed.length > 0)
    await tx
      .update(serialItem)
      .set({ partLineId: null })
      .where(
        inArray(
          serialItem.partLineId,
          freed.map(({ id }) => id),
        ),
      );
}
