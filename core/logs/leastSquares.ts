/** A straight fit y ≈ a·x1 + b·x2 with what its residuals say of a and b. */
export interface TwoTermFit {
  readonly a: number;
  readonly b: number;
  /** Standard errors. */
  readonly aError: number;
  readonly bError: number;
  /** Root mean square of what is left. */
  readonly residual: number;
}

/**
 * Ordinary least squares with two terms by the normal equations (any textbook): errors from the residuals with n − 2
 * degrees of freedom. Null with fewer than three points, or where the two terms cannot be told apart.
 */
export function fitTwoTerms(x1: readonly number[], x2: readonly number[], y: readonly number[]): TwoTermFit | null {
  const n = y.length;
  if (n < 3) return null;
  let s11 = 0;
  let s12 = 0;
  let s22 = 0;
  let s1y = 0;
  let s2y = 0;
  for (let i = 0; i < n; i++) {
    s11 += x1[i]! ** 2;
    s12 += x1[i]! * x2[i]!;
    s22 += x2[i]! ** 2;
    s1y += x1[i]! * y[i]!;
    s2y += x2[i]! * y[i]!;
  }
  const determinant = s11 * s22 - s12 ** 2;
  if (!(determinant > 1e-9 * s11 * s22)) return null;
  const a = (s1y * s22 - s2y * s12) / determinant;
  const b = (s2y * s11 - s1y * s12) / determinant;
  let left = 0;
  for (let i = 0; i < n; i++) left += (y[i]! - a * x1[i]! - b * x2[i]!) ** 2;
  const variance = left / (n - 2);
  return {
    a,
    b,
    aError: Math.sqrt((variance * s22) / determinant),
    bError: Math.sqrt((variance * s11) / determinant),
    residual: Math.sqrt(left / n),
  };
}
