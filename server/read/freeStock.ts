import { eq, sql } from 'drizzle-orm';
import type { Tx } from '../db/connect.ts';
import { component } from '../db/schema/index.ts';
import { HELD } from './heldStock.ts';

/**
 * What is on the shelf and promised to nobody: on hand less what is held (see `HELD`). The component is locked first
 * and counted after, in a statement of its own: in one statement the count would be from before the wait for the lock.
 */
export async function freeStockLocked(tx: Tx, componentId: string): Promise<number> {
  await tx.select({ id: component.id }).from(component).where(eq(component.id, componentId)).for('no key update');
  const { rows } = await tx.execute<{ free: number }>(sql`
    select (c.on_hand / c.unit_size - coalesce((select n from (${HELD}) held where held.component_id = c.id), 0))::int as free
    from component c where c.id = ${componentId}`);
  return rows[0]?.free ?? 0;
}
