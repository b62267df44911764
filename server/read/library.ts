import { count, sql } from 'drizzle-orm';
import type { LibraryComponent, LibraryData } from '../../contract/library.ts';
import { KINDS } from '../../core/component/kinds/index.ts';
import type { ComponentKind } from '../../core/component/sheets.ts';
import { VEHICLE_FUNCTIONS } from '../../core/fit/functions.ts';
import type { Db, Tx } from '../db/connect.ts';
import { component } from '../db/schema/index.ts';
import { componentsOf } from './components.ts';
import { HELD } from './heldStock.ts';
import { allKitRevisions } from './kitRevisions.ts';
import { namedVariants, REVISION_ENDING, variantsInUse, variantsOf } from './variants.ts';

/** So many of a kind to choose from, beyond what something stands on. */
const ENOUGH_OF_KIND = 40;
/** Of what Dajo chooses by itself by size: the shelf that figures choose from. */
const ENOUGH_TO_SIZE = 200;
const SIZED: readonly ComponentKind[] = ['cable', 'fuse', 'resistor', 'radiator', 'coolantPump', 'heater', 'dcdc'];
/** So many that cover a function, for its gaps. */
const ENOUGH_TO_COVER = 8;

export interface AtHand {
  readonly components: readonly LibraryComponent[];
  /** How many more of a kind there are. */
  readonly beyond: LibraryData['beyond'];
}

/**
 * The components at hand: those that a design, a kit, a parts list or an order names, what these need beside them or what
 * does instead, with the newest revision of each,
 * and of every kind and for every function so many more: what is in stock, and the cheapest, the workshop's own before lent
 * ones.
 */
export async function componentsAtHand(db: Db | Tx): Promise<AtHand> {
  const { rows } = await db.execute<{ id: string }>(sql`
    with stood_on as (
      select component_id as id from kit_line
      union select component_id from part_line
      union select component_id from order_line
      union select v #>> '{}' from design, jsonb_path_query(inputs, '$.** ? (@.type() == "string")') v
    ), named as (
      select id from stood_on
      union select unnest(alternatives) from component where id in (select id from stood_on)
      union select one ->> 'component'
        from component, jsonb_array_elements(case when jsonb_typeof(sheet -> 'companions') = 'array'
          then sheet -> 'companions' else '[]' end) one
        where id in (select id from stood_on)
    ), family as (
      select distinct regexp_replace(id, ${REVISION_ENDING}, '') as root from named
    ), kinds as (
      select kind, case when kind = any(${sql.param(SIZED)}::text[]) then ${ENOUGH_TO_SIZE}::int
        else ${ENOUGH_OF_KIND}::int end as enough
      from unnest(${sql.param(Object.keys(KINDS))}::text[]) kind
    ), in_stock as (
      select c.id, c.kind, row_number() over (
        partition by c.kind order by c.lent, (c.price_cents = 0), c.price_cents, c.id
      ) as place
      from component c left join (${HELD}) held on held.component_id = c.id
      where c.on_hand > 0 and c.on_hand / c.unit_size > coalesce(held.n, 0)
    )
    select id from named
    union select id from component
      where id like '%.r%' and regexp_replace(id, ${REVISION_ENDING}, '') in (select root from family)
    union select one.id from kinds, lateral (
      select id from component c where c.kind = kinds.kind
      order by lent, (price_cents = 0), price_cents, id limit kinds.enough
    ) one
    union select id from in_stock join kinds using (kind) where place <= enough
    union select one.id from unnest(${sql.param([...VEHICLE_FUNCTIONS])}::text[]) f, lateral (
      select id from component where covers @> array[f]
      order by (price_cents = 0), price_cents, id limit ${ENOUGH_TO_COVER}::int
    ) one`);
  const components = await componentsOf(
    db,
    rows.map(({ id }) => id),
  );
  const all = await db.select({ kind: component.kind, n: count() }).from(component).groupBy(component.kind);
  const here = new Map<string, number>();
  for (const { kind } of components) here.set(kind, (here.get(kind) ?? 0) + 1);
  const left = all.map(({ kind, n }) => [kind, n - (here.get(kind) ?? 0)] as const);
  return { components, beyond: Object.fromEntries(left.filter(([, n]) => n > 0)) };
}

/** Everything that is at hand to design and match with. */
export async function libraryAtHand(db: Db): Promise<LibraryData> {
  const [atHand, variants, models, kits] = await Promise.all([
    componentsAtHand(db),
    variantsInUse(db).then((ids) => variantsOf(db, ids)),
    namedVariants(db),
    allKitRevisions(db),
  ]);
  return { ...atHand, variants, models, kits };
}
