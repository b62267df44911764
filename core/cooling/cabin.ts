import type { BodyShape } from '../vehicle/variant.ts';

/** How a cabin loses heat (W per K) and how much it takes to warm (kJ per K); single glass, thin trim, common practice. */
export interface Cabin {
  readonly lossWPerK: number;
  readonly heatKjPerK: number;
}

export const CABIN: Readonly<Record<BodyShape['style'], Cabin>> = {
  van: { lossWPerK: 42, heatKjPerK: 28 },
  bus: { lossWPerK: 95, heatKjPerK: 70 },
  lorry: { lossWPerK: 45, heatKjPerK: 30 },
  fourByFour: { lossWPerK: 50, heatKjPerK: 32 },
  tug: { lossWPerK: 60, heatKjPerK: 15 },
  open: { lossWPerK: 120, heatKjPerK: 12 },
};

/** What people call warm in a working vehicle with a coat on, °C. */
export const CABIN_WARM_C = 16;

/** Power that holds the cabin warm against the outside, W; none when it is warm outside. */
export const holdingPower = (cabin: Cabin, outsideC: number): number =>
  Math.max(0, (CABIN_WARM_C - outsideC) * cabin.lossWPerK);

/**
 * Seconds to warm the cabin from the outside temperature with a heater: C·dT/dt = P − UA·(T − T_out), so
 * t = −(C/UA)·ln(1 − UA·ΔT/P). Infinity when the heater never gets there.
 */
export function warmUpSeconds(cabin: Cabin, outsideC: number, heaterW: number): number {
  const rise = CABIN_WARM_C - outsideC;
  if (rise <= 0) return 0;
  const share = (cabin.lossWPerK * rise) / heaterW;
  if (!(heaterW > 0) || share >= 1) return Number.POSITIVE_INFINITY;
  return -((cabin.heatKjPerK * 1000) / cabin.lossWPerK) * Math.log(1 - share);
}
