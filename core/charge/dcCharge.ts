import type { ModuleSheet } from '../component/sheets.ts';

/** Charging rate a pack takes by state of charge: rising state, rate in multiples of its capacity per hour. */
export type RateCurve = readonly { readonly state: number; readonly perHour: number }[];

/** Rates that cells at 20–25 °C usually stand; common practice, a module's own sheet wins. */
export const USUAL_RATES: Readonly<Record<ModuleSheet['chemistry'], RateCurve>> = {
  NMC: [
    { state: 0, perHour: 1.0 },
    { state: 0.1, perHour: 1.4 },
    { state: 0.5, perHour: 1.2 },
    { state: 0.8, perHour: 0.6 },
    { state: 1, perHour: 0.1 },
  ],
  LFP: [
    { state: 0, perHour: 0.8 },
    { state: 0.1, perHour: 1.0 },
    { state: 0.7, perHour: 0.9 },
    { state: 0.9, perHour: 0.4 },
    { state: 1, perHour: 0.1 },
  ],
};

/** Rate at a state of charge by straight lines, per hour. */
export function rateAt(curve: RateCurve, state: number): number {
  let low = curve[0]!;
  if (state <= low.state) return low.perHour;
  for (const high of curve) {
    if (state < high.state)
      return low.perHour + ((high.perHour - low.perHour) * (state - low.state)) / (high.state - low.state);
    low = high;
  }
  return low.perHour;
}

export interface DcLimits {
  /** Whole energy of the pack, Wh. */
  readonly energyWh: number;
  /** What the pack takes at a state of charge, A, and its voltage there, V. */
  readonly packA: (state: number) => number;
  readonly packV: (state: number) => number;
  readonly postW: number;
  /** Amperes of the post and its cable; of the inlet; of whatever else in the vehicle carries them. */
  readonly amps: readonly { readonly what: string; readonly limitA: number }[];
  /** What the vehicle's side takes, W; null for no limit of its own. */
  readonly vehicleW: number | null;
}

/** DC power at a state of charge, W, and who decides: post, vehicle, pack, or an ampere limit (trade §5.8). */
export function dcHeld(limits: DcLimits, state: number): { watts: number; by: string } {
  const volts = limits.packV(state);
  const bounds = [
    { by: 'post', watts: limits.postW },
    { by: 'vehicle', watts: limits.vehicleW ?? Number.POSITIVE_INFINITY },
    { by: 'pack', watts: limits.packA(state) * volts },
    ...limits.amps.map(({ what, limitA }) => ({ by: `amperes of the ${what}`, watts: limitA * volts })),
  ];
  return bounds.reduce((least, bound) => (bound.watts < least.watts ? bound : least));
}

/** DC power at a state of charge, W. */
export const dcPower = (limits: DcLimits, state: number): number => dcHeld(limits, state).watts;

/** Hours from one state of charge to another on DC, by Simpson's rule over half a percent. Infinity without power. */
export function dcHours(limits: DcLimits, from: number, to: number): number {
  if (to <= from) return 0;
  const n = 2 * Math.ceil((to - from) / 0.01);
  const step = (to - from) / n;
  let sum = 0;
  for (let i = 0; i <= n; i++) {
    const power = dcPower(limits, from + i * step);
    if (!(power > 0)) return Number.POSITIVE_INFINITY;
    sum += (i === 0 || i === n ? 1 : i % 2 === 1 ? 4 : 2) / power;
  }
  return (limits.energyWh * step * sum) / 3;
}
