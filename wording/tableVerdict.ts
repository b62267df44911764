import equal from 'fast-deep-equal';
import { componentSchemaOf, type NewComponent } from '../contract/components.ts';
import type { Component } from '../core/component/sheets.ts';
import { newestOnly } from '../core/vehicle/revisions.ts';
import type { TableRow } from './componentTable.ts';
import { type DifferenceRow, differences, type Shown } from './differences.ts';

/** What a row of a file would do to the library. */
export type TableVerdict = 'new' | 'changed' | 'alike' | 'fault';

/** A stored component as the form of it: what is compared with a row. */
export const formOf = (one: Component): NewComponent => ({
  kind: one.kind,
  name: one.name,
  supplier: one.supplier,
  massKg: one.massKg,
  lengthMm: one.lengthMm,
  widthMm: one.widthMm,
  heightMm: one.heightMm,
  priceCents: one.priceCents,
  leadDays: one.leadDays,
  partNumber: one.partNumber ?? '',
  pricedOn: one.pricedOn ?? null,
  alternatives: [...(one.alternatives ?? [])],
  covers: [...one.covers] as NewComponent['covers'],
  highVoltage: one.highVoltage,
  sheet: one.sheet as unknown as Record<string, unknown>,
});

/** What a supplier calls a component; none without a number. */
const numberOf = ({ supplier, partNumber }: Pick<Component, 'supplier' | 'partNumber'>): string | null =>
  partNumber ? `${partNumber}\n${supplier}`.toLowerCase() : null;

/** Finds what a row means: by its id, else by its name whatever its capitals, else by its supplier's own number. */
export function finder<C extends Component>(components: Iterable<C>): (row: TableRow) => C | null {
  const byId = new Map<string, C>();
  const byName = new Map<string, C>();
  const all = [...components];
  for (const one of all) {
    byId.set(one.id, one);
    byName.set(one.name.toLowerCase(), one);
  }
  // Two that share a number are told apart by name alone; revisions of one are one.
  const byNumber = new Map<string, C | null>();
  for (const one of newestOnly(all)) {
    const number = numberOf(one);
    if (number !== null) byNumber.set(number, byNumber.has(number) ? null : one);
  }
  return ({ id, name, component }) => {
    const number = component && numberOf(component);
    return (
      (id === null ? null : byId.get(id)) ??
      byName.get(name.toLowerCase()) ??
      (number === null ? null : byNumber.get(number)) ??
      null
    );
  };
}

/** What a row would do, against what the library has of it. */
export function verdictOf(row: TableRow, stored: Component | null): TableVerdict {
  if (row.component === null) return 'fault';
  if (stored === null) return 'new';
  return equal(formOf(stored), row.component) ? 'alike' : 'changed';
}

/** What a row changes, field by field. */
export const changesOf = (row: TableRow, stored: Component, shown: Shown): readonly DifferenceRow[] =>
  row.component === null ? [] : differences(componentSchemaOf(stored.kind), [formOf(stored), row.component], shown);
