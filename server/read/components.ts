import { asc, eq, inArray, type SQL, sql } from 'drizzle-orm';
import type { LibraryComponent } from '../../contract/library.ts';
import { readComponent } from '../../core/component/readSheet.ts';
import type { Component, ComponentKind } from '../../core/component/sheets.ts';
import type { Db, Tx } from '../db/connect.ts';
import { component, supplier } from '../db/schema/index.ts';
import { HELD } from './heldStock.ts';

/** Components as the library has them, with what is free of each: on hand less what is held (see `HELD`). */
async function componentsWhere(db: Db | Tx, where: SQL | undefined, most?: number): Promise<LibraryComponent[]> {
  const query = db
    .select({
      component,
      supplier: supplier.name,
      free: sql<number>`(${component.onHand} / ${component.unitSize} - coalesce(held.n, 0))::int`,
    })
    .from(component)
    .innerJoin(supplier, eq(supplier.id, component.supplierId))
    .leftJoin(sql`(${HELD}) held`, sql`held.component_id = ${component.id}`)
    .where(where)
    .orderBy(asc(component.kind), asc(component.name));
  const rows = await (most === undefined ? query : query.limit(most));
  return rows.flatMap(({ component: stored, supplier: supplierName, free }) => {
    const {
      supplierId: _,
      find: __,
      foreign: ____,
      onHand: ___,
      unitSize,
      binId,
      reorderAt,
      reorderTo,
      lent,
      version,
      ...rest
    } = stored;
    const read = readComponent({ ...rest, supplier: supplierName });
    if ('component' in read) return [{ ...read.component, free, lent, version }];
    // One row that somebody spoiled by hand must not stop the shop: it is left out, and whoever looks after it is told.
    process.emitWarning(`component ${rest.id} is left out of the library: ${read.fault} is not what its kind says`);
    return [];
  });
}

/** The catalogue of one kind by name; the first of it where a number is given. */
export const componentsOfKind = (db: Db | Tx, kind: ComponentKind, most?: number): Promise<LibraryComponent[]> =>
  componentsWhere(db, eq(component.kind, kind), most);

/** The components of these ids; those there are. */
export const componentsOf = async (db: Db | Tx, ids: readonly string[]): Promise<LibraryComponent[]> =>
  ids.length === 0 ? [] : componentsWhere(db, inArray(component.id, [...new Set(ids)]));

export const libraryOf = async (db: Db | Tx, ids: readonly string[]): Promise<Map<string, Component>> =>
  new Map((await componentsOf(db, ids)).map((part) => [part.id, part]));
