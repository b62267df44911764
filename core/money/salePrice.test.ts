import fc from 'fast-check';
import { expect, test } from 'vitest';
import { salePrice } from './salePrice.ts';

test('by hand: 10 000 of parts, 4 060 of labour, a fifth, a twentieth, 23 % tax, whole hundreds', () => {
  // 12 000 + 4 060 = 16 060; + 803 = 16 863; rounded 16 900; tax 3 887.
  expect(
    salePrice(1_000_000, 406_000, {
      marginShare: 0.2,
      contingencyShare: 0.05,
      taxShare: 0.23,
      roundToCents: 10_000,
    }),
  ).toEqual({
    marginCents: 200_000,
    contingencyCents: 80_300,
    roundingCents: 3700,
    taxCents: 388_700,
    totalCents: 2_078_700,
  });
});

test('the steps add up to the total, in whole minor units, and rounding moves it by half a unit at most', () => {
  const share = fc.integer({ min: 0, max: 500 }).map((n) => n / 1000);
  fc.assert(
    fc.property(
      fc.nat(100_000_000),
      fc.nat(100_000_000),
      share,
      share,
      share,
      fc.constantFrom(1, 10, 100, 1000, 10_000),
      (parts, labour, marginShare, contingencyShare, taxShare, roundToCents) => {
        const price = salePrice(parts, labour, { marginShare, contingencyShare, taxShare, roundToCents });
        const steps = [price.marginCents, price.contingencyCents, price.roundingCents, price.taxCents];
        expect(steps.every(Number.isInteger)).toBe(true);
        expect(price.totalCents).toBe(parts + labour + steps.reduce((sum, step) => sum + step, 0));
        expect(Math.abs(price.roundingCents)).toBeLessThanOrEqual(roundToCents / 2);
        expect((price.totalCents - price.taxCents) % roundToCents).toBe(0);
      },
    ),
  );
});
