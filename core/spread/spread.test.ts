import { describe, expect, test } from 'vitest';
import { createSheet } from '../figures/evaluate.ts';
import { FIGURES } from '../figures/index.ts';
import { slots, VEHICLE } from '../testing/wren.ts';
import { LIKELY_ERROR } from '../vehicle/vehicleFigures.ts';
import { figureSpread } from './figureSpread.ts';
import { normalQuantile } from './normal.ts';
import { seeded } from './seeded.ts';
import { quantile, sobolSpread } from './sobol.ts';

function finish<T>(steps: Generator<unknown, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

// Source: tables of the standard normal distribution, any handbook.
describe('normal quantiles', () => {
  test.each([
    [0.5, 0],
    [0.9, 1.2815515655],
    [0.95, 1.644853627],
    [0.975, 1.9599639845],
    [0.99, 2.326347874],
    [0.001, -3.0902323062],
  ])('%d lies at %d', (p, z) => expect(normalQuantile(p)).toBeCloseTo(z, 7));
  test('the ends are no numbers to sample', () => {
    expect(normalQuantile(0)).toBe(Number.NEGATIVE_INFINITY);
    expect(normalQuantile(1)).toBe(Number.POSITIVE_INFINITY);
  });
});

describe('shares of a spread', () => {
  // Source: Ishigami and Homma 1990, f = sin x1 + a·sin² x2 + b·x3⁴·sin x1 on [−π, π]³, with a = 7, b = 0.1; exact indices
  // from its variance decomposition: V = a²/8 + bπ⁴/5 + b²π⁸/18 + 1/2, V1 = ½(1 + bπ⁴/5)², V2 = a²/8, V13 = 8b²π⁸/225.
  test('of the Ishigami function are the exact ones', () => {
    const [a, b] = [7, 0.1];
    const pi4 = Math.PI ** 4;
    const v1 = 0.5 * (1 + (b * pi4) / 5) ** 2;
    const v2 = a ** 2 / 8;
    const v13 = (8 * b ** 2 * pi4 ** 2) / 225;
    const variance = v1 + v2 + v13;
    const f = (u: readonly number[]) => {
      const [x, y, z] = u.map((one) => Math.PI * (2 * one - 1)) as [number, number, number];
      return Math.sin(x) + a * Math.sin(y) ** 2 + b * z ** 4 * Math.sin(x);
    };
    const spread = finish(sobolSpread(f, 3, 40_000, seeded(7)));
    expect(spread.variance / variance).toBeCloseTo(1, 1);
    for (const [i, v] of [v1, v2, 0].entries()) expect(Math.abs(spread.first[i]! - v / variance)).toBeLessThan(0.02);
    for (const [i, v] of [v1 + v13, v2, v13].entries())
      expect(Math.abs(spread.total[i]! - v / variance)).toBeLessThan(0.02);
  });
  // Closed form: of 3x + 4y with uniform x, y the variance is (9 + 16)/12, shares 9/25 and 16/25, alone as in all.
  test('of a straight sum, and its quantiles', () => {
    const spread = finish(sobolSpread(([x, y]) => 3 * x! + 4 * y!, 2, 20_000, seeded(1)));
    expect(spread.variance).toBeCloseTo(25 / 12, 1);
    expect(spread.first[0]).toBeCloseTo(9 / 25, 1);
    expect(spread.total[1]).toBeCloseTo(16 / 25, 1);
    expect(quantile(spread.values, 0.5)).toBeCloseTo(3.5, 1);
    // Below 3: area x²·½·…: one in ten of it lies below √(2·0.1·12) = 1.549.
    expect(quantile(spread.values, 0.1)).toBeCloseTo(Math.sqrt(2.4), 1);
  });
  test('samples without a value are left out and counted', () => {
    const spread = finish(sobolSpread(([x]) => (x! < 0.25 ? null : x!), 1, 4000, seeded(3)));
    expect(spread.without).toBeCloseTo(0.25, 1);
    expect(spread.values[0]!).toBeGreaterThanOrEqual(0.25);
    expect(finish(sobolSpread(() => 1, 2, 10, seeded(3)))).toMatchObject({ variance: 0, first: [0, 0], total: [0, 0] });
    expect(quantile(new Float64Array(0), 0.5)).toBeNaN();
  });
});

describe('spread of a figure', () => {
  test('tells how far it is, which input carries it, and the same every time', () => {
    const one = finish(figureSpread(slots(), 'rangeConstant', 3000))!;
    expect(one.now).toBe(createSheet(slots()).get(FIGURES.rangeConstant).value);
    expect(one.p10).toBeLessThan(one.p50);
    expect(one.p50).toBeLessThan(one.p90);
    expect(one.shares[0]!.input).toMatch(/rollingCoefficient|dragCoefficient/);
    expect(Math.abs(one.shares.reduce((sum, share) => sum + share.alone, 0) - 1)).toBeLessThan(0.15);
    expect(finish(figureSpread(slots(), 'rangeConstant', 3000))).toEqual(one);
  });
  // Linear case in closed form: measured all but one, the figure goes as a/(b + c·x) ≈ linear; σ of the range = its
  // sensitivity × the likely error.
  test('with one input left it spreads as that input moves it', () => {
    const figures = Object.fromEntries(
      Object.entries(VEHICLE.figures).map(([id, sourced]) => [
        id,
        id === 'rollingCoefficient' ? sourced : { ...sourced, source: 'measured' },
      ]),
    ) as typeof VEHICLE.figures;
    const own = slots({ vehicle: { ...VEHICLE, figures } });
    const one = finish(figureSpread(own, 'consumptionConstant', 6000))!;
    expect(one.shares).toHaveLength(1);
    const at = (factor: number) =>
      createSheet({
        ...own,
        vehicle: {
          ...own.vehicle,
          figures: { ...figures, rollingCoefficient: { ...figures.rollingCoefficient, value: 0.012 * factor } },
        },
      }).get(FIGURES.consumptionConstant).value!;
    const slope = (at(1.01) - at(0.99)) / 0.02;
    const ninety = one.now + 1.2815515655 * LIKELY_ERROR.rollingCoefficient * slope;
    expect(Math.abs(one.p90 / ninety - 1)).toBeLessThan(0.01);
  });
  test('nothing unmeasured, or no value: no spread', () => {
    const measured = Object.fromEntries(
      Object.entries(VEHICLE.figures).map(([id, sourced]) => [id, { ...sourced, source: 'measured' }]),
    ) as typeof VEHICLE.figures;
    expect(finish(figureSpread(slots({ vehicle: { ...VEHICLE, figures: measured } }), 'rangeCycle', 100))).toBeNull();
    expect(finish(figureSpread(slots({ drive: { ...slots().drive, unit: null } }), 'rangeCycle', 100))).toBeNull();
  });
});
