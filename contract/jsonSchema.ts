import type Joi from 'joi';
import convert from 'joi-to-json';

type Json = Record<string, unknown>;

/** JSON Schema writes a pattern without its flags, and needs no type beside a list of values. */
function tidied(schema: unknown): unknown {
  if (Array.isArray(schema)) return schema.map(tidied);
  if (typeof schema !== 'object' || schema === null) return schema;
  const { type, ...rest } = schema as Json;
  const kept = type !== undefined && !('enum' in rest) ? { type, ...rest } : rest;
  return Object.fromEntries(
    Object.entries(kept).map(([key, value]) => [
      key,
      key === 'pattern' && typeof value === 'string' ? value.replace(/\/[a-z]+$/, '') : tidied(value),
    ]),
  );
}

interface Terms {
  readonly keys?: readonly { readonly key: string; readonly schema: Joi.Schema }[] | null;
  readonly items?: readonly Joi.Schema[];
  readonly patterns?: readonly { readonly schema?: Joi.Schema; readonly rule: Joi.Schema }[] | null;
}

const plain = (schema: Joi.Schema): Json => tidied(convert(schema, 'json-draft-2019-09')) as Json;

/** The converter leaves out objects whose keys are themselves of a schema (what each cable carries): they are put in. */
function withPatterns(schema: Joi.Schema, json: Json): Json {
  const { keys, items, patterns } = schema.$_terms as Terms;
  const properties = json.properties as Record<string, Json> | undefined;
  const grown = properties && {
    properties: Object.fromEntries(
      Object.entries(properties).map(([name, inner]) => {
        const own = keys?.find((one) => one.key === name)?.schema;
        return [name, own ? withPatterns(own, inner) : inner];
      }),
    ),
  };
  const each = items?.[0] && json.items ? { items: withPatterns(items[0], json.items as Json) } : {};
  const named = (patterns ?? []).map(({ schema: key, rule }) => [
    key ? (plain(key).pattern ?? '.*') : '.*',
    plain(rule),
  ]);
  const whole: Json = { ...json, ...grown, ...each };
  return named.length > 0 ? { ...whole, patternProperties: Object.fromEntries(named) } : whole;
}

/** What a schema of the contract says, as JSON Schema 2020-12, for readers who do not speak ours. */
export const jsonSchemaOf = (schema: Joi.Schema, title: string): object => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title,
  ...withPatterns(schema, plain(schema)),
});
