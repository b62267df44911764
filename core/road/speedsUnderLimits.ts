import { ROUND_ACCELERATION, ROUND_DECELERATION } from './statedRound.ts';

/** From this distance on, m, no faster than this, km/h. */
export interface SpeedLimit {
  readonly fromM: number;
  readonly limitKmh: number;
}

/**
 * One-second speeds from a stand to a stand over a length, as fast as the limits allow with gentle acceleration and
 * braking: limits by part of the road, then v² ≤ v₀² + 2·a·s forwards and backwards, on steps of five metres.
 */
export function speedsUnderLimits(lengthM: number, limits: readonly SpeedLimit[]): Float64Array {
  const step = Math.max(5, lengthM / 200_000);
  const n = Math.max(2, Math.ceil(lengthM / step));
  const ds = lengthM / n;
  const ordered = [...limits].sort((a, b) => a.fromM - b.fromM);
  const most = new Float64Array(n + 1);
  for (let i = 0; i <= n; i++) {
    const at = ordered.findLast((limit) => limit.fromM <= i * ds) ?? ordered[0];
    most[i] = Math.max(1, at?.limitKmh ?? 50) / 3.6;
  }
  most[0] = 0;
  most[n] = 0;
  for (let i = 1; i <= n; i++) most[i] = Math.min(most[i]!, Math.sqrt(most[i - 1]! ** 2 + 2 * ROUND_ACCELERATION * ds));
  for (let i = n - 1; i >= 0; i--)
    most[i] = Math.min(most[i]!, Math.sqrt(most[i + 1]! ** 2 + 2 * ROUND_DECELERATION * ds));
  const at = new Float64Array(n + 1);
  for (let i = 1; i <= n; i++) at[i] = at[i - 1]! + (2 * ds) / Math.max(0.05, most[i - 1]! + most[i]!);
  const seconds = Math.ceil(at[n]!);
  const speeds = new Float64Array(seconds + 1);
  let j = 1;
  for (let s = 1; s < seconds; s++) {
    while (j < n && at[j]! < s) j++;
    const share = (s - at[j - 1]!) / (at[j]! - at[j - 1]!);
    speeds[s] = most[j - 1]! + share * (most[j]! - most[j - 1]!);
  }
  return speeds;
}
