import type { QuantityKind } from '../quantity/kinds.ts';

interface Labelled {
  readonly label: string;
  /** What it means, where the label is not enough. @default '' */
  readonly meaning?: string;
  /** What a new sheet starts with; without it the field starts empty. */
  readonly start?: string | number | boolean;
  /** May be left out of a sheet. @default false */
  readonly optional?: true;
}

/** A number in the base unit of its kind, between two ends that belong to it. */
export interface NumberField extends Labelled {
  readonly type: 'number';
  readonly quantity: QuantityKind;
  readonly min: number;
  readonly max: number;
  /** @default false */
  readonly whole?: true;
}
export interface ChoiceField<C extends string | number = string | number> extends Labelled {
  readonly type: 'choice';
  readonly options: readonly C[];
}
export interface TextField extends Labelled {
  readonly type: 'text';
  readonly max: number;
}
export interface FlagField extends Labelled {
  readonly type: 'flag';
}
/** A table: entries of the same fields. */
export interface RowsField<F extends Fields = Fields> extends Labelled {
  readonly type: 'rows';
  readonly of: F;
  readonly least: number;
  readonly most: number;
}
/** Numbers of one kind in a row. */
export interface SeriesField extends Labelled {
  readonly type: 'series';
  readonly each: Omit<NumberField, keyof Labelled>;
  readonly most: number;
}
/** Rows of numbers of one kind. */
export interface GridField extends Labelled {
  readonly type: 'grid';
  readonly each: Omit<NumberField, keyof Labelled>;
  readonly most: number;
}
/** Fields that belong together and are stated together or not at all. */
export interface GroupField<F extends Fields = Fields> extends Labelled {
  readonly type: 'group';
  readonly of: F;
}

export type Field =
  | NumberField
  | ChoiceField
  | TextField
  | FlagField
  | RowsField
  | SeriesField
  | GridField
  | GroupField;
export interface Fields {
  readonly [name: string]: Field;
}

/** What a field holds. */
export type ValueOf<F extends Field> = F extends NumberField
  ? number
  : F extends ChoiceField<infer C>
    ? C
    : F extends TextField
      ? string
      : F extends FlagField
        ? boolean
        : F extends RowsField<infer R>
          ? readonly SheetOf<R>[]
          : F extends SeriesField
            ? readonly number[]
            : F extends GridField
              ? readonly (readonly number[])[]
              : F extends GroupField<infer G>
                ? SheetOf<G>
                : never;

type OptionalNames<F extends Fields> = { [K in keyof F]: F[K] extends { optional: true } ? K : never }[keyof F];

/** What a sheet of these fields holds: the compiler reads it off the descriptor. */
export type SheetOf<F extends Fields> = {
  readonly [K in Exclude<keyof F, OptionalNames<F>>]: ValueOf<F[K]>;
} & { readonly [K in OptionalNames<F>]?: ValueOf<F[K]> };

type Meaning = { readonly meaning?: string; readonly start?: string | number | boolean };

export const number = (label: string, quantity: QuantityKind, min: number, max: number, more: Meaning = {}) =>
  ({ type: 'number', label, quantity, min, max, ...more }) as const satisfies NumberField;
export const count = (label: string, min: number, max: number, more: Meaning = {}) =>
  ({ type: 'number', label, quantity: 'count', min, max, whole: true, ...more }) as const satisfies NumberField;
export const choice = <const C extends string | number>(label: string, options: readonly C[], more: Meaning = {}) =>
  ({ type: 'choice', label, options, ...more }) as const satisfies ChoiceField<C>;
export const text = (label: string, max = 60, more: Meaning = {}) =>
  ({ type: 'text', label, max, ...more }) as const satisfies TextField;
export const flag = (label: string, more: Meaning = {}) =>
  ({ type: 'flag', label, ...more }) as const satisfies FlagField;
export const rows = <const F extends Fields>(label: string, of: F, least: number, most: number, more: Meaning = {}) =>
  ({ type: 'rows', label, of, least, most, ...more }) as const satisfies RowsField<F>;
export const series = (label: string, quantity: QuantityKind, min: number, max: number, most: number) =>
  ({ type: 'series', label, each: { type: 'number', quantity, min, max }, most }) as const satisfies SeriesField;
export const grid = (label: string, quantity: QuantityKind, min: number, max: number, most: number) =>
  ({ type: 'grid', label, each: { type: 'number', quantity, min, max }, most }) as const satisfies GridField;
export const group = <const F extends Fields>(label: string, of: F, more: Meaning = {}) =>
  ({ type: 'group', label, of, ...more }) as const satisfies GroupField<F>;
export const optional = <const F extends Field>(field: F) => ({ ...field, optional: true }) as const;
