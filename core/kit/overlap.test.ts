import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { Component } from '../component/sheets.ts';
import { MODULE } from '../testing/wren.ts';
import { type KitLine, type KitRevision, kitParts } from './kit.ts';
import { doubled } from './overlap.ts';

const VARIANTS = ['v1', 'v2', 'v3'];
const OPTIONS = ['boot', 'charger'];
const when = fc.option(
  fc.record(
    {
      variantIds: fc.uniqueArray(fc.constantFrom(...VARIANTS), { minLength: 1 }),
      option: fc.constantFrom(...OPTIONS),
      without: fc.constantFrom(...OPTIONS),
    },
    { requiredKeys: [] },
  ),
);
const PARTS = ['a', 'b'].map((id) => ({ ...MODULE, id }) as Component);
const LIBRARY = new Map(PARTS.map((part) => [part.id, part]));
const CHOICES = [[], ['boot'], ['charger'], OPTIONS];

test('lines that are not doubled never yield a component twice, on any variant with any options, and doubled ones do', () => {
  const line = fc.record({ componentId: fc.constantFrom('a', 'b'), appliesWhen: when });
  fc.assert(
    fc.property(fc.array(line, { maxLength: 5 }), (some) => {
      const lines = some.map((one) => ({ ...one, quantity: 1, packedIn: '' }) as KitLine);
      // A line that asks for an option and its absence applies nowhere: whether it is told as doubled does not matter.
      const possible = lines.filter(
        ({ appliesWhen }) => !appliesWhen?.option || appliesWhen.option !== appliesWhen.without,
      );
      const twice = VARIANTS.some((variant) =>
        CHOICES.some((options) => {
          const ids = kitParts({ lines: possible } as unknown as KitRevision, LIBRARY, variant, options).map(
            ({ component }) => component.id,
          );
          return new Set(ids).size < ids.length;
        }),
      );
      expect(doubled(possible).length > 0).toBe(twice);
    }),
    { numRuns: 500 },
  );
});

test('fourteen modules always and thirteen with the boot kept; thirteen are meant to stand instead', () => {
  const line = (appliesWhen: KitLine['appliesWhen']) => ({ componentId: 'a', appliesWhen });
  expect(doubled([line(null), line({ option: 'boot' })])).toEqual([[0, 1]]);
  expect(doubled([line({ without: 'boot' }), line({ option: 'boot' })])).toEqual([]);
  // Revisions of one model are one model.
  expect(doubled([line({ variantIds: ['wren-11'] }), line({ variantIds: ['wren-11.r2'] })])).toEqual([[0, 1]]);
});
