/** Preferred values of IEC 60063, series E24 (from memory). */
export const E24 = [
  1, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2, 2.2, 2.4, 2.7, 3, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2, 9.1,
] as const;

/** Largest E24 value not above `value`, same decade or the one below. NaN for values not above zero. */
export function e24Down(value: number): number {
  if (!(value > 0)) return Number.NaN;
  const decade = 10 ** Math.floor(Math.log10(value) + 1e-12);
  const mantissa = value / decade;
  const step = E24.findLast((e) => e <= mantissa * (1 + 1e-9)) ?? 1;
  return Number((step * decade).toPrecision(6));
}
