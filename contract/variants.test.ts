import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { startVariant } from '../core/vehicle/startVariant.ts';
import type { VariantBody } from '../core/vehicle/variantProblems.ts';
import { check } from './fields.ts';
import { MODEL_FILE, modelFileSchema, variantAddress, variantSchema } from './variants.ts';

const VAN: VariantBody = { ...startVariant('van'), makerName: 'Quay', modelName: 'Carrier', name: 'long' };
const BAY = {
  ...{ key: 'rear', name: 'rear', xMm: 2000, yMm: 0, zMm: 400, lengthMm: 800, widthMm: 900, heightMm: 400 },
  ...{ maxMassKg: 200, inside: false, access: 'lid', source: 'drawing' as const },
};
const faults = (change: object) => check(variantSchema, { ...VAN, ...change } as VariantBody).problems;

describe('a variant of the library', () => {
  test('every body begins as one that holds, once it is named', () => {
    for (const style of ['van', 'bus', 'lorry', 'fourByFour', 'tug', 'open'] as const)
      expect(
        check(variantSchema, { ...startVariant(style), makerName: 'a', modelName: 'b', name: 'c' }).problems,
      ).toEqual({});
    expect(Object.keys(faults({ makerName: '', modelName: '', name: '' }))).toEqual(['makerName', 'modelName', 'name']);
  });
  test.each<[object, string, RegExp]>([
    [{ yearFrom: 1980, yearTo: 1979 }, 'yearTo', /is before the first year/],
    [{ tyre: 'round' }, 'tyre', /cannot be read: write it like/],
    [{ bays: [{ ...BAY, xMm: 3200 }] }, 'bays.0.name', /The bay “rear” lies outside the body/],
    [{ bays: [{ ...BAY, yMm: 500 }] }, 'bays.0.name', /outside the body/],
    [{ bays: [{ ...BAY, zMm: 100 }] }, 'bays.0.name', /outside the body/],
    [{ bays: [BAY, { ...BAY, name: 'other' }] }, 'bays.1.name', /The bay “other” has the key of another one/],
    [{ gearbox: { ...VAN.gearbox, ratios: [3, 2, 2] } }, 'gearbox.ratios.2', /Gear 3 must be less than/],
    [
      { figures: { ...VAN.figures, wheelbase: { value: 3600, source: 'drawing' } } },
      'figures.wheelbase.value',
      /length/,
    ],
    [
      { figures: { ...VAN.figures, grossMass: { value: 1100, source: 'drawing' } } },
      'figures.grossMass.value',
      /weighs/,
    ],
    [
      { figures: { ...VAN.figures, wheelbase: { value: -1, source: 'drawing' } } },
      'figures.wheelbase.value',
      /at least/,
    ],
    [{ figures: { ...VAN.figures, wheelbase: undefined } }, 'figures.wheelbase', /needed/],
  ])('%j is said at %s', (change, path, sentence) => {
    const found = faults(change);
    expect(Object.keys(found)).toContain(path);
    expect(found[path]).toMatch(sentence);
  });
  test('just inside the body is inside', () => {
    // Overhang 640, length 3900: the rear end lies at 3260; a bay of 800 may reach 60 mm further.
    expect(faults({ bays: [{ ...BAY, xMm: 2920 }] })).toEqual({});
    expect(Object.keys(faults({ bays: [{ ...BAY, xMm: 2921 }] }))).toEqual(['bays.0.name']);
  });
  test('a change says the same below its own name', () => {
    const body = { variant: { ...VAN, bays: [{ ...BAY, xMm: 9000 }] }, version: 1 };
    expect(Object.keys(check(variantAddress.change.body!, body).problems)).toEqual(['variant.bays.0.name']);
  });
});

describe('models as a file', () => {
  test('are described by a published schema', async () => {
    const { jsonSchemaOf } = await import('./jsonSchema.ts');
    const text = `${JSON.stringify(jsonSchemaOf(modelFileSchema, 'Dajo file of vehicle models'), null, 2)}\n`;
    await expect(text).toMatchFileSnapshot('../docs/model.schema.json');
    const { default: Ajv } = await import('ajv/dist/2020.js');
    const holds = new Ajv({ strict: false }).compile(
      JSON.parse(readFileSync('docs/model.schema.json', 'utf8')) as object,
    );
    const file = { ...MODEL_FILE, variants: [VAN] };
    expect(check(modelFileSchema, file).problems).toEqual({});
    expect(holds(file)).toBe(true);
    expect(holds({ ...file, version: 2 })).toBe(false);
    expect(holds({ ...file, variants: [{ ...VAN, tyre: 7 }] })).toBe(false);
  });
});
