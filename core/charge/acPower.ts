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
  /** Phases of the inlet. */
  readonly inletPhases: 1 | 3;
  /** What the pack takes at its temperature, drawn from the supply, W. @default no limit */
  readonly packW?: number;
  readonly supply: Supply;
}

/** Who decides an AC power. */
export type AcHeldBy = 'charger' | 'inlet' | 'supply' | 'pack';

/**
 * AC power drawn, W: the least of charger, inlet, supply and what the pack takes, on the phases that all three of
 * supply, inlet and charger have (trade §5.8).
 */
export function acPower(limits: AcLimits): { watts: number; by: AcHeldBy; phases: 1 | 3 } {
  const {
    supply,
    inletAmps,
    inletPhases,
    chargerAmps,
    chargerPhases,
    chargerW,
    packW = Number.POSITIVE_INFINITY,
  } = limits;
  const phases = Math.min(chargerPhases, inletPhases, supply.phases) as 1 | 3;
  const amps = Math.min(supply.amps, inletAmps, chargerAmps);
  const byCurrent = supply.volts * amps * phases;
  const watts = Math.min(chargerW, packW, byCurrent);
  return { watts, by: heldBy(), phases };

  function heldBy(): AcHeldBy {
    if (packW <= watts) return 'pack';
    if (chargerW <= watts) return 'charger';
    // Of those with the least current the one whose phases are fewest decides.
    if (inletPhases < Math.min(chargerPhases, supply.phases)) return 'inlet';
    if (amps === chargerAmps && chargerAmps < supply.amps) return 'charger';
    return amps === inletAmps && inletAmps < supply.amps ? 'inlet' : 'supply';
  }
}
