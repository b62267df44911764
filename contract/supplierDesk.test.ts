import { describe, expect, test } from 'vitest';
import { check } from './fields.ts';
import { jsonSchemaOf } from './jsonSchema.ts';
import { deskAnswerSchema, deskOrderSchema } from './supplierDesk.ts';

describe('what a desk and Dajo say to each other', () => {
  test('is described by a published schema', async () => {
    const described = {
      order: jsonSchemaOf(deskOrderSchema, 'An order, as Dajo puts it'),
      messages: jsonSchemaOf(deskAnswerSchema, 'What a desk answers when it is asked'),
    };
    await expect(`${JSON.stringify(described, null, 2)}\n`).toMatchFileSnapshot('../docs/supplier-desk.schema.json');
  });
  test('is taken as it should be and refused as it should not', () => {
    const good = { key: 'k', kind: 'dispatched', note: 'N', arrivesOn: null, lines: [{ line: 1, quantity: 2 }] };
    const problems = (message: object) => check(deskAnswerSchema, { messages: [message] }).problems;
    expect(problems(good)).toEqual({});
    expect(problems({ ...good, kind: 'dancing' })).not.toEqual({});
    expect(problems({ ...good, lines: [{ line: 1, quantity: -1 }] })).not.toEqual({});
    expect(problems({ ...good, lines: [good.lines[0], good.lines[0]] })).not.toEqual({});
    expect(problems({ key: 'k', kind: 'confirmed', lines: [{ line: 1, promisedOn: '2026-02-30' }] })).not.toEqual({});
  });
});
