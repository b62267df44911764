import { describe, expect, test } from 'vitest';
import { standsFor } from './shortTime.ts';

const CURVE = [
  { amps: 400, seconds: 30 },
  { amps: 1000, seconds: 1 },
  { amps: 300, seconds: 300 },
];

describe('what a part stands for a while', () => {
  test('is what its points say, and straight between them by logarithms', () => {
    expect(standsFor(CURVE, 200, 30)).toBeCloseTo(400, 9);
    // Half way between 30 and 300 s by logarithms is 94.87 s, and √(400·300) A.
    expect(standsFor(CURVE, 200, Math.sqrt(30 * 300))).toBeCloseTo(Math.sqrt(400 * 300), 9);
  });
  test('is no more than its first point however short, and what it carries for good after its last', () => {
    expect(standsFor(CURVE, 200, 0.001)).toBe(1000);
    expect(standsFor(CURVE, 200, 301)).toBe(200);
    expect(standsFor(CURVE, 200, Number.POSITIVE_INFINITY)).toBe(200);
  });
  test('is not known without points, nor by points under what it carries for good', () => {
    expect(standsFor(undefined, 200, 30)).toBeNull();
    expect(standsFor([{ amps: 100, seconds: 30 }], 200, 30)).toBeNull();
  });
  test('never rises with time', () => {
    const at = Array.from({ length: 400 }, (_, i) => standsFor(CURVE, 200, 1.02 ** i)!);
    expect(at.every((amps, i) => i === 0 || amps <= at[i - 1]! + 1e-9)).toBe(true);
  });
});
