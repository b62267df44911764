import { describe, expect, test } from 'vitest';
import { medianOf } from './median.ts';

describe('the middle', () => {
  test('of an odd count is the value in the middle, of an even one halfway between two', () => {
    expect(medianOf([9, 1, 5])).toBe(5);
    expect(medianOf([10, 1, 2, 4])).toBe(3);
  });
  test('one far value does not move it, and the values stay in their order', () => {
    const hours = [3, 2, 400];
    expect(medianOf(hours)).toBe(3);
    expect(hours).toEqual([3, 2, 400]);
  });
});
