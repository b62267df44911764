import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { check } from './fields.ts';
import type { KitFile } from './kitFile.ts';
import { KIT_FILE, kitFileSchema } from './kitFile.ts';

const FILE: KitFile = {
  ...KIT_FILE,
  name: 'Van kit',
  revision: 'A',
  model: 'Ostrel Wren',
  variants: [{ id: 'wren-11', name: '1.1 panel van' }],
  note: '',
  content: {
    lines: [{ componentId: 'fuse-1', quantity: 1, packedIn: 'crate 1', appliesWhen: null }],
    options: [],
    layout: { boxes: [], strings: 1 },
    torqueCapNm: null,
    gear: null,
    cover: {},
    exclusions: [],
    stages: [],
  },
  components: [
    {
      id: 'fuse-1',
      component: {
        kind: 'fuse',
        name: 'Fuse',
        supplier: 'Works',
        massKg: 0.1,
        lengthMm: 38,
        widthMm: 10,
        heightMm: 10,
        priceCents: 100,
        leadDays: 3,
        partNumber: 'F-1',
        pricedOn: null,
        alternatives: [],
        covers: [],
        highVoltage: true,
        sheet: { ratedA: 100, maxV: 500, breakingA: 20_000 },
      },
    },
  ],
};
const faults = (change: object) => check(kitFileSchema, { ...FILE, ...change }).problems;

describe('a kit file', () => {
  test('is taken as it was written', () => {
    const { value, problems } = check(kitFileSchema, JSON.parse(JSON.stringify(FILE)));
    expect(problems).toEqual({});
    expect(value).toEqual(FILE);
  });
  test.each([
    ['of a newer version', { version: 2 }, 'version', /newer Dajo/],
    ['of something else', { format: 'design' }, 'format', /not one of the choices/],
    [
      'with a line nobody describes',
      { components: [] },
      'content.lines.0.componentId',
      /fuse-1, which the file does not/,
    ],
    [
      'with a component that is not as its kind says',
      { components: [{ id: 'fuse-1', component: { ...FILE.components[0]!.component, sheet: { ratedA: -5 } } }] },
      'components.0.component.sheet.ratedA',
      /at least/,
    ],
    ['with a script for a name', { name: `x${'\u0000'}` }, 'name', /cannot be stored/],
  ])('%s is told where and why', (_, change, path, sentence) => {
    expect(faults(change)[path]).toMatch(sentence);
  });
  test('is described by a published schema', async () => {
    const { jsonSchemaOf } = await import('./jsonSchema.ts');
    const text = `${JSON.stringify(jsonSchemaOf(kitFileSchema, 'Dajo kit file'), null, 2)}\n`;
    await expect(text).toMatchFileSnapshot('../docs/kit.schema.json');
    const { default: Ajv } = await import('ajv/dist/2020.js');
    const holds = new Ajv({ strict: false }).compile(
      JSON.parse(readFileSync('docs/kit.schema.json', 'utf8')) as object,
    );
    expect(holds(FILE)).toBe(true);
    expect(holds({ ...FILE, version: 2 })).toBe(false);
  });
});
