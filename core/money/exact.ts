/**
 * Exact arithmetic of money. Amounts are whole minor units; shares, rates and quantities are decimals of at most six
 * places, taken as whole millionths, so that no binary fraction ever decides which way half a cent goes.
 */
const MILLION = 1_000_000n;

const big = (whole: number): bigint => BigInt(Math.round(whole));
const millionths = (decimal: number): bigint => big(decimal * 1e6);

/** n ÷ d, half a unit away from zero, as on paper. d is above zero. */
function ratio(n: bigint, d: bigint): bigint {
  const sign = n < 0n ? -1n : 1n;
  return (sign * (2n * sign * n + d)) / (2n * d);
}

/**
 * An amount times a decimal (a share, hours, pieces, a rate of currency), in whole minor units, half a unit away from
 * zero: commercial rounding, common practice and for euro conversions the rule of Regulation (EC) 1103/97, article 5.
 *
 * @param cents whole minor units · @param factor at most six decimal places; further ones are rounded first
 */
export const times = (cents: number, factor: number): number => Number(ratio(big(cents) * millionths(factor), MILLION));

/** The nearest multiple of a step, half away from zero. The step is above zero. */
export const toStep = (cents: number, step: number): number => Number(ratio(big(cents), big(step)) * big(step));

/** An amount in another currency in one's own, by its rate in millionths on its day. */
export const converted = (cents: number, rateMillionths: number): number =>
  Number(ratio(big(cents) * big(rateMillionths), MILLION));

interface Share {
  readonly floor: bigint;
  readonly rest: bigint;
  readonly at: number;
}

/** Whole parts of n[i] ÷ d that add up to the total: each its floor, what is left to the largest remainders. */
function apportion(n: readonly bigint[], d: bigint, total: bigint): number[] {
  const shares = n.map((one, at): Share => {
    const rest = ((one % d) + d) % d;
    return { floor: (one - rest) / d, rest, at };
  });
  let left = total - shares.reduce((sum, { floor }) => sum + floor, 0n);
  const whole = shares.map(({ floor }) => floor);
  for (const { at } of [...shares].sort((a, b) => (a.rest === b.rest ? a.at - b.at : a.rest > b.rest ? -1 : 1))) {
    if (left <= 0n) break;
    whole[at]! += 1n;
    left -= 1n;
  }
  return whole.map(Number);
}

/**
 * Splits an amount by weights so that the parts add up to it, by largest remainder (Hamilton's method): nobody's part is
 * a whole unit from his due. Of equal remainders the earlier takes the unit.
 *
 * @param cents may be negative · @param weights at most six places, none negative, not all zero: a RangeError otherwise
 */
export function splitCents(cents: number, weights: readonly number[]): number[] {
  const parts = weights.map(millionths);
  const all = parts.reduce((sum, part) => sum + part, 0n);
  if (all <= 0n || parts.some((part) => part < 0n))
    throw new RangeError('weights must be above zero together, none below');
  const sign = cents < 0 ? -1n : 1n;
  const total = sign * big(cents);
  return apportion(
    parts.map((part) => part * total),
    all,
    total,
  ).map((one) => Number(sign) * one || 0);
}

/** Tax on amounts of one rate, rounded once on their sum and given to the amounts by largest remainder. */
export function taxTogether(cents: readonly number[], share: number): number[] {
  const n = cents.map((one) => big(one) * millionths(share));
  const total = ratio(
    n.reduce((sum, one) => sum + one, 0n),
    MILLION,
  );
  return apportion(n, MILLION, total);
}
