/** The middle of values, or halfway between the two in the middle. Of none there is no middle: NaN. */
export function medianOf(all: readonly number[]): number {
  const sorted = [...all].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}
