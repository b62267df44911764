/**
 * Root of a continuous function between two points where its signs differ, by Brent-like inverse steps kept inside the
 * bracket (Chandrupatla 1997, "A new hybrid quadratic/bisection algorithm", from memory). Stops within `tolerance`.
 * Throws a RangeError where the signs are alike: that is the caller's fault.
 */
export function rootBetween(f: (x: number) => number, from: number, to: number, tolerance: number): number {
  let a = from;
  let b = to;
  let fa = f(a);
  let fb = f(b);
  if (fa === 0) return a;
  if (fb === 0) return b;
  if (Math.sign(fa) === Math.sign(fb)) throw new RangeError('no change of sign between the two points');
  let c = a;
  let fc = fa;
  let t = 0.5;
  for (let i = 0; i < 60; i++) {
    const x = a + t * (b - a);
    const fx = f(x);
    if (Math.sign(fx) === Math.sign(fa)) {
      c = a;
      fc = fa;
    } else {
      c = b;
      b = a;
      fc = fb;
      fb = fa;
    }
    a = x;
    fa = fx;
    const best = Math.abs(fa) < Math.abs(fb) ? a : b;
    const near = tolerance / Math.abs(b - c || Number.EPSILON);
    if (near > 0.5 || fa === 0 || Math.abs(b - a) < tolerance) return fa === 0 ? a : best;
    const xi = (a - b) / (c - b);
    const phi = (fa - fb) / (fc - fb);
    t =
      phi ** 2 < xi && (1 - phi) ** 2 < 1 - xi
        ? ((fa / (fb - fa)) * fc) / (fb - fc) + ((((c - a) / (b - a)) * fa) / (fc - fa)) * (fb / (fc - fb))
        : 0.5;
    t = Math.min(1 - near, Math.max(near, t));
  }
  return a;
}
