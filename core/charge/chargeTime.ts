/** State of charge above which a charger eases off, and what is left of its power at full; common practice. */
const TAPER_FROM = 0.9;
const TAPER_END_POWER = 0.5;

/**
 * Hours to charge from one state of charge to another. Energy into the pack at P·η; above 90 % the power falls in a
 * straight line to half at full, so dt = E·ds/(P·η·f(s)) integrates to a logarithm there.
 * Returns 0 when there is nothing to charge, Infinity without power.
 */
export function chargeHours(energyWh: number, acW: number, efficiency: number, from = 0, to = 1): number {
  if (to <= from || energyWh <= 0) return 0;
  const power = acW * efficiency;
  if (!(power > 0)) return Number.POSITIVE_INFINITY;
  const steady = Math.max(0, Math.min(to, TAPER_FROM) - from);
  const slope = (1 - TAPER_END_POWER) / (1 - TAPER_FROM);
  const left = (s: number) => 1 - slope * (s - TAPER_FROM);
  const start = Math.max(from, TAPER_FROM);
  const tapered = to > start ? Math.log(left(start) / left(to)) / slope : 0;
  return (energyWh * (steady + tapered)) / power;
}

/**
 * State of charge, 0..1, after charging an empty pack for some hours: the inverse of `chargeHours`, in closed form on
 * both parts of the curve.
 */
export function chargedAfter(energyWh: number, acW: number, efficiency: number, hours: number): number {
  const perHour = (acW * efficiency) / energyWh;
  if (!(perHour > 0) || hours <= 0) return 0;
  const steadyHours = TAPER_FROM / perHour;
  if (hours <= steadyHours) return hours * perHour;
  // dt = ds/(p·(1 − k·(s − 0.9))) gives s = 0.9 + (1 − e^(−k·p·t))/k.
  const slope = (1 - TAPER_END_POWER) / (1 - TAPER_FROM);
  return Math.min(1, TAPER_FROM + (1 - Math.exp(-slope * perHour * (hours - steadyHours))) / slope);
}
