import type { Field, Fields, GroupField, NumberField } from './field.ts';

/** A field that is one value in a table: anything but a group, whose members are columns of their own. */
export type LeafField = Exclude<Field, GroupField>;

/** One column of a kind's table, form or file. */
export interface SheetColumn {
  /** Names of the group, if any, and the field. */
  readonly path: readonly [string] | readonly [string, string];
  readonly label: string;
  readonly field: LeafField;
  /** May be left out, alone or with the group it belongs to. */
  readonly optional: boolean;
}

/** The columns of a kind, in the order of its descriptor. */
export const columnsOf = (fields: Fields): SheetColumn[] =>
  Object.entries(fields).flatMap(([name, field]): SheetColumn[] => {
    if (field.type !== 'group') return [{ path: [name], label: field.label, field, optional: field.optional ?? false }];
    return Object.entries(field.of).map(([inner, member]) => ({
      path: [name, inner] as const,
      label: `${field.label}: ${member.label.toLowerCase()}`,
      // Groups within groups are not described by any kind.
      field: member as LeafField,
      optional: true,
    }));
  });

/** What a sheet holds in a column; undefined where it is left out. */
export function valueAt(sheet: unknown, { path: [name, inner] }: Pick<SheetColumn, 'path'>): unknown {
  const outer = (sheet as Record<string, unknown>)[name];
  return inner === undefined ? outer : (outer as Record<string, unknown> | undefined)?.[inner];
}

/** A sheet from the values of its columns; a group none of whose members is there is left out. */
export function sheetFrom(columns: readonly (readonly [SheetColumn, unknown])[]): Record<string, unknown> {
  const sheet: Record<string, unknown> = {};
  for (const [{ path }, value] of columns) {
    if (value === undefined) continue;
    const [name, inner] = path;
    if (inner === undefined) sheet[name] = value;
    else sheet[name] = { ...(sheet[name] as object | undefined), [inner]: value };
  }
  return sheet;
}

const isNumbers = (fields: Fields) =>
  Object.values(fields).every((field) => field.type === 'number' && !field.optional);

/**
 * A value as a cell of a file: numbers in the base unit with a point, yes and no, rows of numbers as lines "0 240 180;
 * 2000 240 180", other rows as JSON. Empty for what is left out.
 */
export function cellText(field: LeafField, value: unknown): string {
  if (value === undefined) return '';
  switch (field.type) {
    case 'flag':
      return value ? 'yes' : 'no';
    case 'series':
      return (value as number[]).join(' ');
    case 'grid':
      return (value as number[][]).map((line) => line.join(' ')).join('; ');
    case 'rows':
      return isNumbers(field.of)
        ? (value as Record<string, number>[])
            .map((entry) =>
              Object.keys(field.of)
                .map((name) => entry[name])
                .join(' '),
            )
            .join('; ')
        : JSON.stringify(value);
    default:
      return String(value);
  }
}

export type ReadCell = { readonly value: unknown } | { readonly problem: 'number' | 'choice' | 'flag' | 'rows' };

const asNumber = (text: string): number => (text.trim() === '' ? Number.NaN : Number(text));
const numbersIn = (text: string) =>
  text
    .trim()
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(asNumber);
const linesIn = (text: string) => text.split(/[;\n]/).filter((line) => line.trim() !== '');

/** Reads a cell back; what it may hold (limits, how many) is for the schema of the kind to say. Empty: left out. */
export function readCell(field: LeafField, text: string): ReadCell {
  if (
    text.trim() === '' &&
    field.type !== 'text' &&
    field.type !== 'rows' &&
    field.type !== 'series' &&
    field.type !== 'grid'
  )
    return { value: undefined };
  switch (field.type) {
    case 'number':
      return numbered(asNumber(text));
    case 'choice': {
      const option = field.options.find((one) => String(one) === text.trim());
      return option === undefined ? { problem: 'choice' } : { value: option };
    }
    case 'flag':
      return /^(yes|true|1)$/i.test(text.trim())
        ? { value: true }
        : /^(no|false|0)$/i.test(text.trim())
          ? { value: false }
          : { problem: 'flag' };
    case 'text':
      return { value: text };
    case 'series':
      return list(numbersIn(text));
    case 'grid': {
      const lines = linesIn(text).map(numbersIn);
      return lines.flat().every(Number.isFinite) ? { value: lines } : { problem: 'rows' };
    }
    case 'rows':
      return isNumbers(field.of)
        ? readLines(Object.entries(field.of) as [string, NumberField][], text)
        : readJson(text);
  }
}

const numbered = (value: number): ReadCell => (Number.isFinite(value) ? { value } : { problem: 'number' });
const list = (values: number[]): ReadCell => (values.every(Number.isFinite) ? { value: values } : { problem: 'rows' });

function readLines(of: readonly (readonly [string, NumberField])[], text: string): ReadCell {
  const lines = linesIn(text).map(numbersIn);
  if (!lines.every((line) => line.length === of.length && line.every(Number.isFinite))) return { problem: 'rows' };
  return { value: lines.map((line) => Object.fromEntries(of.map(([name], i) => [name, line[i]]))) };
}

function readJson(text: string): ReadCell {
  try {
    return { value: JSON.parse(text || '[]') as unknown };
  } catch {
    return { problem: 'rows' };
  }
}
