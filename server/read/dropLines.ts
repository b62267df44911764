import { inArray } from 'drizzle-orm';
import type { Tx } from '../db/connect.ts';
import { partLine, serialItem } from '../db/schema/index.ts';

/** Drops lines of a parts list that nobody has ordered or begun; numbers they were held by are anybody's again. */
export async function dropLines(tx: Tx, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  await tx
    .update(serialItem)
    .set({ partLineId: null })
    .where(inArray(serialItem.partLineId, [...ids]));
  await tx.delete(partLine).where(inArray(partLine.id, [...ids]));
}
