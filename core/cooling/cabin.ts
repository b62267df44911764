import type { BodyShape } from '../vehicle/variant.ts';

/** How a cabin loses heat (W per K) and how much it takes to warm (kJ per K); single glass, thin trim, common practice. */
export interface Cabin {
  readonly lossWPerK: number;
  readonly heatKjPerK: number;
}

export const CABIN: Readonly<Record<BodyShape['style'], Cabin>> = {
  van: { lossWPerK: 60, heatKjPerK: 60 },
  bus: { lossWPerK: 130, heatKjPerK: 150 },
  lorry: { lossWPerK: 60, heatKjPerK: 60 },
  fourByFour: { lossWPerK: 65, heatKjPerK: 65 },
  tug: { lossWPerK: 60, heatKjPerK: 25 },
  open: { lossWPerK: 120, heatKjPerK: 25 },
};

/** What people call warm in a working vehicle with a coat on, °C. */
export const CABIN_WARM_C = 16;

/** Power that holds the cabin warm against the outside, W; none when it is warm outside. */
export const holdingPower = (cabin: Cabin, outsideC: number): number =>
  Math.max(0, (CABIN_WARM_C - outsideC) * cabin.lossWPerK);

/** Cabin temperature after some seconds of heating from the outside temperature, °C: T = T_out + P/UA·(1 − e^(−UA·t/C)). */
export const cabinAfter = (cabin: Cabin, outsideC: number, heaterW: number, seconds: number): number =>
  outsideC + (heaterW / cabin.lossWPerK) * (1 - Math.exp((-cabin.lossWPerK * seconds) / (cabin.heatKjPerK * 1000)));

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
