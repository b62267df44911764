import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Field, Fields } from '../core/component/field.ts';
import { KIND_NAME, KINDS } from '../core/component/kinds/index.ts';
import { fieldsFault, readComponent } from '../core/component/readSheet.ts';
import type { ComponentKind } from '../core/component/sheets.ts';
import { CHARGER, DRIVE, MODULE } from '../core/testing/wren.ts';
import { SHEET_SCHEMAS } from './component.ts';
import { check } from './fields.ts';

const kinds = Object.keys(KINDS) as ComponentKind[];

/** Random values of a field, as its descriptor allows them. */
function good(field: Field): fc.Arbitrary<unknown> {
  switch (field.type) {
    case 'number':
      return field.whole
        ? fc.integer({ min: field.min, max: field.max })
        : fc
            .double({ min: field.min, max: field.max, noNaN: true })
            .map((x) => Math.min(field.max, Math.max(field.min, x + 0)));
    case 'choice':
      return fc.constantFrom(...field.options);
    case 'text':
      return fc.stringMatching(/^[a-z0-9 ×-]{0,12}$/).map((x) => x.trim());
    case 'flag':
      return fc.boolean();
    case 'rows':
      return fc.array(goodFields(field.of), {
        minLength: field.least,
        maxLength: Math.min(field.most, field.least + 3),
      });
    case 'series':
      return fc.array(good({ ...field.each, label: '' }), { maxLength: 3 });
    case 'grid':
      return fc.array(fc.array(good({ ...field.each, label: '' }), { maxLength: 3 }), { maxLength: 3 });
    case 'group':
      return goodFields(field.of);
  }
}
const goodFields = (fields: Fields): fc.Arbitrary<Record<string, unknown>> => {
  const of = Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, good(field)]));
  const needed = Object.keys(fields).filter((name) => !fields[name]!.optional);
  return fc.record(of, { requiredKeys: needed }) as fc.Arbitrary<Record<string, unknown>>;
};
const spoil = fc.constantFrom<unknown>(null, 'x', -1e12, 1e12, Number.NaN, [], {}, true, [null], [{ rpm: 'fast' }]);
const joiTakes = (kind: ComponentKind, sheet: unknown) =>
  Object.keys(check(SHEET_SCHEMAS[kind], sheet).problems).length === 0;

describe.each(kinds)('%s: the descriptor, the reader of rows and the schema agree', (kind) => {
  test('about every sheet that is as described', () => {
    fc.assert(
      fc.property(goodFields(KINDS[kind]), (sheet) => {
        expect(fieldsFault(KINDS[kind], sheet)).toBeNull();
        expect(joiTakes(kind, sheet)).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
  test('about a sheet with any one field spoiled, left out or added', () => {
    const names = Object.keys(KINDS[kind]);
    fc.assert(
      fc.property(
        goodFields(KINDS[kind]),
        fc.constantFrom(...names, 'surprise'),
        fc.option(spoil),
        (sheet, name, put) => {
          const { [name]: _, ...rest } = sheet;
          const changed = put === null ? rest : { ...rest, [name]: put };
          // Joi takes what can be read as a number; rows of the database have to be what they are.
          const ours = fieldsFault(KINDS[kind], changed) === null;
          if (ours) expect(joiTakes(kind, changed)).toBe(true);
          else if (!joiTakes(kind, changed))
            expect(fieldsFault(KINDS[kind], changed)).toMatch(new RegExp(`^${name}|sheet`));
        },
      ),
      { numRuns: 60 },
    );
  });
  test('has a name, and labels a person can read', () => {
    expect(KIND_NAME[kind].length).toBeGreaterThan(3);
    for (const field of Object.values(KINDS[kind] as Fields)) expect(field.label).toMatch(/^[A-Z]/);
  });
});

describe('rows of the database', () => {
  test('what is as its kind says is read as it is', () => {
    for (const part of [MODULE, DRIVE, CHARGER]) expect(readComponent(part)).toEqual({ component: part });
  });
  test('a fault is named to the place', () => {
    const curve = [
      { rpm: 0, peakNm: 100, continuousNm: 50 },
      { rpm: 'fast', peakNm: 60, continuousNm: 30 },
    ];
    const spoiled = { ...DRIVE, sheet: { ...DRIVE.sheet, curve } };
    expect(readComponent(spoiled as never)).toEqual({ fault: 'sheet.curve.1.rpm' });
    expect(readComponent({ ...MODULE, kind: 'flux' } as never)).toEqual({ fault: 'kind' });
    expect(readComponent({ ...MODULE, sheet: { ...MODULE.sheet, cellsSeries: 1.5 } })).toEqual({
      fault: 'sheet.cellsSeries',
    });
    expect(readComponent({ ...MODULE, sheet: null } as never)).toEqual({ fault: 'sheet.sheet' });
  });
});
