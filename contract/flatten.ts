import type Joi from 'joi';
import type { FieldMeaning } from './fields.ts';

/** One value of a body, with the name a person knows it by. */
export interface FlatField {
  readonly label: string;
  readonly value: string | number | boolean | null;
  readonly meaning: FieldMeaning;
}

/**
 * The parts of a schema that are read here. They are what Joi offers to its extensions; its own `describe` is left out
 * of the build for browsers.
 */
interface Described {
  readonly _flags: { readonly label?: string };
  readonly $_terms: {
    readonly metas?: readonly FieldMeaning[] | null;
    readonly keys?: readonly { readonly key: string; readonly schema: Described }[] | null;
    readonly items?: readonly Described[] | null;
    readonly patterns?: readonly { readonly rule: Described }[] | null;
  };
}

/** What tells the entries of a list apart, so that one that moved is still the same. */
const NAMES_ENTRY = ['bay', 'componentId', 'name', 'id'] as const;

/**
 * Every value of a body by its path, as its schema names it. What the schema does not know keeps its key for a name, so
 * that nothing a body holds is ever left out; what is missing or null is left out.
 */
export function flatten(schema: Joi.Schema, body: unknown): Map<string, FlatField> {
  const fields = new Map<string, FlatField>();
  walk(schema as unknown as Described, body, [], [], fields);
  return fields;
}

function walk(
  described: Described | undefined,
  value: unknown,
  path: readonly string[],
  labels: readonly string[],
  into: Map<string, FlatField>,
): void {
  if (value === undefined || value === null) return;
  if (typeof value !== 'object') {
    const meaning = Object.assign({}, ...(described?.$_terms.metas ?? [])) as FieldMeaning;
    into.set(path.join('/'), { label: labels.join(', '), value: value as FlatField['value'], meaning });
    return;
  }
  if (Array.isArray(value)) {
    const seen = new Map<string, number>();
    for (const [i, entry] of value.entries()) {
      const name = nameOf(entry);
      const times = name === null ? 0 : (seen.get(name) ?? 0) + 1;
      if (name !== null) seen.set(name, times);
      const key = name === null ? `${i + 1}` : times > 1 ? `${name} ${times}` : name;
      walk(described?.$_terms.items?.[0], entry, [...path, key], [...labels, key], into);
    }
    return;
  }
  for (const [key, inner] of Object.entries(value)) {
    const own = described?.$_terms.keys?.find((field) => field.key === key)?.schema;
    const known = own ?? described?.$_terms.patterns?.[0]?.rule;
    const named = own ? (own._flags.label ?? key) : `${known?._flags.label ?? ''} ${key}`.trim();
    // A group says its name once, before what is in it; the whole body needs none.
    walk(known, inner, [...path, key], [...labels, named], into);
  }
}

function nameOf(entry: unknown): string | null {
  if (typeof entry !== 'object' || entry === null || Array.isArray(entry)) return null;
  for (const key of NAMES_ENTRY) {
    const value = (entry as Record<string, unknown>)[key];
    if (typeof value === 'string' && value !== '') return value;
  }
  return null;
}
