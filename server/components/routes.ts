import { eq, like, sql } from 'drizzle-orm';
import { SHEET_SCHEMAS } from '../../contract/component.ts';
import { COMPONENT_KINDS, componentAddress } from '../../contract/components.ts';
import { jsonSchemaOf } from '../../contract/jsonSchema.ts';
import { KIND_NAME } from '../../core/component/kinds/index.ts';
import { changeOfComponent } from '../../core/component/revisions.ts';
import type { ComponentKind } from '../../core/component/sheets.ts';
import { nextRevision, revisionOf, rootOf } from '../../core/vehicle/revisions.ts';
import { componentCsv } from '../../wording/componentCsv.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { component, supplier } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, NotFound, RuleBroken, Stale } from '../problems.ts';
import { freeId } from '../read/freeId.ts';
import { allComponents } from '../read/library.ts';

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

const kindOf = (text: string): ComponentKind => {
  const kind = COMPONENT_KINDS.find((one) => one === text);
  if (!kind) throw new NotFound('kind of component');
  return kind;
};

/** Does a design, a kit or a job's list name it? */
async function isUsed(tx: Tx, id: string): Promise<boolean> {
  const { rows } = await tx.execute<{ used: boolean }>(sql`
    select exists (select 1 from design where inputs::text like ${`%"${id}"%`})
      or exists (select 1 from kit_line where component_id = ${id})
      or exists (select 1 from part_line where component_id = ${id}) as used`);
  return rows[0]?.used ?? false;
}

export const componentEndpoints = [
  serve(componentAddress.add, ({ change, body }) =>
    change(async ({ tx, log }) => {
      // One at a time: a name is taken by the first, and the next is told.
      await tx.execute(sql`select pg_advisory_xact_lock(4417028)`);
      const { supplier: supplierName, ...own } = body;
      const [same] = await tx
        .select({ id: component.id })
        .from(component)
        .where(sql`lower(${component.name}) = lower(${body.name})`);
      if (same) throw new BadInput({ name: 'The library has a component of this name.' });
      const supplierId = await supplierNamed(tx, supplierName);
      const id = await freeId(body.name, async (wanted) => (await tx.$count(component, eq(component.id, wanted))) > 0);
      await tx.insert(component).values({ ...own, id, supplierId });
      await log({ what: `took ${body.name} into the library`, resource: 'component', id, after: body });
      return { id };
    }),
  ),
  serve(componentAddress.change, ({ change, params, body }) =>
    change(async ({ tx, log }) => {
      await tx.execute(sql`select pg_advisory_xact_lock(4417028)`);
      const stored = one(
        await tx.select().from(component).where(eq(component.id, params.component)).for('update'),
        'component',
      );
      const before = (await allComponents(tx)).find((part) => part.id === stored.id);
      if (stored.version !== body.version) throw new Stale(before);
      const { supplier: supplierName, kind, ...own } = body.component;
      if (kind !== stored.kind)
        throw new BadInput({ 'component.kind': 'A component stays of its kind. Add another one.' });
      const [same] = await tx
        .select({ id: component.id })
        .from(component)
        .where(sql`lower(${component.name}) = lower(${own.name}) and ${component.id} <> ${stored.id}`);
      if (same) throw new BadInput({ 'component.name': 'The library has a component of this name.' });
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
      const how = changeOfComponent(stored, own, await isUsed(tx, stored.id));
      const version = stored.version + 1;
      const what = how === 'revision' ? `made a new revision of ${own.name}` : `changed ${own.name}`;
      let { id } = stored;
      if (how === 'over')
        await tx
          .update(component)
          .set({ ...own, supplierId, version })
          .where(eq(component.id, id));
      else {
        id = newest;
        const name = `${stored.name}, revision ${revisionOf(stored.id)}`;
        await tx.update(component).set({ name, version }).where(eq(component.id, stored.id));
        await tx.insert(component).values({ ...own, kind, id, supplierId, version });
      }
      await log({ what, resource: 'component', id, before, after: body.component });
      return { id, version };
    }),
  ),
  serve(componentAddress.table, async ({ db, params, res }) => {
    const kind = kindOf(params.kind);
    const rows = (await allComponents(db)).filter((one) => one.kind === kind);
    res
      .type('text/csv; charset=utf-8')
      .setHeader('Content-Disposition', `attachment; filename="${kind}.csv"`)
      .send(componentCsv(kind, rows));
    return undefined;
  }),
  serve(componentAddress.schema, async ({ params, res }) => {
    const kind = kindOf(params.kind);
    res
      .type('application/schema+json')
      .setHeader('Content-Disposition', `attachment; filename="${kind}.schema.json"`)
      .send(`${JSON.stringify(jsonSchemaOf(SHEET_SCHEMAS[kind], KIND_NAME[kind]), null, 2)}\n`);
    return undefined;
  }),
];
