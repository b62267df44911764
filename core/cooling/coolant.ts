/** Half water, half glycol at working temperature: kJ/(kg·K) and kg/l (common practice). */
const GLYCOL_KJ_PER_KGK = 3.4;
const GLYCOL_KG_PER_L = 1.07;

/** Coolant flow that carries a heat with a temperature rise, l/min: m·c_p·ΔT = Q (trade §5.13). */
export function coolantFlow(heatW: number, riseK: number): number {
  if (!(riseK > 0)) return Number.POSITIVE_INFINITY;
  return (heatW / 1000 / (GLYCOL_KJ_PER_KGK * riseK) / GLYCOL_KG_PER_L) * 60;
}

/** Specific heat of a battery module, J/(kg·K); common practice for lithium cells with their casing. */
export const MODULE_J_PER_KGK = 950;

/** Rise of a pack that gives nothing away, K: its heat over its heat capacity. */
export const packRise = (heatWh: number, massKg: number): number =>
  massKg > 0 ? (heatWh * 3600) / (massKg * MODULE_J_PER_KGK) : 0;

/** Where a battery likes to be and must not pass; where motor and inverter may run (trade §5.13), °C. */
export const BATTERY_LIKES_C = [20, 25] as const;
export const BATTERY_HIGHEST_C = 45;
export const DRIVE_HIGHEST_C = 80;
