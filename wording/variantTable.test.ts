import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { check } from '../contract/fields.ts';
import { variantSchema } from '../contract/variants.ts';
import { startVariant } from '../core/vehicle/startVariant.ts';
import type { VariantBody } from '../core/vehicle/variantProblems.ts';
import { VARIANT_COLUMNS } from './variantColumns.ts';
import { nameOfVariant, readVariants, variantCsv, variantFile, variantVerdict } from './variantTable.ts';

const STYLES = ['van', 'bus', 'lorry', 'fourByFour', 'tug', 'open'] as const;
const word = fc.stringMatching(/^[A-Za-z=+@;,"' -]{1,20}$/).filter((text) => text.trim() === text && text !== '');
/** Models that hold, with names that spreadsheets trip over, and optional parts there or not. */
const model = fc
  .record({
    style: fc.constantFrom(...STYLES),
    makerName: word,
    modelName: word,
    name: word,
    side: fc.constantFrom('left', 'right', undefined),
    towing: fc.option(
      fc.record({ massKg: fc.integer({ min: 0, max: 3000 }), ballKg: fc.integer({ min: 0, max: 200 }) }),
    ),
    low: fc.option(fc.constantFrom(1.5, 2.25, 2.6)),
    luggage: fc.option(fc.array(fc.record({ name: word, litres: fc.integer({ min: 1, max: 900 }) }), { maxLength: 3 })),
    ratios: fc.constantFrom([], [3.4, 2.1, 1.4, 1], [4.5, 0.9]),
  })
  .map(({ style, side, towing, low, luggage, ratios, ...names }): VariantBody => {
    const start = startVariant(style);
    return {
      ...start,
      ...names,
      ...(side && { steeringSide: side }),
      ...(towing && { towing }),
      ...(luggage && { luggage }),
      gearbox: { ...start.gearbox, ratios, ...(low && { transferLow: low }) },
    };
  });
const models = fc.uniqueArray(model, {
  minLength: 1,
  maxLength: 6,
  selector: (one) => nameOfVariant(one).toLowerCase(),
});
const held = (body: VariantBody) => check(variantSchema, body as never).value;

describe('models as a table and as a file', () => {
  test('out and in again is the same, whatever they are called', async () => {
    await fc.assert(
      fc.asyncProperty(models, async (all) => {
        for (const text of [variantCsv(all), JSON.stringify(variantFile(all)), JSON.stringify(all)]) {
          const read = await readVariants(text);
          expect(read.fault).toBeNull();
          expect(read.rows.flatMap(({ faults }) => faults)).toEqual([]);
          expect(read.rows.map(({ variant }) => variant)).toEqual(all.map(held));
        }
      }),
      { numRuns: 40 },
    );
  });
  test('every field of a model that the schema knows has a column', () => {
    const keys = new Set(VARIANT_COLUMNS.map(({ path }) => path[0]));
    const known = Object.keys((variantSchema.describe() as { keys: object }).keys);
    expect([...keys].sort()).toEqual(known.sort());
    const heads = VARIANT_COLUMNS.map(({ head }) => head.toLowerCase());
    expect(new Set(heads).size).toBe(heads.length);
  });
  test('what a row has wrong is told at the row, and the others stand', async () => {
    const all = STYLES.slice(0, 3).map((style) => ({
      ...startVariant(style),
      makerName: 'A',
      modelName: 'B',
      name: style,
    }));
    const [head, ...lines] = variantCsv(all).trim().split('\r\n');
    const spoiled = lines.map((line, i) => (i === 1 ? line.replace('A,B,bus,', 'A,B,bus,old') : line));
    const { rows, fault } = await readVariants([head, ...spoiled].join('\r\n'));
    expect(fault).toBeNull();
    expect(rows.map(({ variant }) => variant !== null)).toEqual([true, false, true]);
    expect(rows[1]).toMatchObject({ line: 3, name: 'A B bus', faults: ['First year is not a number.'] });
  });
  test('a list that was mended by hand and broken is told as that', async () => {
    const [head, line] = variantCsv([{ ...startVariant('van'), makerName: 'A', modelName: 'B', name: 'C' }])
      .trim()
      .split('\r\n');
    const at = await readVariants(`${head}\r\n${line!.replace(/\[\]/, '[')}`);
    expect(at.rows[0]!.faults.join()).toMatch(/is not a list as Dajo writes it/);
  });
  test('more than so many are refused at once', async () => {
    const many = Array.from({ length: 501 }, () => ({}));
    expect((await readVariants(JSON.stringify(many))).fault).toMatch(/501 models; at most 500/);
    expect((await readVariants(JSON.stringify({ format: 'dajo models', version: 1, variants: many }))).fault).toMatch(
      /501 models/,
    );
    expect((await readVariants(`Maker\n${'x\n'.repeat(501)}`)).fault).toMatch(/501 models; at most 500/);
  });
  test('the order of points and the capitals of a maker are no change; a moved bay is one', async () => {
    const start = startVariant('van');
    const point = { xMm: 0, yMm: 0, zMm: 300, thread: 'M12', usedFor: '', loadN: 0, source: 'drawing' as const };
    const points = ['a', 'b', 'c'].map((key) => ({ ...point, key, name: `point ${key}` }));
    const stored = { ...start, id: 'x', makerName: 'Quay', modelName: 'Carrier', name: 'long', mountingPoints: points };
    const verdict = async (change: object) => {
      const { id: _, ...body } = { ...stored, ...change };
      return variantVerdict((await readVariants(JSON.stringify([body]))).rows[0]!, stored);
    };
    expect(await verdict({})).toBe('alike');
    expect(await verdict({ mountingPoints: points.toReversed(), makerName: 'QUAY' })).toBe('alike');
    expect(await verdict({ mountingPoints: points.slice(1) })).toBe('changed');
    expect(await verdict({ tyre: '155/80 R 13' })).toBe('changed');
  });
  test('others have their turn while many are read', async () => {
    let turns = 0;
    const start = startVariant('van');
    const many = Array.from({ length: 60 }, (_, i) => ({ ...start, makerName: 'A', modelName: 'B', name: `v${i}` }));
    for (const text of [variantCsv(many), JSON.stringify(many)])
      await readVariants(text, async () => {
        turns++;
      });
    expect(turns).toBe(12);
  });
});
