import Joi from 'joi';
import type { QuantityKind } from '../core/quantity/kinds.ts';

import { boundsProblem } from './bounds.ts';

/** Sentences a person reads at the field. `{{#label}}` is the field's own name. */
const SENTENCES = {
  'any.required': '{{#label}} is needed.',
  'any.only': '{{#label}} is not one of the choices.',
  'string.empty': '{{#label}} is needed.',
  'string.base': '{{#label}} must be text.',
  'string.max': '{{#label}} is too long: at most {{#limit}} characters.',
  'string.min': '{{#label}} is too short: at least {{#limit}} characters.',
  'string.pattern.name': '{{#label}} {{#name}}.',
  'body.fault': '{{#field}} {{#name}}.',
  'number.base': '{{#label}} must be a number, without unit or comma.',
  'number.min': '{{#label}} must be at least {{#limit}}.',
  'number.max': '{{#label}} must be at most {{#limit}}.',
  'number.greater': '{{#label}} must be more than {{#limit}}.',
  'number.integer': '{{#label}} must be a whole number.',
  'number.unsafe': '{{#label}} is too large a number.',
  'object.base': '{{#label}} is not in the right form.',
  'object.unknown': '{{#label}} is not known here.',
  'array.base': '{{#label}} must be a list.',
  'array.unique': '{{#label}} has an entry twice.',
  'array.max': '{{#label}} has too many entries: at most {{#limit}}.',
};

/** How every schema of the contract is applied, on both sides. */
const VALIDATION: Joi.ValidationOptions = {
  abortEarly: true,
  errors: { wrap: { label: false }, label: 'key' },
  messages: SENTENCES,
};

/** A line of text. Control characters are refused: the database does not store them. */
export const text = (label: string, max = 200) =>
  Joi.string()
    .trim()
    .max(max)
    // biome-ignore lint/suspicious/noControlCharactersInRegex: refusing them is the purpose
    .pattern(/^[^\u0000-\u0008\u000b\u000c\u000e-\u001f\ud800-\udfff]*$/u, {
      name: 'has a character that cannot be stored',
    })
    .label(label);

export const number = (label: string, min: number, max: number) => Joi.number().min(min).max(max).label(label);
/** What a field of a schema measures or points to, for whoever shows its value. */
export interface FieldMeaning {
  readonly quantity?: QuantityKind;
  readonly names?: 'component';
  /** What it means, where its label is not enough. */
  readonly meaning?: string;
}

/** A number in the base unit of its kind; the kind is kept with the schema, so that a page or paper can show it. */
export const quantity = (label: string, kind: QuantityKind, min: number, max: number) =>
  number(label, min, max).meta({ quantity: kind } satisfies FieldMeaning);

/** The id of a component, shown by its name. */
export const componentId = (label: string) => slug(label).meta({ names: 'component' } satisfies FieldMeaning);

export const whole = (label: string, min: number, max: number) => Joi.number().integer().min(min).max(max).label(label);
export const uuid = (label: string) =>
  Joi.string()
    .pattern(/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/, { name: 'is not an id' })
    .label(label);
/** Short readable ids of the library: wren-11, module-nmc-12. */
export const slug = (label: string) =>
  Joi.string()
    .pattern(/^[a-z0-9][a-z0-9.-]{0,60}$/, { name: 'is not an id' })
    .label(label);

/** ISO date that exists: 2026-02-30 is refused. */
export const isoDate = (label: string) =>
  Joi.string()
    .custom((value: string, helpers) => {
      const parsed = /^\d{4}-\d{2}-\d{2}$/.test(value) ? new Date(`${value}T00:00:00Z`) : null;
      const good =
        parsed &&
        !Number.isNaN(parsed.getTime()) &&
        parsed.toISOString().startsWith(value) &&
        value >= '1900' &&
        value < '2200';
      return good ? value : helpers.error('string.pattern.name', { name: 'is not a date like 2026-11-24' });
    })
    .label(label);

/** A moment, in UTC: 2026-11-24T15:30:00Z, with or without seconds and their parts. */
export const instant = (label: string) =>
  Joi.string()
    .custom((value: string, helpers) => {
      const form = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(?::\d{2}(?:\.\d{1,3})?)?Z$/;
      const parsed = form.test(value) ? new Date(value) : null;
      const good =
        parsed &&
        !Number.isNaN(parsed.getTime()) &&
        parsed.toISOString().startsWith(value.slice(0, 16)) &&
        value >= '1900' &&
        value < '2200';
      return good ? parsed.toISOString() : helpers.error('string.pattern.name', { name: 'is not a time' });
    })
    .label(label);

/** Row version the change was made from; a stale one is answered with 409 and both sides. */
export const version = whole('Version', 1, 2_000_000_000).required();

/** A body of at most this many values is told all its faults; a larger one its first. */
const ALL_FAULTS_UP_TO = 1000;
const MOST_FAULTS = 100;

/**
 * Checks a value against a schema; `problems` maps field paths to one sentence each. The first pass stops at the first
 * fault; only where the body is small is it gone through again for all of them, so that a body made of nothing but
 * faults costs no more than a good one.
 */
export function check<T>(schema: Joi.Schema<T>, value: unknown): { value: T; problems: Record<string, string> } {
  let result = schema.validate(value, VALIDATION);
  if (result.error && boundsProblem(value, { values: ALL_FAULTS_UP_TO, depth: 30, text: 1_000_000 }) === null)
    result = allFaults(schema, value) ?? result;
  const problems: Record<string, string> = {};
  for (const { path, message, type, context } of result.error?.details.slice(0, MOST_FAULTS) ?? []) {
    // An empty number field is sent as null: it is not a wrong number, it is missing.
    const empty = type === 'number.base' && context?.value === null;
    problems[path.join('.')] ??= empty ? `${context?.label} is needed.` : message;
  }
  return { value: result.value as T, problems };
}

/**
 * Every fault of a body that has one. Rules of our own (one name twice, places that meet) then look at what the schema has
 * refused already and may find anything there: where one cannot look, the first fault alone is told.
 */
function allFaults<T>(schema: Joi.Schema<T>, value: unknown): Joi.ValidationResult<T> | null {
  try {
    return schema.validate(value, { ...VALIDATION, abortEarly: false });
  } catch {
    return null;
  }
}

/** Two names that a person takes for one; what is no text is no name. */
export const sameName = (a: unknown, b: unknown): boolean =>
  typeof a === 'string' && typeof b === 'string' && a.toLowerCase() === b.toLowerCase();

/** Array types without `readonly`, as the schema library wants them. */
export type Mutable<T> = T extends readonly (infer E)[]
  ? Mutable<E>[]
  : T extends object
    ? { -readonly [K in keyof T]: Mutable<T[K]> }
    : T;

/** A fault that only the whole body shows, put at one of its fields ("bays.0.name"). `sentence` follows the label. */
export function faultAt(helpers: Joi.CustomHelpers, field: string, label: string, sentence: string): Joi.ErrorReport {
  const parts = field.split('.').map((part) => (/^\d+$/.test(part) ? Number(part) : part));
  const path = [...(helpers.state.path ?? []), ...parts];
  const state = (helpers.state as unknown as { localize(path: unknown[]): Joi.State }).localize(path);
  return helpers.error('body.fault', { field: label, name: sentence }, state);
}

/** Answer of a change that made something. */
export interface Made {
  readonly id: string;
}

/** Answer of a change to something that carries a version. */
export interface Versioned {
  readonly version: number;
}

export interface VersionBody {
  readonly version: number;
}
export const versionSchema = Joi.object<VersionBody, true>({ version });
