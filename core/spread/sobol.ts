/** How a result spreads, and which input carries how much of it. */
export interface Spread {
  /** Values that came out, rising; those that could not be worked out are left out. */
  readonly values: Float64Array;
  /** Share of the samples that had no value. */
  readonly without: number;
  readonly variance: number;
  /** For each input: share of the variance that goes with it alone, and with all it takes part in; 0..1. */
  readonly first: readonly number[];
  readonly total: readonly number[];
}

export interface SpreadProgress {
  readonly done: number;
  readonly of: number;
}

/** Evaluations between two reports of progress. */
const REPORT_EVERY = 100;

/**
 * Monte Carlo with variance shares: two independent sets A and B of uniform samples, and for each input A with that input
 * from B. First order after Saltelli 2010, total after Jansen 1999 (both from memory): S_i = mean(f_B·(f_ABi − f_A)) ÷ V,
 * T_i = mean((f_A − f_ABi)²) ÷ 2V. Costs `n`·(inputs + 2) evaluations; yields its progress, returns the spread. A sample
 * that `f` gives null for is left out with everything that is compared with it.
 */
export function* sobolSpread(
  f: (uniform: readonly number[]) => number | null,
  inputs: number,
  n: number,
  random: () => number,
): Generator<SpreadProgress, Spread> {
  const values: number[] = [];
  const first = new Float64Array(inputs);
  const total = new Float64Array(inputs);
  const counts = new Float64Array(inputs);
  const of = n * (inputs + 2);
  let done = 0;
  let missing = 0;
  const take = (x: readonly number[]) => {
    done++;
    const value = f(x);
    if (value === null || !Number.isFinite(value)) {
      missing++;
      return null;
    }
    return value;
  };
  // Taken from the middle of all: the estimate of what an input does alone would drown in a large mean.
  const centre = f(new Array<number>(inputs).fill(0.5)) ?? 0;
  for (let k = 0; k < n; k++) {
    const a = Array.from({ length: inputs }, random);
    const b = Array.from({ length: inputs }, random);
    const fa = take(a);
    const fb = take(b);
    if (fa !== null) values.push(fa);
    if (fb !== null) values.push(fb);
    for (let i = 0; i < inputs; i++) {
      const mixed = take(a.map((x, j) => (j === i ? b[j]! : x)));
      if (fa === null || fb === null || mixed === null) continue;
      first[i]! += (fb - centre) * (mixed - fa);
      total[i]! += (fa - mixed) ** 2;
      counts[i]!++;
      if (done % REPORT_EVERY === 0) yield { done, of };
    }
  }
  const sorted = Float64Array.from(values).sort();
  const mean = sorted.reduce((sum, x) => sum + x, 0) / Math.max(1, sorted.length);
  const variance = sorted.reduce((sum, x) => sum + (x - mean) ** 2, 0) / Math.max(1, sorted.length - 1);
  const share = (sum: number, i: number, times: number) =>
    variance > 0 && counts[i]! > 0 ? Math.min(1, Math.max(0, sum / counts[i]! / (times * variance))) : 0;
  return {
    values: sorted,
    without: of > 0 ? missing / of : 0,
    variance,
    first: Array.from(first, (sum, i) => share(sum, i, 1)),
    total: Array.from(total, (sum, i) => share(sum, i, 2)),
  };
}

/** Value below which a share of sorted values lies, by straight lines between them; NaN of none. */
export function quantile(sorted: Float64Array, share: number): number {
  if (sorted.length === 0) return Number.NaN;
  const at = share * (sorted.length - 1);
  const low = Math.floor(at);
  const high = Math.min(low + 1, sorted.length - 1);
  return sorted[low]! + (at - low) * (sorted[high]! - sorted[low]!);
}
