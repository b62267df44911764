import { expect, test } from 'vitest';
import { bundleMm } from './bundle.ts';

// Circles packed in the smallest circle, radius of the outer over that of n alike (published tables of the packing problem, from memory).
test.each([
  [1, 1],
  [2, 2],
  [3, 2.155],
  [4, 2.414],
  [5, 2.701],
  [6, 3],
  [7, 3],
])('%i alike take no less than %f times their width, and at most a sixth more', (n, ratio) => {
  const d = bundleMm(Array.from({ length: n }, () => 10));
  expect(d).toBeGreaterThanOrEqual(10 * ratio - 1e-9);
  expect(d).toBeLessThanOrEqual(10 * ratio * 1.17);
});
test('a thin one beside two thick ones never makes the bundle smaller', () => {
  expect(bundleMm([20, 20, 1])).toBeGreaterThanOrEqual(40);
  expect(bundleMm([])).toBe(0);
});
