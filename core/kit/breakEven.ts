/** What a kit has earned towards what it cost to make ready. */
export interface BreakEven {
  /** Left of each kit sold, minor units. */
  readonly eachCents: number;
  /** How many pay for the development; null where nothing is left of one. */
  readonly kits: number | null;
  readonly sold: number;
  /** Still to be earned; negative once it is paid for. */
  readonly leftCents: number;
}

/**
 * When a kit has paid for its development: each one sold leaves what is put on its parts.
 *
 * @param partsCents of one kit at cost · @param marginShare what is put on them · @param sold kits taken for jobs agreed
 */
export function breakEven(developmentCents: number, partsCents: number, marginShare: number, sold: number): BreakEven {
  const eachCents = Math.round(partsCents * marginShare);
  return {
    eachCents,
    kits: eachCents > 0 ? Math.ceil(developmentCents / eachCents) : developmentCents === 0 ? 0 : null,
    sold,
    leftCents: developmentCents - sold * eachCents,
  };
}
