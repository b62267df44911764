import type Joi from 'joi';
import convert from 'joi-to-json';

/** JSON Schema writes a pattern without its flags, and needs no type beside a list of values. */
function tidied(schema: unknown): unknown {
  if (Array.isArray(schema)) return schema.map(tidied);
  if (typeof schema !== 'object' || schema === null) return schema;
  const { type, ...rest } = schema as Record<string, unknown>;
  const kept = type !== undefined && !('enum' in rest) ? { type, ...rest } : rest;
  return Object.fromEntries(
    Object.entries(kept).map(([key, value]) => [
      key,
      key === 'pattern' && typeof value === 'string' ? value.replace(/\/[a-z]+$/, '') : tidied(value),
    ]),
  );
}

/** What a schema of the contract says, as JSON Schema 2020-12, for readers who do not speak ours. */
export const jsonSchemaOf = (schema: Joi.Schema, title: string): object => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title,
  ...(tidied(convert(schema, 'json-draft-2019-09')) as object),
});
