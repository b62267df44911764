import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { converted, splitCents, taxTogether, times, toStep } from './exact.ts';
import { TAX_RULES, type Taxed, taxOf } from './tax.ts';

const sum = (all: readonly number[]) => all.reduce((a, b) => a + b, 0);

describe('amounts', () => {
  test('half a cent goes away from zero, whatever a binary fraction makes of it', () => {
    // 50 × 0.29 is 14.499999999999998 in floating point, and 14.5 on paper.
    expect(times(50, 0.29)).toBe(15);
    expect(times(-50, 0.29)).toBe(-15);
    expect(times(35, 0.1)).toBe(4);
    expect(times(115, 0.01)).toBe(1);
    expect(times(150, 0.01)).toBe(2);
    expect(toStep(1_686_300, 10_000)).toBe(1_690_000);
    expect(toStep(-1_250, 500)).toBe(-1_500);
  });
  /**
   * Regulation (EC) 1103/97, articles 4 and 5: to the nearest cent, a result exactly half way rounded up; rates of
   * Regulation (EC) 2866/98: 1 € = 1.95583 DEM = 6.55957 FRF. From memory; the quotients are by hand.
   */
  test('conversions to the euro at the fixed rates', () => {
    const deMark = Math.round(1e12 / 1.95583 / 1e6);
    const franc = Math.round(1e12 / 6.55957 / 1e6);
    expect(converted(100_00, deMark)).toBe(51_13);
    expect(converted(1_00, deMark)).toBe(51);
    expect(converted(100_00, franc)).toBe(15_24);
  });
  /**
   * The largest remainder on the example the method is usually shown with: 47 000, 16 000, 15 800, 12 000, 6 100 and
   * 3 100 votes for ten seats make 5, 2, 1, 1, 1 and 0 (from memory).
   */
  test('split by largest remainder', () => {
    expect(splitCents(10, [47_000, 16_000, 15_800, 12_000, 6100, 3100])).toEqual([5, 2, 1, 1, 1, 0]);
    expect(splitCents(100, [1, 1, 1])).toEqual([34, 33, 33]);
    expect(splitCents(-100, [1, 1, 1])).toEqual([-34, -33, -33]);
    expect(splitCents(0, [1, 2])).toEqual([0, 0]);
    expect(() => splitCents(1, [0, 0])).toThrow(RangeError);
    expect(() => splitCents(1, [2, -1])).toThrow(RangeError);
  });
  test('a split adds up, and nobody is a whole unit from what is due', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1e9, max: 1e9 }),
        fc.array(fc.integer({ min: 0, max: 1e6 }), { minLength: 1, maxLength: 30 }),
        (cents, weights) => {
          fc.pre(sum(weights) > 0);
          const parts = splitCents(cents, weights);
          expect(sum(parts)).toBe(cents);
          const due = weights.map((weight) => (cents * weight) / sum(weights));
          expect(parts.every((part, i) => Math.abs(part - due[i]!) < 1)).toBe(true);
        },
      ),
    );
  });
});

describe('tax', () => {
  /**
   * HMRC VAT Notice 700, section 17.5 (from memory): tax worked out line by line is rounded to the nearest penny, 86.76 p
   * to 87 p; on the invoice's total it is rounded once.
   */
  test('the two rules part company over many small lines, by hand', () => {
    // 4.338 at 20 % is 0.8676: three lines round to 0.87 each; 13.014 → 2.6028 on the whole.
    const lines: Taxed[] = [434, 434, 433].map((netCents) => ({ netCents, taxShare: 0.2 }));
    expect(times(4338, 0.02)).toBe(87);
    expect(taxOf(lines, 'line')).toMatchObject({ lineCents: [87, 87, 87], taxCents: 261 });
    expect(taxOf(lines, 'total')).toMatchObject({ lineCents: [87, 87, 86], taxCents: 260, totalCents: 1561 });
  });
  /**
   * EN 16931-1 (from memory): BR-CO-17, tax of a rate = its taxable amount × rate, to two decimals; BR-CO-14, tax = Σ of the
   * rates; BR-CO-15, total = net + tax. Two rates: 1 273.00 at 25 % are 318.25 and 100.33 at 12 % are 12.04.
   */
  test('two rates on one paper', () => {
    const sums = taxOf(
      [
        { netCents: 1_000_00, taxShare: 0.25 },
        { netCents: 100_33, taxShare: 0.12 },
        { netCents: 273_00, taxShare: 0.25 },
      ],
      'total',
    );
    expect(sums.rates).toEqual([
      { taxShare: 0.25, netCents: 1_273_00, taxCents: 318_25 },
      { taxShare: 0.12, netCents: 100_33, taxCents: 12_04 },
    ]);
    expect(sums).toMatchObject({ netCents: 1_373_33, taxCents: 330_29, totalCents: 1_703_62 });
  });
  test('a discount takes its tax off again', () => {
    const lines: Taxed[] = [1005, -1005].map((netCents) => ({ netCents, taxShare: 0.23 }));
    for (const rule of TAX_RULES) expect(taxOf(lines, rule).totalCents).toBe(0);
  });
  test('sums agree with their lines in both rules, and no line is a whole unit from its own tax', () => {
    const line = fc.record({
      netCents: fc.integer({ min: -5_000_000, max: 5_000_000 }),
      taxShare: fc.constantFrom(0, 0.055, 0.06, 0.077, 0.13, 0.2, 0.21, 0.23, 0.255),
    });
    fc.assert(
      fc.property(fc.array(line, { maxLength: 200 }), fc.constantFrom(...TAX_RULES), (lines, rule) => {
        const sums = taxOf(lines, rule);
        expect(sum(sums.lineCents)).toBe(sums.taxCents);
        expect(sum(sums.rates.map(({ taxCents }) => taxCents))).toBe(sums.taxCents);
        expect(sum(sums.rates.map(({ netCents }) => netCents))).toBe(sum(lines.map(({ netCents }) => netCents)));
        expect(sums.totalCents).toBe(sums.netCents + sums.taxCents);
        lines.forEach((one, i) => {
          expect(Math.abs(sums.lineCents[i]! - one.netCents * one.taxShare)).toBeLessThan(1);
        });
        if (rule === 'total')
          for (const rate of sums.rates)
            expect(Math.abs(rate.taxCents - rate.netCents * rate.taxShare)).toBeLessThanOrEqual(0.5 + 1e-6);
      }),
    );
  });
  test('on large sums the tax together is exact', () => {
    expect(sum(taxTogether([900_000_000_000, 1], 0.23))).toBe(207_000_000_000);
  });
});
