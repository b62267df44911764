import { sql } from 'drizzle-orm';
import type { LibraryComponent, LibraryData } from '../../contract/library.ts';
import type { ComponentKind } from '../../core/component/sheets.ts';
import type { Db, Tx } from '../db/connect.ts';
import { componentsOf } from './components.ts';
import { HELD } from './heldStock.ts';
import { allKitRevisions } from './kitRevisions.ts';
import { namedVariants, REVISION_ENDING, variantsInUse, variantsOf } from './variants.ts';

/** So many of a kind to choose from, beyond what something stands on. */
const ENOUGH_OF_KIND = 60;
/** Of what Dajo chooses by itself by size: cables, fuses, resistors and radiators. */
const ENOUGH_TO_SIZE = 300;
const SIZED: readonly ComponentKind[] = ['cable', 'fuse', 'resistor', 'radiator'];
/** So many that cover a function, for its gaps. */
const ENOUGH_TO_COVER = 12;

export interface AtHand {
  readonly components: readonly LibraryComponent[];
  /** How many more of a kind there are. */
  readonly beyond: LibraryData['beyond'];
}

/**
 * The components at hand: those that a design, a kit, a parts list or an order names, what these need beside them or what
 * does instead, with the newest revision of each,
 * and of every kind and for every function so many more: what is in stock first, the workshop's own before lent ones,
 * then the cheapest.
 */
export async function componentsAtHand(db: Db | Tx): Promise<AtHand> {
  const { rows } = await db.execute<{ id: string | null; kind: ComponentKind; left: number }>(sql`
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
    ), ranked as (
      select c.id, c.kind, c.covers, c.price_cents,
        row_number() over (
          partition by c.kind
          order by (c.on_hand > coalesce(held.n, 0)) desc, c.lent, c.price_cents = 0, c.price_cents, c.id
        ) as place
      from component c left join (${HELD}) held on held.component_id = c.id
    ), closing as (
      select id from (
        select id, row_number() over (partition by f order by price_cents = 0, price_cents, id) as place
        from ranked, unnest(covers) f
      ) by_function where place <= ${ENOUGH_TO_COVER}::int
    ), chosen as (
      select id, kind from ranked where place <= case when kind in ${SIZED} then ${ENOUGH_TO_SIZE}::int else ${ENOUGH_OF_KIND}::int end
        or id in (select id from named)
        or id in (select id from closing)
        or (id like '%.r%' and regexp_replace(id, ${REVISION_ENDING}, '') in (select root from family))
    )
    select id, kind, 0 as left from chosen
    union all
    select null, kind, count(*)::int - (select count(*)::int from chosen where chosen.kind = ranked.kind)
      from ranked group by kind`);
  const components = await componentsOf(
    db,
    rows.flatMap(({ id }) => (id === null ? [] : [id])),
  );
  const beyond = Object.fromEntries(
    rows.flatMap(({ id, kind, left }) => (id === null && left > 0 ? [[kind, left] as const] : [])),
  );
  return { components, beyond };
}

/** Everything that is at hand to design and match with. */
export async function libraryAtHand(db: Db | Tx): Promise<LibraryData> {
  return {
    ...(await componentsAtHand(db)),
    variants: await variantsOf(db, await variantsInUse(db)),
    models: await namedVariants(db),
    kits: await allKitRevisions(db),
  };
}
