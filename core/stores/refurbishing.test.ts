import { expect, test } from 'vitest';
import { refurbishingCost } from './refurbishing.ts';

test('by hand: a drive unit of 900, two bearings at 45, 6.5 hours at 38', () => {
  const ground = { boughtCents: 90_000, parts: [{ quantity: 2, unitCents: 4500 }], hours: 6.5, hourCents: 3800 };
  expect(refurbishingCost(ground)).toEqual({ partsCents: 9000, hoursCents: 24_700, totalCents: 123_700 });
  expect(refurbishingCost({ ...ground, boughtCents: null }).totalCents).toBe(33_700);
  expect(refurbishingCost({ ...ground, parts: [], hours: 0, boughtCents: null }).totalCents).toBe(0);
});
