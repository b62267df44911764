import { componentSchemaOf, type NewComponent } from '../contract/components.ts';
import { check } from '../contract/fields.ts';
import { columnsOf, readCell, sheetFrom } from '../core/component/cells.ts';
import { KINDS } from '../core/component/kinds/index.ts';
import type { ComponentKind } from '../core/component/sheets.ts';
import { CURRENCIES, type Currency } from '../core/quantity/currency.ts';
import { baseSymbol } from '../core/quantity/units.ts';
import { COMMON_COLUMNS, type CommonColumn } from './componentCsv.ts';
import {
  columnsOfHeads,
  divide,
  NOT_READ,
  numbered,
  readLine,
  readList,
  sameInFile,
  splitHead,
  type TableColumn,
  unitOf,
} from './tableReading.ts';

/** One component of a file: read, or what stands against it. */
export interface TableRow {
  /** Of the file, the head being the first; of a JSON list, its place. */
  readonly line: number;
  readonly id: string | null;
  readonly name: string;
  readonly component: NewComponent | null;
  readonly faults: readonly string[];
}

export interface ReadTable {
  readonly rows: readonly TableRow[];
  /** Why the file as a whole cannot be read; its rows are then not looked at. */
  readonly fault: string | null;
}

/** More components than any supplier's list here; a larger file is divided. */
export const MOST_ROWS = 2000;
/** Rows read before others get their turn. */
const AT_ONCE = 25;

const refuse = (fault: string): ReadTable => ({ rows: [], fault });

interface Options {
  readonly currency: Currency;
  /** Lets others have their turn between rows. @default no pause */
  readonly pause?: () => Promise<void>;
}

/**
 * Reads components of one kind from a table (comma, semicolon or tab; units in the heads, "Peak torque (lb ft)") or from a
 * JSON list in base units. What a whole column has wrong (a unit of something else, a head nobody knows) is said once;
 * what a row has wrong is said at the row.
 */
export async function readComponentTable(kind: ComponentKind, text: string, options: Options): Promise<ReadTable> {
  const trimmed = text.replace(/^\ufeff/, '').trim();
  if (trimmed === '') return refuse('There is nothing in this file.');
  const read =
    trimmed.startsWith('[') || trimmed.startsWith('{')
      ? await readJson(kind, trimmed, options)
      : await readCsv(kind, trimmed, options);
  return { ...read, rows: onceEach(read.rows) };
}

/** What is named twice in one file, or has the number of another of its supplier, is taken from neither line. */
function onceEach(rows: readonly TableRow[]): TableRow[] {
  const same = sameInFile(rows, ({ id, name, component }) => {
    if (component === null) return [];
    const { supplier, partNumber } = component;
    return [
      ['name', name] as const,
      ...(id === null ? [] : [['id', id] as const]),
      ...(partNumber ? [['part number', `${partNumber}, ${supplier}`] as const] : []),
    ];
  });
  return rows.map((row) => {
    const faults = same(row);
    return faults.length === 0 ? row : { ...row, component: null, faults: [...row.faults, ...faults] };
  });
}

type Column = TableColumn<Body>;
interface Body {
  readonly common: Record<string, unknown>;
  readonly sheet: (readonly [ReturnType<typeof columnsOf>[number], unknown])[];
}

function columnOf(
  kind: ComponentKind,
  head: string,
  comma: boolean,
  currency: Currency,
): Column | { readonly fault: string } | null {
  const { label, unit } = splitHead(head);
  const common = COMMON_COLUMNS.find((one) => splitHead(one.head).label === label);
  if (common) return commonColumn(common, head, unit, comma, currency);
  const column = columnsOf(KINDS[kind]).find((one) => one.label.toLowerCase() === label);
  if (!column) return null;
  const { field } = column;
  const take = (body: Body, value: unknown) => body.sheet.push([column, value]);
  if (field.type === 'number') {
    const toBase = unitOf(head, unit, field.quantity);
    if (typeof toBase === 'string') return { fault: toBase };
    return { head, take, read: (cell) => numbered(cell, comma, toBase) };
  }
  if (unit !== null && (field.type === 'series' || field.type === 'grid') && unit !== baseSymbol(field.each.quantity))
    return { fault: `The column “${head}”: rows of numbers are read in ${baseSymbol(field.each.quantity)} only.` };
  return {
    head,
    take,
    read: (cell) => {
      if (cell.trim() === '' && column.optional) return { value: undefined };
      const read = readCell(field, cell);
      return 'value' in read ? read : { fault: NOT_READ[read.problem]! };
    },
  };
}

function commonColumn(
  { key, kind, head: own }: CommonColumn,
  head: string,
  unit: string | null,
  comma: boolean,
  currency: Currency,
): Column | { readonly fault: string } {
  const take = (body: Body, value: unknown) => {
    body.common[key] = value;
  };
  if (kind === 'money') {
    const whole = unit !== null && unit.toLowerCase() !== 'cents';
    const names: string[] = [currency, CURRENCIES[currency].symbol];
    if (whole && !names.some((name) => name.toLowerCase() === unit?.toLowerCase()))
      return { fault: `The column “${head}”: prices here are in ${currency} or cents.` };
    return {
      head,
      take,
      read: (cell) => numbered(cell, comma, (n) => Math.round((whole || unit === null ? 100 : 1) * n)),
    };
  }
  if (kind === 'mass' || kind === 'length' || kind === 'count') {
    const toBase = unitOf(head, kind === 'count' ? null : unit, kind);
    if (typeof toBase === 'string') return { fault: toBase };
    return { head, take, read: (cell) => numbered(cell, comma, toBase) };
  }
  if (kind === 'flag')
    return {
      head,
      take,
      read: (cell) =>
        /^(yes|true|1)$/i.test(cell.trim())
          ? { value: true }
          : /^(no|false|0)?$/i.test(cell.trim())
            ? { value: false }
            : { fault: NOT_READ.flag! },
    };
  if (kind === 'list')
    return {
      head,
      take,
      read: (cell) => ({
        value: cell
          .split(';')
          .map((one) => one.trim())
          .filter(Boolean),
      }),
    };
  return {
    head: own,
    take,
    read: (cell) => ({ value: cell.trim() === '' && key !== 'partNumber' ? undefined : cell.trim() }),
  };
}

async function readCsv(kind: ComponentKind, text: string, { currency, pause }: Options): Promise<ReadTable> {
  const table = divide(text, MOST_ROWS, 'components');
  if (typeof table === 'string') return refuse(table);
  const { lines, comma } = table;
  const columns = columnsOfHeads(table.heads, (head) => columnOf(kind, head, comma, currency));
  if (typeof columns === 'string') return refuse(columns);
  const rows: TableRow[] = [];
  for (const [i, cells] of lines.entries()) {
    if (i % AT_ONCE === AT_ONCE - 1) await pause?.();
    const body: Body = { common: {}, sheet: [] };
    const faults = readLine(cells, columns, body);
    const { id = null, ...common } = body.common as { id?: string | null };
    rows.push(rowOf(kind, i + 2, id, { ...common, kind, sheet: sheetFrom(body.sheet) }, faults));
  }
  return { rows, fault: null };
}

async function readJson(kind: ComponentKind, text: string, { pause }: Options): Promise<ReadTable> {
  const list = readList(text, MOST_ROWS, 'components');
  if (typeof list === 'string') return refuse(list);
  const all = list;
  const rows: TableRow[] = [];
  for (const [i, one] of all.entries()) {
    if (i % AT_ONCE === AT_ONCE - 1) await pause?.();
    if (typeof one !== 'object' || one === null) {
      rows.push({ line: i + 1, id: null, name: '', component: null, faults: ['This entry is not a component.'] });
      continue;
    }
    const { id = null, ...body } = one as { id?: unknown };
    rows.push(rowOf(kind, i + 1, typeof id === 'string' ? id : null, { kind, ...body }, []));
  }
  return { rows, fault: null };
}

function rowOf(
  kind: ComponentKind,
  line: number,
  id: string | null,
  body: Record<string, unknown>,
  faults: readonly string[],
): TableRow {
  const name = typeof body.name === 'string' ? body.name : '';
  if (faults.length > 0) return { line, id, name, component: null, faults };
  if (body.kind !== kind) return { line, id, name, component: null, faults: ['It is of another kind.'] };
  const { value, problems } = check(componentSchemaOf(kind), body);
  const found = Object.values(problems);
  return { line, id, name, component: found.length === 0 ? value : null, faults: found };
}
