import { readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { EMPTY_DESIGN } from '../core/design/inputs.ts';
import { USUAL_LV_LOADS } from '../core/lowvoltage/loads.ts';
import { DESIGN_FILE, type DesignFile, designFileSchema } from './design.ts';
import { check } from './fields.ts';

const published = new Ajv2020({ strict: true, allowUnionTypes: true }).compile(
  JSON.parse(readFileSync('docs/design.schema.json', 'utf8')) as object,
);
const ours = (file: unknown) => Object.keys(check(designFileSchema, file).problems).length === 0;

const FULL: DesignFile = {
  ...DESIGN_FILE,
  name: 'A',
  variant: 'Van one',
  inputs: {
    ...EMPTY_DESIGN,
    moduleId: 'module-n6',
    measuredAh: 98,
    packs: 'parallel',
    packCooling: 'liquid',
    boxes: [{ bay: 'rear', modules: 4, shiftMm: 10, shiftYMm: -5, shiftZMm: 0, moduleId: null, parallel: 2, pack: 2 }],
    drive: {
      motors: 2,
      reduction: 9.1,
      shifting: true,
      shiftTimeS: 0.5,
      transferLow: true,
      powerCapW: 50_000,
      efficiency: 0.9,
      curve: [
        { rpm: 0, peakNm: 100, continuousNm: 50 },
        { rpm: 5000, peakNm: 60, continuousNm: 30 },
      ],
      regenShare: 0.4,
      regenPowerW: null,
      regenCeiling: 0.9,
    },
    dcMaxW: 40_000,
    electric: {
      prechargeS: 1,
      prechargeShare: 0.95,
      cableLengthM: 4,
      cableDrop: 0.015,
      cableC: 60,
      bendFactor: 5,
      ampacity: { 'cable-35': 160 },
      lvLoads: USUAL_LV_LOADS,
    },
    others: [{ componentId: 'pump', quantity: 1, xMm: null, yMm: 100 }],
    items: [{ name: 'seat', massKg: -12, xMm: 1000, yMm: 400 }],
  },
  figures: { packEnergy: 30_000 },
};

describe('the design file', () => {
  test('is described by what is published (vitest -u renews it)', async () => {
    const { jsonSchemaOf } = await import('./jsonSchema.ts');
    const text = `${JSON.stringify(jsonSchemaOf(designFileSchema, 'Design of a conversion'), null, 2)}\n`;
    await expect(text).toMatchFileSnapshot('../docs/design.schema.json');
  });
  test('a file with every field is taken by both the published schema and ours', () => {
    expect(published(FULL), JSON.stringify(published.errors)).toBe(true);
    expect(ours(FULL)).toBe(true);
    expect(published({ ...FULL, inputs: EMPTY_DESIGN, figures: undefined })).toBe(true);
  });

  /** Every place in the file, as a path. */
  const paths = (value: unknown, at: (string | number)[] = []): (string | number)[][] =>
    typeof value === 'object' && value !== null
      ? [
          at,
          ...Object.entries(value).flatMap(([key, inner]) =>
            paths(inner, [...at, Array.isArray(value) ? Number(key) : key]),
          ),
        ]
      : [at];
  const withAt = (file: unknown, [key, ...rest]: (string | number)[], put: unknown): unknown => {
    if (key === undefined) return put;
    const copy = (Array.isArray(file) ? [...file] : { ...(file as object) }) as Record<string | number, unknown>;
    copy[key] = withAt(copy[key], rest, put);
    return copy;
  };
  test('both agree about a file with any one place made wrong', () => {
    const anything = fc.oneof(
      fc.constant(null),
      fc.constant([]),
      fc.constant({}),
      fc.boolean(),
      fc.integer({ min: -10, max: 100_000 }),
      fc.double({ min: -1, max: 2, noNaN: true }),
      fc.constant('series'),
      fc.constant('UPPER CASE'),
    );
    // Figures are for the reader and open; the order of a curve is beyond what a schema can say.
    const places = paths(FULL).filter((path) => path.length > 0 && path[0] !== 'figures' && !path.includes('curve'));
    fc.assert(
      fc.property(fc.constantFrom(...places), anything, (path, put) => {
        const file = withAt(FULL, path, put);
        // Ours reads "3" as 3 and trims text; such files are not made here, since every value put is of a plain kind.
        return published(file) === ours(file);
      }),
      { numRuns: 1500 },
    );
  });
  test('an unknown field is refused by both', () => {
    const file = { ...FULL, inputs: { ...FULL.inputs, colour: 'red' } };
    expect([published(file), ours(file)]).toEqual([false, false]);
  });
  test('a curve out of order is refused on import', () => {
    const curve = [...FULL.inputs.drive!.curve!].reverse();
    const { problems } = check(designFileSchema, { ...FULL, inputs: { ...FULL.inputs, drive: { curve } } });
    expect(problems['inputs.drive.curve']).toBe('Torque curve must rise in speed from point to point.');
  });
});
