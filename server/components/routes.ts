import { and, count, eq, sql } from 'drizzle-orm';
import { SHEET_SCHEMAS } from '../../contract/component.ts';
import { COMPONENT_KINDS, componentAddress, FIRST_OF_KIND, type FoundComponent } from '../../contract/components.ts';
import { jsonSchemaOf } from '../../contract/jsonSchema.ts';
import { KIND_NAME } from '../../core/component/kinds/index.ts';
import type { ComponentKind } from '../../core/component/sheets.ts';
import { componentCsv } from '../../wording/componentCsv.ts';
import type { Db } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { component, supplier } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { NotFound, Stale } from '../problems.ts';
import { addComponent, changeComponent, lockCatalogue } from '../read/catalogue.ts';
import { componentsOf, componentsOfKind } from '../read/components.ts';
import { sendCsv } from '../read/sendCsv.ts';

export const kindOf = (text: string): ComponentKind => {
  const kind = COMPONENT_KINDS.find((one) => one === text);
  if (!kind) throw new NotFound('kind of component');
  return kind;
};

/** More than this is not found but browsed. */
const MOST_FOUND = 30;

/** What answers to a word, in its name, number or supplier: of one kind, or of all. */
async function found(db: Db, text: string, kind: ComponentKind | null): Promise<FoundComponent[]> {
  const word = text.trim().toLowerCase();
  const rows = await db
    .select({
      id: component.id,
      name: component.name,
      kind: component.kind,
      supplier: supplier.name,
      partNumber: component.partNumber,
    })
    .from(component)
    .innerJoin(supplier, eq(supplier.id, component.supplierId))
    .where(
      and(
        sql`(position(${word} in ${component.find}) > 0 or position(${word} in lower(${supplier.name})) > 0)`,
        kind === null ? undefined : eq(component.kind, kind),
      ),
    )
    // What begins with the word comes first.
    .orderBy(sql`position(${word} in ${component.find}) <> 1`, component.name)
    .limit(MOST_FOUND);
  return rows.map((row) => ({ ...row, kind: row.kind as ComponentKind }));
}

export const componentEndpoints = [
  serve(componentAddress.counts, async ({ db }) => {
    const rows = await db.select({ kind: component.kind, n: count() }).from(component).groupBy(component.kind);
    return Object.fromEntries(rows.map(({ kind, n }) => [kind, n]));
  }),
  serve(componentAddress.firstOfKind, ({ db, params }) => componentsOfKind(db, kindOf(params.kind), FIRST_OF_KIND)),
  serve(componentAddress.ofKind, ({ db, params }) => componentsOfKind(db, kindOf(params.kind))),
  serve(componentAddress.one, async ({ db, params }) => one(await componentsOf(db, [params.component]), 'component')),
  serve(componentAddress.choose, ({ db, params }) => found(db, params.word, kindOf(params.kind))),
  serve(componentAddress.find, ({ db, params }) => found(db, params.word, null)),
  serve(componentAddress.add, ({ change, body }) =>
    change(async ({ tx, log }) => {
      await lockCatalogue(tx);
      const id = await addComponent(tx, body);
      await log({ what: `took ${body.name} into the library`, resource: 'component', id, after: body });
      return { id };
    }),
  ),
  serve(componentAddress.change, ({ change, params, body }) =>
    change(async ({ tx, log }) => {
      await lockCatalogue(tx);
      const stored = one(
        await tx.select().from(component).where(eq(component.id, params.component)).for('update'),
        'component',
      );
      const [before] = await componentsOf(tx, [stored.id]);
      if (stored.version !== body.version) throw new Stale(before);
      const { id, version, how } = await changeComponent(tx, stored, body.component);
      const { name } = body.component;
      const what = how === 'revision' ? `made a new revision of ${name}` : `changed ${name}`;
      await log({ what, resource: 'component', id, before, after: body.component });
      return { id, version };
    }),
  ),
  serve(componentAddress.table, async ({ db, params, res }) => {
    const kind = kindOf(params.kind);
    return sendCsv(res, `${kind}.csv`, componentCsv(kind, await componentsOfKind(db, kind)));
  }),
  serve(componentAddress.list, async ({ db, params, res }) => {
    const kind = kindOf(params.kind);
    const rows = (await componentsOfKind(db, kind)).map(({ free: _, lent: __, version: ___, ...own }) => own);
    res
      .type('application/json')
      .setHeader('Content-Disposition', `attachment; filename="${kind}.json"`)
      .send(`${JSON.stringify(rows, null, 2)}\n`);
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
