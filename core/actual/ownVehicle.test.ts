import { expect, test } from 'vitest';
import { ownVehicleMoney } from './ownVehicle.ts';

test('an own vehicle: bought for 4 000, 9 500 of work, worth 12 000, sold for 15 000', () => {
  const ground = { purchaseCents: 400_000, workCents: 950_000, valueCents: null, soldCents: null };
  expect(ownVehicleMoney(ground)).toEqual({ costCents: 1_350_000, marginCents: null, sold: false });
  expect(ownVehicleMoney({ ...ground, valueCents: 1_200_000 }).marginCents).toBe(-150_000);
  expect(ownVehicleMoney({ ...ground, valueCents: 1_200_000, soldCents: 1_500_000 })).toMatchObject({
    marginCents: 150_000,
    sold: true,
  });
});
