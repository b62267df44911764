import { cellText, columnsOf, type SheetColumn, valueAt } from '../core/component/cells.ts';
import { KINDS } from '../core/component/kinds/index.ts';
import type { Component, ComponentBase, ComponentKind } from '../core/component/sheets.ts';
import type { QuantityKind } from '../core/quantity/kinds.ts';
import { baseSymbol } from '../core/quantity/units.ts';
import { toCsv } from './csv.ts';

/** "Peak torque (N·m)": files hold base values, whoever writes them. */
function headOf({ label, field }: SheetColumn): string {
  const kind: QuantityKind | null =
    field.type === 'number'
      ? field.quantity
      : field.type === 'series' || field.type === 'grid'
        ? field.each.quantity
        : null;
  const symbol = kind && baseSymbol(kind);
  return symbol ? `${label} (${symbol})` : label;
}

/** How a column that stands on every component is written and read. */
export interface CommonColumn {
  readonly key: 'id' | Exclude<keyof ComponentBase, 'id'>;
  readonly head: string;
  readonly kind: 'text' | 'mass' | 'length' | 'money' | 'count' | 'list' | 'flag';
}
const column = (key: CommonColumn['key'], head: string, kind: CommonColumn['kind']): CommonColumn => ({
  key,
  head,
  kind,
});

export const COMMON_COLUMNS: readonly CommonColumn[] = [
  column('id', 'id', 'text'),
  column('name', 'Name', 'text'),
  column('supplier', 'Supplier', 'text'),
  column('partNumber', 'Part number', 'text'),
  column('massKg', 'Mass (kg)', 'mass'),
  column('lengthMm', 'Length (mm)', 'length'),
  column('widthMm', 'Width (mm)', 'length'),
  column('heightMm', 'Height (mm)', 'length'),
  column('priceCents', 'Price (cents)', 'money'),
  column('pricedOn', 'Price of', 'text'),
  column('leadDays', 'Days to get', 'count'),
  column('covers', 'Covers', 'list'),
  column('alternatives', 'Alternatives', 'list'),
  column('highVoltage', 'Live parts inside', 'flag'),
];

/** As it is stored, with all its digits: what is read in again is the same. */
function commonText(one: Component, { key, kind }: CommonColumn): string {
  const value = one[key];
  if (kind === 'list') return ((value as readonly string[] | undefined) ?? []).join('; ');
  if (kind === 'flag') return value ? 'yes' : 'no';
  return value === undefined || value === null ? '' : String(value);
}

/** Components of one kind as a table: what stands on each, then the columns of its kind's descriptor. */
export function componentCsv(kind: ComponentKind, components: readonly Component[]): string {
  const columns = columnsOf(KINDS[kind]);
  return toCsv(
    [...COMMON_COLUMNS.map(({ head }) => head), ...columns.map(headOf)],
    components.map((one) => [
      ...COMMON_COLUMNS.map((column) => commonText(one, column)),
      ...columns.map((column) => cellText(column.field, valueAt(one.sheet, column))),
    ]),
  );
}
