/** Three and more lie within this many times the root of the sum of their squares: three alike take 2.155 of their width, 1.244·√3 (circles packed in a circle). */
const PACKED = 1.25;

/** Diameter of the round hole that a bundle of cables and hoses fills, mm: one itself, two side by side, more as packed. */
export function bundleMm(diameters: readonly number[]): number {
  const [first = 0, second = 0, ...rest] = diameters.toSorted((a, b) => b - a);
  if (rest.length === 0) return first + second;
  return Math.max(first + second, PACKED * Math.sqrt(diameters.reduce((sum, d) => sum + d * d, 0)));
}
