/** Air at working temperature: density and specific heat at 20 °C, kg/m³ and J/(kg·K); 1.006 kJ/kgK, from memory. */
const AIR_KG_PER_M3 = 1.2;
const AIR_J_PER_KGK = 1006;

/** Warming of a flow of air that takes a heat, K: ΔT = P/(ρ·V̇·c_p) (trade §5.13). Infinity without a flow. */
export const airWarming = (heatW: number, airM3h: number): number =>
  airM3h > 0 ? heatW / (AIR_KG_PER_M3 * (airM3h / 3600) * AIR_J_PER_KGK) : Number.POSITIVE_INFINITY;

/**
 * Temperature of a pack after a while in a flow of air, °C: the air leaves it at its own temperature (the most a flow can
 * take), so m·c·dT/dt = −ρ·V̇·c_p·(T − T_air), an exponential. No flow: it stays.
 */
export function cooledBy(airM3h: number, packC: number, airC: number, heatJPerK: number, seconds: number): number {
  if (!(airM3h > 0) || !(heatJPerK > 0)) return packC;
  const perSecond = (AIR_KG_PER_M3 * (airM3h / 3600) * AIR_J_PER_KGK) / heatJPerK;
  return airC + (packC - airC) * Math.exp(-perSecond * seconds);
}
