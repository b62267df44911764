import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { KitRevision } from '../kit/kit.ts';
import { type Criterion, inOrder, optionSets, type RankedKit } from './rankKits.ts';

const CRITERIA: Criterion[] = [
  ...(['notForIt', 'firmBroken', 'misfits', 'wishesMissed', 'toMeasure'] as const),
  ...(['gaps', 'priceCents', 'hours', 'leadDays'] as const),
];
const way = (id: string, by: Partial<RankedKit['by']>): Omit<RankedKit, 'behind'> => ({
  revision: { id } as KitRevision,
  options: [],
  verdict: 'fits',
  firm: 1,
  wishes: 1,
  against: [],
  by: { ...(Object.fromEntries(CRITERIA.map((one) => [one, 0])) as RankedKit['by']), ...by },
});
const ids = (ways: readonly RankedKit[]) => ways.map(({ revision }) => revision.id);

describe('which kit', () => {
  test('a broken firm line comes after everything else, a dearer one after a cheaper, each with its reason', () => {
    const ranked = inOrder([
      way('cheap but breaks', { firmBroken: 1, priceCents: 1 }),
      way('dear', { priceCents: 300 }),
      way('good', { priceCents: 200 }),
      way('misses a wish', { wishesMissed: 1, priceCents: 100 }),
    ]);
    expect(ids(ranked)).toEqual(['good', 'dear', 'misses a wish', 'cheap but breaks']);
    expect(ranked.map(({ behind }) => behind)).toEqual([null, 'priceCents', 'wishesMissed', 'firmBroken']);
  });
  test('nothing stands above what dominates it', () => {
    const some = fc.array(
      fc
        .tuple(...CRITERIA.map(() => fc.integer({ min: 0, max: 2 })))
        .map((values) => way('w', Object.fromEntries(CRITERIA.map((one, i) => [one, values[i]!])))),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(some, (ways) => {
        const ranked = inOrder(ways);
        const dominates = (a: RankedKit, b: RankedKit) =>
          CRITERIA.every((one) => a.by[one] <= b.by[one]) && CRITERIA.some((one) => a.by[one] < b.by[one]);
        for (const [i, above] of ranked.entries())
          for (const below of ranked.slice(i + 1)) expect(dominates(below, above)).toBe(false);
      }),
    );
  });
  test('of three options there are eight choices, of many only none, each alone and all', () => {
    expect(optionSets(['a', 'b', 'c'])).toHaveLength(8);
    expect(new Set(optionSets(['a', 'b', 'c']).map((set) => set.join('')))).toHaveProperty('size', 8);
    expect(optionSets(['a', 'b', 'c', 'd', 'e'])).toEqual([
      [],
      ['a'],
      ['b'],
      ['c'],
      ['d'],
      ['e'],
      ['a', 'b', 'c', 'd', 'e'],
    ]);
    expect(optionSets([])).toEqual([[]]);
  });
});
