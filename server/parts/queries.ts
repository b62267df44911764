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

/** What is on the shelf and promised to nobody: on hand less what other lines hold in stores. */
export async function freeStock(db: Db | Tx, componentId: string): Promise<number> {
  const { rows } = await db.execute<{ free: number }>(sql`
    select (c.on_hand - coalesce((select sum(quantity) from part_line where component_id = c.id and state = 'inStores'), 0))::int as free
    from component c where c.id = ${componentId} for update of c`);
  return rows[0]?.free ?? 0;
}
