import equal from 'fast-deep-equal';
import { check } from '../contract/fields.ts';
import { MODEL_FILE, modelFileHeadSchema, variantSchema } from '../contract/variants.ts';
import type { Variant } from '../core/vehicle/variant.ts';
import type { VariantBody } from '../core/vehicle/variantProblems.ts';
import { type CsvValue, toCsv } from './csv.ts';
import {
  columnsOfHeads,
  divide,
  NOT_READ,
  numbered,
  type Read,
  readLine,
  readList,
  sameInFile,
  splitHead,
  type TableColumn,
  unitOf,
} from './tableReading.ts';
import { VARIANT_COLUMNS, type VariantColumn } from './variantColumns.ts';

/** One model of a file: read, or what stands against it. */
export interface VariantRow {
  /** Of the file, the head being the first; of a JSON list, its place. */
  readonly line: number;
  readonly name: string;
  readonly variant: VariantBody | null;
  readonly faults: readonly string[];
}
export interface ReadVariants {
  readonly rows: readonly VariantRow[];
  /** Why the file as a whole cannot be read. */
  readonly fault: string | null;
}
export type VariantVerdict = 'new' | 'changed' | 'alike' | 'fault';

/** More models than any shop has; a larger file is divided. */
export const MOST_MODELS = 500;

const refuse = (fault: string): ReadVariants => ({ rows: [], fault });

/** A stored variant as what is kept of it in a file. */
export const bodyOfVariant = ({ id: _, version: __, ...body }: Variant): VariantBody => body;

/** What a variant is called by: maker, model and name. */
export const nameOfVariant = (one: Pick<VariantBody, 'makerName' | 'modelName' | 'name'>): string =>
  [one.makerName, one.modelName, one.name].join(' ');

const at = (body: unknown, path: readonly string[]): unknown =>
  path.reduce<unknown>((inner, key) => (inner as Record<string, unknown> | undefined)?.[key], body);

/** Writes a value where a path leads, making what is missing on the way; nothing is written of nothing. */
function put(body: Record<string, unknown>, [key = '', ...rest]: readonly string[], value: unknown): void {
  if (value === undefined) return;
  if (rest.length === 0) body[key] = value;
  else {
    body[key] ??= {};
    put(body[key] as Record<string, unknown>, rest, value);
  }
}

function cellOf(body: VariantBody, { path, type }: VariantColumn): CsvValue {
  const value = at(body, path);
  if (value === undefined) return '';
  if (type === 'list') return JSON.stringify(value);
  return type === 'numbers' ? (value as number[]).join(' ') : (value as string | number);
}

/** Models as a table: one a line, lists as JSON in their cell. */
export const variantCsv = (variants: readonly VariantBody[]): string =>
  toCsv(
    VARIANT_COLUMNS.map(({ head }) => head),
    variants.map((body) => VARIANT_COLUMNS.map((column) => cellOf(body, column))),
  );

/** Models as a file that another workshop takes in. */
export const variantFile = (variants: readonly VariantBody[]) => ({ ...MODEL_FILE, variants });

/**
 * Reads models from a table (comma, semicolon or tab; units in the heads) or from a file of them. What a whole column has
 * wrong is said once, what a row has wrong at the row.
 * `pause` lets others have their turn between rows.
 */
export async function readVariants(text: string, pause?: () => Promise<void>): Promise<ReadVariants> {
  const trimmed = text.replace(/^\ufeff/, '').trim();
  if (trimmed === '') return refuse('There is nothing in this file.');
  return trimmed.startsWith('{') || trimmed.startsWith('[') ? readJson(trimmed, pause) : readCsv(trimmed, pause);
}

type Body = Record<string, unknown>;

/** Models read before others get their turn. */
const AT_ONCE = 10;

/** Each of a list read, with pauses between. */
async function inTurns<A, R>(
  all: readonly A[],
  pause: (() => Promise<void>) | undefined,
  read: (one: A, i: number) => R,
): Promise<R[]> {
  const rows: R[] = [];
  for (const [i, one] of all.entries()) {
    if (i % AT_ONCE === AT_ONCE - 1) await pause?.();
    rows.push(read(one, i));
  }
  return rows;
}

function readerOf(column: VariantColumn, head: string, unit: string | null, comma: boolean) {
  if (column.type === 'number' && column.quantity) {
    const toBase = unitOf(head, unit, column.quantity);
    if (typeof toBase === 'string') return { fault: toBase };
    return (cell: string) => numbered(cell, comma, toBase);
  }
  if (unit !== null) return { fault: `The column “${head}” has no unit.` };
  if (column.type === 'text')
    // A name of nothing is one that is empty, but a choice that is not made is not there.
    return (cell: string): Read => ({
      value: cell.trim() === '' && !MAY_BE_EMPTY.has(column.path.at(-1)!) ? undefined : cell.trim(),
    });
  if (column.type === 'numbers')
    return (cell: string): Read => {
      const all =
        cell.trim() === ''
          ? []
          : cell
              .trim()
              .split(/\s+/)
              .map((one) => Number(comma ? one.replace(',', '.') : one));
      return all.every(Number.isFinite) ? { value: all } : { fault: NOT_READ.rows };
    };
  return (cell: string): Read => {
    if (cell.trim() === '') return { value: undefined };
    try {
      return { value: JSON.parse(cell) };
    } catch {
      return { fault: NOT_READ.list };
    }
  };
}
const MAY_BE_EMPTY = new Set(['spline', 'shaftSpline', 'boltPattern']);

const columnOf = (head: string, comma: boolean): TableColumn<Body> | { readonly fault: string } | null => {
  const { label, unit } = splitHead(head);
  const column = VARIANT_COLUMNS.find((one) => splitHead(one.head).label === label);
  if (!column) return null;
  const read = readerOf(column, head, unit, comma);
  return 'fault' in read ? read : { head, read, take: (body, value) => put(body, column.path, value) };
};

async function readCsv(text: string, pause?: () => Promise<void>): Promise<ReadVariants> {
  const table = divide(text, MOST_MODELS, 'models');
  if (typeof table === 'string') return refuse(table);
  const columns = columnsOfHeads(table.heads, (head) => columnOf(head, table.comma));
  if (typeof columns === 'string') return refuse(columns);
  const rows = await inTurns(table.lines, pause, (cells, i) => {
    const body: Body = {};
    const faults = readLine(cells, columns, body);
    return rowOf(i + 2, body, faults);
  });
  return { rows: onceEach(rows), fault: null };
}

async function readJson(text: string, pause?: () => Promise<void>): Promise<ReadVariants> {
  const read = readList(text, MOST_MODELS, 'models');
  if (typeof read === 'string') return refuse(read);
  let all = read;
  const [first] = read;
  if (!text.startsWith('[')) {
    const { problems } = check(modelFileHeadSchema, first as Body);
    const [sentence] = Object.values(problems);
    if (sentence) return refuse(`This is no file of models: ${sentence}`);
    all = (first as { variants: unknown[] }).variants;
    if (all.length > MOST_MODELS)
      return refuse(`This file has ${all.length} models; at most ${MOST_MODELS} are taken at a time.`);
  }
  const rows = await inTurns(all, pause, (one, i) => rowOf(i + 1, one, []));
  return { rows: onceEach(rows), fault: null };
}

function rowOf(line: number, body: unknown, faults: readonly string[]): VariantRow {
  const named = body as Partial<VariantBody> | null;
  const name = [named?.makerName, named?.modelName, named?.name].filter((part) => typeof part === 'string').join(' ');
  if (faults.length > 0) return { line, name, variant: null, faults };
  const { value, problems } = check(variantSchema, body as never);
  const found = Object.values(problems);
  return { line, name, variant: found.length === 0 ? (value as VariantBody) : null, faults: found };
}

/** A model named twice in one file is taken from neither line. */
function onceEach(rows: readonly VariantRow[]): VariantRow[] {
  const same = sameInFile(rows, ({ name }) => (name === '' ? [] : [['name', name]]));
  return rows.map((row) => {
    const faults = same(row);
    return faults.length === 0 ? row : { ...row, variant: null, faults: [...row.faults, ...faults] };
  });
}

/** What a model of a file would do to the library, against the newest revision of its name there. */
export function variantVerdict(row: VariantRow, stored: Variant | undefined): VariantVerdict {
  if (row.variant === null) return 'fault';
  if (!stored) return 'new';
  return equal(inOrder(bodyOfVariant(stored)), inOrder(row.variant)) ? 'alike' : 'changed';
}

/** A model with its points, bays and passes in one order, and its maker and model in small letters: neither is a change. */
function inOrder(body: VariantBody): VariantBody {
  const byName = <T extends { readonly name: string }>(list: readonly T[]) =>
    list.toSorted((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0));
  return {
    ...body,
    ...{ makerName: body.makerName.toLowerCase(), modelName: body.modelName.toLowerCase() },
    mountingPoints: byName(body.mountingPoints),
    bays: byName(body.bays),
    passThroughs: byName(body.passThroughs),
  };
}

/** Finds the variant a row means, by maker, model and name whatever their capitals. */
export function variantFinder(newest: readonly Variant[]): (row: VariantRow) => Variant | undefined {
  const byName = new Map(newest.map((one) => [nameOfVariant(one).toLowerCase(), one]));
  return ({ variant }) => (variant ? byName.get(nameOfVariant(variant).toLowerCase()) : undefined);
}
