import { asc, eq, sql } from 'drizzle-orm';
import type { PartLine } from '../../contract/parts.ts';
import type { Db, Tx } from '../db/connect.ts';
import { component, partLine, person } from '../db/schema/index.ts';

export async function partsOfJob(db: Db | Tx, jobId: string): Promise<PartLine[]> {
  const rows = await db
    .select({ line: partLine, fittedBy: person.name })
    .from(partLine)
    .innerJoin(component, eq(component.id, partLine.componentId))
    .leftJoin(person, eq(person.id, partLine.fittedById))
    .where(eq(partLine.jobId, jobId))
    .orderBy(asc(partLine.packedIn), asc(component.name));
  return rows.map(({ line: { jobId: _, fittedById: __, fittedAt, ...rest }, fittedBy }) => ({
    ...rest,
    fittedBy,
    fittedAt: fittedAt?.toISOString() ?? null,
  }));
}

/**
 * What is on the shelf and promised to nobody: on hand less what lines hold in stores. The component is locked first
 * and counted after, in a statement of its own: in one statement the count would be from before the wait for the lock.
 */
export async function freeStockLocked(tx: Tx, componentId: string): Promise<number> {
  await tx.select({ id: component.id }).from(component).where(eq(component.id, componentId)).for('no key update');
  const { rows } = await tx.execute<{ free: number }>(sql`
    select (c.on_hand - coalesce((select sum(quantity) from part_line where component_id = c.id and state = 'inStores'), 0))::int as free
    from component c where c.id = ${componentId}`);
  return rows[0]?.free ?? 0;
}
