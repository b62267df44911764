/** What a gear does for one of the two questions: town, or the open road. */
export interface GearTrial {
  readonly gear: number;
  /** Motor turns a wheel turn. */
  readonly ratio: number;
  /** Why it does not do; null: it does. */
  readonly refused: 'doesNotStart' | 'overRevolutions' | 'doesNotHold' | null;
  /** Energy it uses there, Wh/km; null where it does not do. */
  readonly whPerKm: number | null;
}

/** Within this share of the least energy the taller gear is taken: it turns slower and is quieter. */
const ALIKE = 0.01;

/**
 * The gear to leave engaged: of those that do, the one that uses least energy; within 1 % the taller (trade §5.5). Null
 * where none does. Gears need not stand in order.
 */
export function adviseGear(trials: readonly GearTrial[]): GearTrial | null {
  const doing = trials.filter((trial) => trial.refused === null && trial.whPerKm !== null);
  if (doing.length === 0) return null;
  const least = Math.min(...doing.map((trial) => trial.whPerKm!));
  return doing
    .filter((trial) => trial.whPerKm! <= least * (1 + ALIKE))
    .reduce((tall, trial) => (trial.ratio < tall.ratio ? trial : tall));
}

const REFUSED = {
  doesNotStart: 'does not start with a tenth to spare',
  overRevolutions: 'turns too fast at 60 km/h',
  doesNotHold: 'does not hold the speed within continuous power',
} as const;

/** Why the neighbours of the advised gear are worse, in words: "gear 2 uses 4 % more; gear 4 does not start …". */
export function neighbourWords(trials: readonly GearTrial[], advised: GearTrial): string {
  return [advised.gear - 1, advised.gear + 1]
    .map((gear) => trials.find((trial) => trial.gear === gear))
    .filter((trial) => trial !== undefined)
    .map((trial) => {
      if (trial.refused) return `gear ${trial.gear} ${REFUSED[trial.refused]}`;
      const more = trial.whPerKm! / advised.whPerKm! - 1;
      if (more <= 0 || more < ALIKE / 2)
        return `gear ${trial.gear} uses as much, and turns ${trial.ratio > advised.ratio ? 'faster' : 'slower'}`;
      return `gear ${trial.gear} uses ${(more * 100).toFixed(more < 0.1 ? 1 : 0)} % more`;
    })
    .join('; ');
}
