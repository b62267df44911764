import { eq, like, sql } from 'drizzle-orm';
import type { NewComponent } from '../../contract/components.ts';
import { changeOfComponent } from '../../core/component/revisions.ts';
import { nextRevision, revisionOf, rootOf } from '../../core/vehicle/revisions.ts';
import type { Tx } from '../db/connect.ts';
import { component, supplier } from '../db/schema/index.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { freeId } from './freeId.ts';

export type StoredComponent = typeof component.$inferSelect;

/** Changes of the catalogue come one at a time: a name is taken by the first, and the next is told. */
export const lockCatalogue = (tx: Tx) => tx.execute(sql`select pg_advisory_xact_lock(4417028)`);

/** The supplier of a name, taken in where it is new. */
async function supplierNamed(tx: Tx, name: string): Promise<string> {
  const [known] = await tx
    .select({ id: supplier.id })
    .from(supplier)
    .where(sql`lower(${supplier.name}) = lower(${name})`);
  if (known) return known.id;
  const id = await freeId(name, async (wanted) => (await tx.$count(supplier, eq(supplier.id, wanted))) > 0);
  await tx.insert(supplier).values({ id, name });
  return id;
}

/** Does a design, a kit or a job's list name it? */
export async function isUsed(tx: Tx, id: string): Promise<boolean> {
  const { rows } = await tx.execute<{ used: boolean }>(sql`
    select exists (select 1 from design where inputs::text like ${`%"${id}"%`})
      or exists (select 1 from kit_line where component_id = ${id})
      or exists (select 1 from part_line where component_id = ${id}) as used`);
  return rows[0]?.used ?? false;
}

/** Refuses a name that another component has; `at` is the field it is said at. */
async function refuseSameName(tx: Tx, name: string, but: string | null, at: string): Promise<void> {
  const [same] = await tx
    .select({ id: component.id })
    .from(component)
    .where(sql`lower(${component.name}) = lower(${name}) and ${component.id} is distinct from ${but}`);
  if (same) throw new BadInput({ [at]: 'The library has a component of this name.' });
}

/** Takes a component into the library; answers its id. The catalogue is locked. */
export async function addComponent(tx: Tx, body: NewComponent): Promise<string> {
  const { supplier: supplierName, ...own } = body;
  await refuseSameName(tx, own.name, null, 'name');
  const supplierId = await supplierNamed(tx, supplierName);
  const id = await freeId(own.name, async (wanted) => (await tx.$count(component, eq(component.id, wanted))) > 0);
  await tx.insert(component).values({ ...own, id, supplierId });
  return id;
}

export interface ChangedComponent {
  readonly id: string;
  readonly version: number;
  readonly how: 'over' | 'revision';
}

/**
 * Changes a component: over the old row, or as a revision of its own where something stands on what is changed. The
 * catalogue is locked.
 */
export async function changeComponent(
  tx: Tx,
  stored: StoredComponent,
  { supplier: supplierName, kind, ...own }: NewComponent,
): Promise<ChangedComponent> {
  if (kind !== stored.kind) throw new BadInput({ 'component.kind': 'A component stays of its kind. Add another one.' });
  await refuseSameName(tx, own.name, stored.id, 'component.name');
  if (own.alternatives?.some((id) => rootOf(id) === rootOf(stored.id)))
    throw new BadInput({ 'component.alternatives': 'A component is no alternative to itself.' });
  const family = await tx
    .select({ id: component.id })
    .from(component)
    .where(like(component.id, `${rootOf(stored.id)}%`));
  const newest = nextRevision(
    stored.id,
    family.map((row) => row.id),
  );
  if (newest !== nextRevision(stored.id, [stored.id]))
    throw new RuleBroken('There is a newer revision of this component. Change that one.');
  const supplierId = await supplierNamed(tx, supplierName);
  const version = stored.version + 1;
  // Whether something stands on it is looked up only where it matters.
  const matters = changeOfComponent(stored, own, true) === 'revision';
  if (!matters || !(await isUsed(tx, stored.id))) {
    await tx
      .update(component)
      .set({ ...own, supplierId, version })
      .where(eq(component.id, stored.id));
    return { id: stored.id, version, how: 'over' };
  }
  const name = `${stored.name}, revision ${revisionOf(stored.id)}`;
  await tx.update(component).set({ name, version }).where(eq(component.id, stored.id));
  // Its bin, its levels and how it is counted go on with it; what is there stays of the revision it was bought in.
  const { unitSize, binId, reorderAt, reorderTo } = stored;
  await tx
    .insert(component)
    .values({ ...own, kind, id: newest, supplierId, version, unitSize, binId, reorderAt, reorderTo });
  await tx.update(component).set({ reorderAt: null, reorderTo: null }).where(eq(component.id, stored.id));
  return { id: newest, version, how: 'revision' };
}
