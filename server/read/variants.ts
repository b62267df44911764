import { asc, eq, inArray, sql } from 'drizzle-orm';
import type { AnyPgColumn } from 'drizzle-orm/pg-core';
import type { NamedVariant } from '../../contract/library.ts';
import type { Source } from '../../core/quantity/sourced.ts';
import { newestOnly, rootOf } from '../../core/vehicle/revisions.ts';
import type { Variant } from '../../core/vehicle/variant.ts';
import type { Db, Tx } from '../db/connect.ts';
import { bay, maker, model, mountingPoint, passThrough, variant } from '../db/schema/index.ts';

/** Rows of a table of a variant's own, by variant. */
function byVariant<R extends { readonly variantId: string }>(rows: readonly R[]): (id: string) => readonly R[] {
  const found = new Map<string, R[]>();
  for (const row of rows) {
    const known = found.get(row.variantId);
    if (known) known.push(row);
    else found.set(row.variantId, [row]);
  }
  return (id) => found.get(id) ?? [];
}

/** Variants with their points, bays and pass-throughs: all, or those of these ids. */
export async function variantsOf(db: Db | Tx, ids: readonly string[] | null = null): Promise<Variant[]> {
  if (ids?.length === 0) return [];
  const of = (column: AnyPgColumn) => (ids === null ? undefined : inArray(column, [...ids]));
  const rows = await db
    .select({
      ...{ id: variant.id, version: variant.version, name: variant.name, sheet: variant.sheet },
      ...{ modelName: model.name, makerName: maker.name },
    })
    .from(variant)
    .innerJoin(model, eq(model.id, variant.modelId))
    .innerJoin(maker, eq(maker.id, model.makerId))
    .where(of(variant.id))
    .orderBy(asc(variant.id));
  const points = byVariant(
    await db.select().from(mountingPoint).where(of(mountingPoint.variantId)).orderBy(asc(mountingPoint.name)),
  );
  const bays = byVariant(await db.select().from(bay).where(of(bay.variantId)).orderBy(asc(bay.xMm)));
  const passes = byVariant(
    await db.select().from(passThrough).where(of(passThrough.variantId)).orderBy(asc(passThrough.name)),
  );
  return rows.map(({ sheet, ...names }) => ({
    ...names,
    ...sheet,
    mountingPoints: points(names.id).map(({ id: _, variantId: __, ...p }) => ({ ...p, source: p.source as Source })),
    bays: bays(names.id).map(({ id: _, variantId: __, ...b }) => ({ ...b, source: b.source as Source })),
    passThroughs: passes(names.id).map(({ name, diameterMm, fromPlace, toPlace, usedFor }) => ({
      ...{ name, diameterMm, from: fromPlace, to: toPlace, usedFor },
    })),
  }));
}

/** One variant; none where the library does not have it. */
export const variantOf = async (db: Db | Tx, id: string): Promise<Variant | undefined> =>
  (await variantsOf(db, [id]))[0];

/** The names of every variant, the newest revision of each. */
export async function namedVariants(db: Db | Tx): Promise<NamedVariant[]> {
  const rows = await db
    .select({ id: variant.id, makerName: maker.name, modelName: model.name, name: variant.name })
    .from(variant)
    .innerJoin(model, eq(model.id, variant.modelId))
    .innerJoin(maker, eq(maker.id, model.makerId))
    .orderBy(asc(variant.id));
  return newestOnly(rows);
}

/** What is cut from an id to leave that of the first revision, for the database; as `rootOf` for the page. */
export const REVISION_ENDING = '\\.r[0-9]+$';

/** All revisions of one variant, whichever of them is named. */
export async function familyOf(db: Db | Tx, id: string): Promise<Variant[]> {
  const rows = await db
    .select({ id: variant.id })
    .from(variant)
    .where(sql`regexp_replace(${variant.id}, ${REVISION_ENDING}, '') = ${rootOf(id)}`);
  return variantsOf(
    db,
    rows.map((row) => row.id),
  );
}

/** Ids of all revisions of the variants that a vehicle or an order is of. */
export async function variantsInUse(db: Db | Tx): Promise<string[]> {
  const { rows } = await db.execute<{ id: string }>(sql`
    select id from variant where regexp_replace(id, ${REVISION_ENDING}, '') in (
      select regexp_replace(variant_id, ${REVISION_ENDING}, '') from vehicle
      union select regexp_replace(variant_id, ${REVISION_ENDING}, '') from kit_order)`);
  return rows.map(({ id }) => id);
}
