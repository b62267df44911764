import Papa from 'papaparse';
import type { QuantityKind } from '../core/quantity/kinds.ts';
import { baseSymbol } from '../core/quantity/units.ts';
import { DIMENSION_NAME, readUnit } from '../core/quantity/unitWords.ts';
import { fromCell } from './csv.ts';

/** What a cell holds, or what is wrong with it. */
export type Read = { readonly value: unknown } | { readonly fault: string };

/** A column of a table that is read: what its cells mean, and where that goes in what is built of a row. */
export interface TableColumn<B> {
  readonly head: string;
  readonly take: (body: B, value: unknown) => void;
  readonly read: (cell: string) => Read;
}

export const NOT_READ = {
  number: 'is not a number',
  choice: 'is not one of the choices',
  flag: 'must be yes or no',
  rows: 'has something that is not a number',
  list: 'is not a list as Dajo writes it',
} as const;

/** "Peak torque (lb ft)" → label, in small letters, and unit. */
export function splitHead(head: string): { label: string; unit: string | null } {
  const [, label, unit] = /^(.*?)\s*(?:\(([^()]*)\))?\s*$/.exec(head.trim()) ?? [];
  return { label: (label ?? '').toLowerCase(), unit: unit?.trim() || null };
}

/** What turns a number of a column into base units, or what is wrong with the column's unit. */
export function unitOf(head: string, unit: string | null, quantity: QuantityKind): ((n: number) => number) | string {
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

/** A number, in base units; an empty cell says nothing. `comma`: numbers are written with one for the point. */
export function numbered(cell: string, comma: boolean, toBase: (n: number) => number): Read {
  if (cell.trim() === '') return { value: undefined };
  const n = numberIn(cell, comma);
  return Number.isFinite(n) ? { value: toBase(n) } : { fault: NOT_READ.number };
}

const tooMany = (count: number, most: number, what: string) =>
  `This file has ${count} ${what}; at most ${most} are taken at a time. Divide it.`;

/** A table divided into heads and lines, whatever divides it; numbers have decimal commas where no comma does. Or a fault. */
export function divide(
  text: string,
  most: number,
  what: string,
):
  | { readonly heads: readonly string[]; readonly lines: readonly (readonly string[])[]; readonly comma: boolean }
  | string {
  const { data, meta, errors } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' });
  const torn = errors.find(({ type }) => type === 'Quotes');
  if (torn) return `Line ${(torn.row ?? 0) + 1} has a quotation mark that is never closed.`;
  const [heads = [], ...lines] = data;
  if (lines.length === 0) return 'This table has a head and no rows.';
  return lines.length > most ? tooMany(lines.length, most, what) : { heads, lines, comma: meta.delimiter !== ',' };
}

/** The columns of some heads, or what is wrong with the first that is not one. */
export function columnsOfHeads<B>(
  heads: readonly string[],
  of: (head: string) => TableColumn<B> | { readonly fault: string } | null,
): readonly TableColumn<B>[] | string {
  const columns: TableColumn<B>[] = [];
  for (const head of heads) {
    const column = of(fromCell(head));
    if (column === null) return `Dajo knows no column “${head}” here. Export the table to see what they are called.`;
    if ('fault' in column) return column.fault;
    columns.push(column);
  }
  return columns;
}

/** Reads the cells of a line into `body`; answers what is wrong with them. */
export function readLine<B>(cells: readonly string[], columns: readonly TableColumn<B>[], body: B): string[] {
  const faults: string[] = [];
  for (const [c, column] of columns.entries()) {
    const read = column.read(fromCell(cells[c] ?? ''));
    if ('value' in read) column.take(body, read.value);
    else faults.push(`${column.head} ${read.fault}.`);
  }
  if (cells.length > columns.length) faults.push('This row has more cells than the head.');
  return faults;
}

/**
 * Says of each row which other lines name the same thing: nobody knows which of them is meant. `marks` answers what a row goes
 * by, each with what it is called ("name", "part number"); rows that go by nothing are left alone.
 */
export function sameInFile<R extends { readonly line: number }>(
  rows: readonly R[],
  marks: (row: R) => readonly (readonly [what: string, value: string])[],
): (row: R) => string[] {
  const lines = new Map<string, number[]>();
  const keyOf = (what: string, value: string) => `${what}\n${value.toLowerCase()}`;
  for (const row of rows)
    for (const [what, value] of marks(row)) {
      const known = lines.get(keyOf(what, value));
      if (known) known.push(row.line);
      else lines.set(keyOf(what, value), [row.line]);
    }
  return (row) =>
    marks(row).flatMap(([what, value]) => {
      const others = lines.get(keyOf(what, value))!.filter((line) => line !== row.line);
      if (others.length === 0) return [];
      const told = others.slice(0, 3).join(', ');
      return [`Line ${told}${others.length > 3 ? ' and more' : ''} has the same ${what}.`];
    });
}

/** A JSON list, or one thing as a list of one; or a fault. */
export function readList(text: string, most: number, what: string): readonly unknown[] | string {
  let list: unknown;
  try {
    list = JSON.parse(text);
  } catch {
    return 'This is not readable JSON: it is cut off or has a sign too many.';
  }
  const all: unknown[] = Array.isArray(list) ? list : [list];
  return all.length > most ? tooMany(all.length, most, what) : all;
}
