import { columnsOf, type SheetColumn, sheetFrom, valueAt } from '../../../core/component/cells.ts';
import { KINDS } from '../../../core/component/kinds/index.ts';
import type { ComponentKind } from '../../../core/component/sheets.ts';

/** What is typed so far, by column: a value, or nothing yet. */
export type SheetDraft = Readonly<Record<string, unknown>>;

export const columnKey = ({ path }: SheetColumn): string => path.join('.');

/** What a field starts with when nobody has said anything: its own start, no for a yes-or-no, an empty list. */
function start({ field, optional }: SheetColumn): unknown {
  if (field.start !== undefined) return field.start;
  if (optional) return undefined;
  if (field.type === 'flag') return false;
  return field.type === 'rows' || field.type === 'series' || field.type === 'grid' ? [] : undefined;
}

export const blankSheet = (kind: ComponentKind): SheetDraft =>
  Object.fromEntries(columnsOf(KINDS[kind]).map((column) => [columnKey(column), start(column)]));

/** The sheet a draft stands for. What is needed and missing is left out, so that the schema says so at its field. */
export const sheetOf = (kind: ComponentKind, draft: SheetDraft): Record<string, unknown> =>
  sheetFrom(columnsOf(KINDS[kind]).map((column) => [column, draft[columnKey(column)] ?? undefined] as const));

/** A stored sheet as a draft to be changed. */
export const draftOf = (kind: ComponentKind, sheet: unknown): SheetDraft =>
  Object.fromEntries(columnsOf(KINDS[kind]).map((column) => [columnKey(column), valueAt(sheet, column)]));
