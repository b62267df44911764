import type Joi from 'joi';
import convert from 'joi-to-json';

/** What a schema of the contract says, as JSON Schema 2020-12, for readers who do not speak ours. */
export function jsonSchemaOf(schema: Joi.Schema, title: string): object {
  const converted = convert(schema, 'json-draft-2019-09') as Record<string, unknown>;
  return { ...converted, $schema: 'https://json-schema.org/draft/2020-12/schema', title };
}
