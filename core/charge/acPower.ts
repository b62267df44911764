/** A mains supply where the vehicle stands. */
export interface Supply {
  readonly volts: number;
  readonly amps: number;
  readonly phases: 1 | 3;
}

/** Power of a supply, W. Volts are line to neutral: three phases give three times one. */
export const supplyPowerW = ({ volts, amps, phases }: Supply): number => volts * amps * phases;

export interface AcLimits {
  readonly chargerW: number;
  readonly chargerAmps: number;
  readonly chargerPhases: 1 | 3;
  readonly inletAmps: number;
  readonly supply: Supply;
}

/** AC power drawn, W: the least of charger, inlet and supply, on the phases both sides have (trade §5.8). */
export function acPower(limits: AcLimits): { watts: number; by: 'charger' | 'inlet' | 'supply' } {
  const phases = Math.min(limits.chargerPhases, limits.supply.phases);
  const amps = Math.min(limits.supply.amps, limits.inletAmps, limits.chargerAmps);
  const byCurrent = limits.supply.volts * amps * phases;
  if (limits.chargerW <= byCurrent) return { watts: limits.chargerW, by: 'charger' };
  const by =
    amps === limits.chargerAmps && limits.chargerAmps < limits.supply.amps
      ? 'charger'
      : amps === limits.inletAmps && limits.inletAmps < limits.supply.amps
        ? 'inlet'
        : 'supply';
  return { watts: byCurrent, by };
}
