import { cellText, columnsOf, type SheetColumn, valueAt } from '../core/component/cells.ts';
import { KINDS } from '../core/component/kinds/index.ts';
import type { Component, ComponentKind } from '../core/component/sheets.ts';
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

const COMMON = [
  ['id', (one: Component) => one.id],
  ['Name', (one: Component) => one.name],
  ['Supplier', (one: Component) => one.supplier],
  ['Mass (kg)', (one: Component) => one.massKg],
  ['Length (mm)', (one: Component) => one.lengthMm],
  ['Width (mm)', (one: Component) => one.widthMm],
  ['Height (mm)', (one: Component) => one.heightMm],
  ['Price (cents)', (one: Component) => one.priceCents],
  ['Days to get', (one: Component) => one.leadDays],
  ['Covers', (one: Component) => one.covers.join('; ')],
  ['Live parts inside', (one: Component) => (one.highVoltage ? 'yes' : 'no')],
] as const;

/** Components of one kind as a table: what stands on each, then the columns of its kind's descriptor. */
export function componentCsv(kind: ComponentKind, components: readonly Component[]): string {
  const columns = columnsOf(KINDS[kind]);
  return toCsv(
    [...COMMON.map(([head]) => head), ...columns.map(headOf)],
    components.map((one) => [
      ...COMMON.map(([, of]) => of(one)),
      ...columns.map((column) => cellText(column.field, valueAt(one.sheet, column))),
    ]),
  );
}
