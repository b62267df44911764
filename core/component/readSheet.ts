import type { Field, Fields } from './field.ts';
import { KINDS } from './kinds/index.ts';
import type { Component, ComponentKind } from './sheets.ts';

/** Where a stored value is not what its field says: "curve.2.rpm"; null when all is well. */
function fieldFault(field: Field, value: unknown, path: string): string | null {
  if (value === undefined) return field.optional ? null : path;
  switch (field.type) {
    case 'number':
      return isIn(field, value) ? null : path;
    case 'choice':
      return (field.options as readonly unknown[]).includes(value) ? null : path;
    case 'text':
      return typeof value === 'string' && value.length <= field.max ? null : path;
    case 'flag':
      return typeof value === 'boolean' ? null : path;
    case 'rows':
      if (!Array.isArray(value) || value.length < field.least || value.length > field.most) return path;
      return firstFault(value, (entry, i) => fieldsFault(field.of, entry, `${path}.${i}`));
    case 'series':
      if (!Array.isArray(value) || value.length > field.most) return path;
      return firstFault(value, (entry, i) => (isIn(field.each, entry) ? null : `${path}.${i}`));
    case 'grid':
      if (!Array.isArray(value) || value.length > field.most) return path;
      return firstFault(value, (line, i) =>
        Array.isArray(line) && line.length <= field.most
          ? firstFault(line, (entry, k) => (isIn(field.each, entry) ? null : `${path}.${i}.${k}`))
          : `${path}.${i}`,
      );
    case 'group':
      return fieldsFault(field.of, value, path);
  }
}

/** The first fault of an object against its fields; a field it should not have is one too. */
export function fieldsFault(fields: Fields, value: unknown, path = ''): string | null {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return path || 'sheet';
  const at = (name: string) => (path ? `${path}.${name}` : name);
  for (const name in fields) {
    const fault = fieldFault(fields[name]!, (value as Record<string, unknown>)[name], at(name));
    if (fault !== null) return fault;
  }
  const unknown = Object.keys(value).find((name) => !(name in fields));
  return unknown === undefined ? null : at(unknown);
}

const isIn = (field: { readonly min: number; readonly max: number; readonly whole?: true }, value: unknown): boolean =>
  typeof value === 'number' &&
  value >= field.min &&
  value <= field.max &&
  (field.whole === undefined || Number.isInteger(value));

function firstFault<T>(list: readonly T[], faultOf: (entry: T, i: number) => string | null): string | null {
  for (const [i, entry] of list.entries()) {
    const fault = faultOf(entry, i);
    if (fault !== null) return fault;
  }
  return null;
}

const isKind = (kind: string): kind is ComponentKind => Object.hasOwn(KINDS, kind);

/** A stored component whose kind and sheet are what they say, or where they are not. */
export function readComponent(
  stored: Omit<Component, 'kind' | 'sheet'> & { readonly kind: string; readonly sheet: unknown },
): { readonly component: Component } | { readonly fault: string } {
  if (!isKind(stored.kind)) return { fault: 'kind' };
  const fault = fieldsFault(KINDS[stored.kind], stored.sheet);
  return fault === null ? { component: stored as Component } : { fault: `sheet.${fault}` };
}
