import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { commonSlide, type Demand, keepsApart, type Span } from './slide.ts';

const demand = (name: string, ...allows: Span[]): Demand => ({ name, kind: 'point', allows });
const span = (from: number, to: number): Span => ({ from, to });

describe('one slide for all', () => {
  test('is nothing where nothing has to move', () => {
    expect(commonSlide([demand('a', span(-12, 12)), demand('b', span(-15, 15))])).toEqual({
      ...{ found: true, slideMm: 0, room: span(-12, 12) },
    });
  });
  test('is the least that suits both, and a little past the edge where there is room', () => {
    const aft = [demand('a', span(8, 32)), demand('b', span(5, 35))];
    expect(commonSlide(aft, 0)).toMatchObject({ slideMm: 8, room: span(8, 32) });
    expect(commonSlide(aft)).toMatchObject({ slideMm: 13 });
    expect(commonSlide([demand('a', span(-32, -8)), demand('b', span(-12, -2))])).toMatchObject({ slideMm: -10 });
  });
  test('lower mounts 48 mm further aft in slots of 15, upper ones where they were in slots of 12: 21 mm apart', () => {
    const [upper, lower] = [demand('upper', span(-12, 12)), demand('lower', span(33, 63))];
    expect(commonSlide([upper, lower])).toEqual({ found: false, between: [upper, lower], shortMm: 21 });
  });
  test('goes round a part that is in the way, on the nearer side', () => {
    const round = keepsApart(span(100, 600), span(610, 700), 25);
    // 10 mm apart now: 15 forwards, or past it by 625.
    expect(round).toEqual([span(Number.NEGATIVE_INFINITY, -15), span(625, Number.POSITIVE_INFINITY)]);
    expect(commonSlide([{ name: 'damper', kind: 'clearance', allows: round }], 0)).toMatchObject({ slideMm: -15 });
  });
  test('a demand that nothing meets is named alone; three that only together exclude each other are not blamed in pairs', () => {
    const never = demand('no such point');
    expect(commonSlide([demand('a', span(0, 1)), never])).toMatchObject({ between: [never, never], shortMm: null });
    const two = demand('two', span(-20, -10), span(10, 20));
    expect(commonSlide([two, demand('left', span(-15, 5)), demand('right', span(-5, 15))])).toMatchObject({
      ...{ found: false, between: null },
    });
  });
  test('by an independent grid: what is found is allowed by all, and no grid point nearer is; where none is found, none is', () => {
    const spans = fc
      .uniqueArray(fc.integer({ min: -40, max: 40 }), { minLength: 2, maxLength: 4 })
      .map((ends) => ends.sort((a, b) => a - b))
      .map((ends) =>
        ends.length === 4 ? [span(ends[0]!, ends[1]!), span(ends[2]!, ends[3]!)] : [span(ends[0]!, ends[1]!)],
      );
    fc.assert(
      fc.property(fc.array(spans, { minLength: 1, maxLength: 4 }), (lists) => {
        const slide = commonSlide(
          lists.map((allows, i) => ({ name: `${i}`, kind: 'clearance', allows })),
          0,
        );
        const good = (s: number) => lists.every((allows) => allows.some(({ from, to }) => s >= from && s <= to));
        const grid = Array.from({ length: 161 }, (_, i) => (i - 80) / 2).filter(good);
        if (!slide.found) {
          expect(grid).toEqual([]);
          return;
        }
        expect(good(slide.slideMm)).toBe(true);
        expect(Math.min(...grid.map(Math.abs))).toBeGreaterThanOrEqual(Math.abs(slide.slideMm));
      }),
      { numRuns: 500 },
    );
  });
});
