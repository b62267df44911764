import type Joi from 'joi';
import { describe, expect, test } from 'vitest';
import { check } from '../contract/fields.ts';
import { ENDPOINTS } from './endpoints.ts';

/** What a field may be sent as by somebody who means no good, or by a program that is wrong. */
const deep = Array.from({ length: 25 }).reduce<unknown>((inside) => ({ a: inside }), 'x');
const HOSTILE: readonly unknown[] = [
  null,
  7,
  Number.MAX_VALUE,
  '',
  'x'.repeat(5000),
  true,
  [],
  [null],
  [7, 7],
  ['a', null, {}, 'A'],
  {},
  { id: null },
  { length: 3, toLowerCase: 1 },
  [[[]]],
  deep,
  [deep, deep],
];

type Way = readonly (string | 0)[];

/** Every field of a schema, by the way to it; 0: an entry of a list. */
function* ways(schema: Joi.Description, way: Way = []): Generator<Way> {
  if (way.length > 8) return;
  yield way;
  const { keys = {}, items = [], matches = [], whens = [] } = schema as Joi.Description & Record<string, never>;
  for (const [key, one] of Object.entries(keys as Record<string, Joi.Description>)) yield* ways(one, [...way, key]);
  for (const one of items as Joi.Description[]) yield* ways(one, [...way, 0]);
  for (const { schema: one } of matches as { schema?: Joi.Description }[]) if (one) yield* ways(one, way);
  for (const { switch: of = [] } of whens as { switch?: { then?: Joi.Description }[] }[])
    for (const { then: one } of of) if (one) yield* ways(one, way);
}

/** A body with this at the end of the way; of a list two entries, so that rules between them are asked. */
const bodyWith = ([step, ...rest]: Way, value: unknown): unknown =>
  step === undefined
    ? value
    : step === 0
      ? [bodyWith(rest, value), bodyWith(rest, value)]
      : { [step]: bodyWith(rest, value) };

const WITH_BODY = ENDPOINTS.filter(({ body }) => body !== undefined).map(
  (one) => [`${one.method} ${one.path}`, one.body as unknown as Joi.Schema] as const,
);

describe('a body is refused in sentences, whatever its fields are sent as', () => {
  test('there are addresses that take a body', () => expect(WITH_BODY.length).toBeGreaterThan(150));
  test.each(WITH_BODY)('%s', (_name, schema) => {
    const seen = new Set([...ways(schema.describe())].map((way) => JSON.stringify(way)));
    for (const text of seen)
      for (const value of HOSTILE) {
        const sent = bodyWith(JSON.parse(text) as Way, value);
        const { problems } = check(schema, sent);
        for (const sentence of Object.values(problems)) expect(sentence, text).toMatch(/\S/);
      }
  });
});
