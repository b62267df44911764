import { expect, test } from 'vitest';
import { breakEven } from './breakEven.ts';

test('13 020 of parts with 15 % leave 1 953 each: 13 000 are paid for with the seventh', () => {
  expect(breakEven(1_300_000, 1_302_000, 0.15, 6)).toEqual({
    eachCents: 195_300,
    kits: 7,
    sold: 6,
    leftCents: 128_200,
  });
  expect(breakEven(1_300_000, 1_302_000, 0.15, 7).leftCents).toBe(-67_100);
});
test('nothing left of one never pays; nothing spent is paid for already', () => {
  expect(breakEven(1000, 1_302_000, 0, 50)).toMatchObject({ kits: null, leftCents: 1000 });
  expect(breakEven(0, 1_302_000, 0, 0)).toMatchObject({ kits: 0, leftCents: 0 });
});
