import Papa from 'papaparse';
import { componentSchemaOf, type NewComponent } from '../contract/components.ts';
import { check } from '../contract/fields.ts';
import { columnsOf, readCell, sheetFrom } from '../core/component/cells.ts';
import { KINDS } from '../core/component/kinds/index.ts';
import type { ComponentKind } from '../core/component/sheets.ts';
import { CURRENCIES, type Currency } from '../core/quantity/currency.ts';
import type { QuantityKind } from '../core/quantity/kinds.ts';
import { baseSymbol } from '../core/quantity/units.ts';
import { DIMENSION_NAME, readUnit } from '../core/quantity/unitWords.ts';
import { COMMON_COLUMNS, type CommonColumn } from './componentCsv.ts';
import { fromCell } from './csv.ts';

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
  return trimmed.startsWith('[') || trimmed.startsWith('{')
    ? readJson(kind, trimmed, options)
    : readCsv(kind, trimmed, options);
}

const tooMany = (count: number) =>
  refuse(`This file has ${count} components; at most ${MOST_ROWS} are taken at a time. Divide it.`);

type Read = (cell: string) => { readonly value: unknown } | { readonly fault: string };
interface Column {
  readonly head: string;
  readonly take: (body: Body, value: unknown) => void;
  readonly read: Read;
}
interface Body {
  readonly common: Record<string, unknown>;
  readonly sheet: (readonly [ReturnType<typeof columnsOf>[number], unknown])[];
}

/** "Peak torque (lb ft)" → label and unit. */
function splitHead(head: string): { label: string; unit: string | null } {
  const [, label, unit] = /^(.*?)\s*(?:\(([^()]*)\))?\s*$/.exec(head.trim()) ?? [];
  return { label: (label ?? '').toLowerCase(), unit: unit?.trim() || null };
}

/** What turns a number of a column into base units, or what is wrong with the column's unit. */
function unitOf(head: string, unit: string | null, quantity: QuantityKind): ((n: number) => number) | string {
  const symbol = baseSymbol(quantity);
  // As it was written out: no factor, or the last digit would move.
  if (unit === null || unit === symbol) return (n) => n;
  const read = readUnit(unit, quantity, null);
  if (read.ok) return read.toBase;
  const wanted = symbol ? `${symbol} or another unit of the same is wanted` : 'a number alone is wanted';
  return `The column “${head}”: ${read.other ? `that is ${DIMENSION_NAME[read.other]}` : `${unit} is not a unit Dajo knows`}; ${wanted}.`;
}

const numberIn = (cell: string, comma: boolean): number => {
  const text = comma ? cell.replace(',', '.') : cell;
  return text.trim() === '' ? Number.NaN : Number(text.replace(/[\s\u00a0]/g, ''));
};

const NOT_READ: Record<string, string> = {
  number: 'is not a number',
  choice: 'is not one of the choices',
  flag: 'must be yes or no',
  rows: 'has something that is not a number',
};

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

function numbered(cell: string, comma: boolean, toBase: (n: number) => number): ReturnType<Read> {
  if (cell.trim() === '') return { value: undefined };
  const n = numberIn(cell, comma);
  return Number.isFinite(n) ? { value: toBase(n) } : { fault: NOT_READ.number! };
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
  const { data, meta, errors } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' });
  const torn = errors.find(({ type }) => type === 'Quotes');
  if (torn) return refuse(`Line ${(torn.row ?? 0) + 1} has a quotation mark that is never closed.`);
  const [heads = [], ...lines] = data;
  if (lines.length === 0) return refuse('This table has a head and no rows.');
  if (lines.length > MOST_ROWS) return tooMany(lines.length);
  const comma = meta.delimiter !== ',';
  const columns: Column[] = [];
  for (const head of heads) {
    const column = columnOf(kind, fromCell(head), comma, currency);
    if (column === null)
      return refuse(`Dajo knows no column “${head}” here. Export the table to see what they are called.`);
    if ('fault' in column) return refuse(column.fault);
    columns.push(column);
  }
  const rows: TableRow[] = [];
  for (const [i, cells] of lines.entries()) {
    if (i % AT_ONCE === AT_ONCE - 1) await pause?.();
    const body: Body = { common: {}, sheet: [] };
    const faults: string[] = [];
    for (const [c, column] of columns.entries()) {
      const read = column.read(fromCell(cells[c] ?? ''));
      if ('value' in read) column.take(body, read.value);
      else faults.push(`${column.head} ${read.fault}.`);
    }
    if (cells.length > columns.length) faults.push('This row has more cells than the head.');
    const { id = null, ...common } = body.common as { id?: string | null };
    rows.push(rowOf(kind, i + 2, id, { ...common, kind, sheet: sheetFrom(body.sheet) }, faults));
  }
  return { rows, fault: null };
}

async function readJson(kind: ComponentKind, text: string, { pause }: Options): Promise<ReadTable> {
  let list: unknown;
  try {
    list = JSON.parse(text);
  } catch {
    return refuse('This is not readable JSON: it is cut off or has a sign too many.');
  }
  const all = Array.isArray(list) ? list : [list];
  if (all.length > MOST_ROWS) return tooMany(all.length);
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
