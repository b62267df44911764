import fc from 'fast-check';
import highsLoader from 'highs';
import { beforeAll, describe, expect, test } from 'vitest';
import type { Component } from '../component/sheets.ts';
import { highsSolver } from '../milp/highs.ts';
import type { Solver } from '../milp/solver.ts';
import { programme } from './complete.ts';
import { meets, piecesOf, type Requirement, requirementsOf } from './requirements.ts';

let solve: Solver;
beforeAll(async () => {
  solve = highsSolver(await highsLoader());
});
const part = (id: string, covers: readonly string[], more: object = {}): Component =>
  ({ id, name: id, kind: 'other', covers, priceCents: 10_000, massKg: 1, sheet: {}, ...more }) as unknown as Component;
const needs = (...ids: string[]) => ({
  sheet: { companions: ids.map((component) => ({ what: component, component })) },
});
const one = (component: Component) => ({ component, quantity: 1 });
const NOBODY = new Set<string>();

/** What the programme takes, by id. */
function taken(
  parts: readonly Component[],
  wanted: readonly Requirement[],
  aim: 'cheapest' | 'lightest' = 'cheapest',
  there: ReadonlySet<string> = NOBODY,
): string[] | null {
  const library = new Map(parts.map((own) => [own.id, own]));
  const solved = solve(programme(parts.map(one), wanted, there, { library }, aim, []), 5);
  return solved.state === 'none' ? null : parts.flatMap(({ id }, i) => (solved.value(`y${i}`) > 0.5 ? [id] : []));
}

describe('what completes a design', () => {
  test('one part that does both is taken before two, where it is cheaper; the lightest may be others', () => {
    const parts = [
      part('pump', ['assistBrakes'], { priceCents: 9000, massKg: 1 }),
      part('steer', ['assistSteering'], { priceCents: 9000, massKg: 1 }),
      part('both', ['assistBrakes', 'assistSteering'], { priceCents: 15_000, massKg: 3 }),
    ];
    expect(taken(parts, ['assistBrakes', 'assistSteering'])).toEqual(['both']);
    expect(taken(parts, ['assistBrakes', 'assistSteering'], 'lightest')).toEqual(['pump', 'steer']);
    expect(taken(parts, [])).toEqual([]);
  });

  test('a part brings what it needs, or an alternative of it; what is there already is not bought again', () => {
    const parts = [
      part('heater', ['heatCabin'], needs('relay')),
      part('relay', [], { priceCents: 4000, alternatives: ['relay-2'] }),
      part('relay-2', [], { priceCents: 2000 }),
    ];
    expect(taken(parts, ['heatCabin'])).toEqual(['heater', 'relay-2']);
    expect(taken(parts, ['heatCabin'], 'cheapest', new Set(['relay']))).toEqual(['heater']);
    // A heater whose relay nobody has is no way to heat.
    expect(taken(parts.slice(0, 1), ['heatCabin'])).toBeNull();
  });

  test('what has no price is taken only where nothing else does it', () => {
    const parts = [part('free', ['show'], { priceCents: 0 }), part('priced', ['show'], { priceCents: 90_000 })];
    expect(taken(parts, ['show'])).toEqual(['priced']);
    expect(taken(parts.slice(0, 1), ['show'])).toEqual(['free']);
  });

  test('is the least of all sets that do it, tried one by one', () => {
    const FUNCTIONS = ['show', 'heatCabin', 'demist', 'control'] as const;
    const anyParts = fc
      .array(
        fc.record({
          covers: fc.subarray([...FUNCTIONS], { minLength: 0 }),
          priceCents: fc.integer({ min: 100, max: 9000 }),
          companion: fc.option(fc.nat(8), { nil: null, freq: 2 }),
        }),
        { minLength: 1, maxLength: 9 },
      )
      .map((rows) =>
        rows.map(({ covers, priceCents, companion }, i) =>
          part(`p${i}`, covers, {
            priceCents,
            ...(companion !== null && companion !== i && companion < rows.length ? needs(`p${companion}`) : {}),
          }),
        ),
      );
    fc.assert(
      fc.property(anyParts, fc.subarray([...FUNCTIONS]), (parts, asked) => {
        const wanted = asked.filter((name) => parts.some(({ covers }) => covers.includes(name)));
        let best = Number.POSITIVE_INFINITY;
        for (let bits = 0; bits < 2 ** parts.length; bits++) {
          const set = parts.filter((_, i) => (bits >> i) & 1);
          const ids = new Set(set.map(({ id }) => id));
          const whole = set.every((own) =>
            ((own.sheet as { companions?: { component: string }[] }).companions ?? []).every(({ component }) =>
              ids.has(component),
            ),
          );
          if (whole && wanted.every((name) => set.some(({ covers }) => covers.includes(name))))
            best = Math.min(
              best,
              set.reduce((sum, { priceCents }) => sum + priceCents, 0),
            );
        }
        const found = taken(parts, wanted);
        if (found === null) return best === Number.POSITIVE_INFINITY;
        const price = parts.filter(({ id }) => found.includes(id)).reduce((sum, { priceCents }) => sum + priceCents, 0);
        return price === best;
      }),
      { numRuns: 200 },
    );
  });

  test('satellites by the channels of each box; a branch fuse is no main fuse; what was chosen is not proposed', () => {
    const satellite = part('sat', [], { kind: 'bmsSatellite', sheet: { channels: 18 } });
    // By hand: 24 and 30 channels on 18 a satellite are 2 + 2.
    expect(piecesOf(satellite, [24, 30])).toBe(4);
    expect(piecesOf(part('vcu', ['control']), [24])).toBe(1);
    const fuse = (ratedA: number) => part('fuse', [], { kind: 'fuse', sheet: { ratedA } });
    expect([meets(fuse(50), 'mainFuse'), meets(fuse(175), 'mainFuse')]).toEqual([false, true]);
    const cover = [
      { function: 'store', by: 'gap', what: '' },
      { function: 'show', by: 'gap', what: '' },
      { function: 'demist', by: 'kept', what: 'screen heating' },
    ] as const;
    const charger = { component: part('charger', [], { kind: 'charger' }), quantity: 1, packedIn: '' };
    expect(requirementsOf([charger], cover)).toEqual(['show', 'bmsSatellite', 'inlet', 'mainFuse']);
  });
});
