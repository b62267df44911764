import { FUSE_FACTOR } from './fuseFactor.ts';
import { fuseRating, HALF_MINUTE, shortA } from './rating.ts';
import type { ShortTimePoint } from './shortTime.ts';

/** Fuse sizes that can be bought, A; common practice, after the R10 and R20 series. */
const FUSE_RATINGS = [
  5, 10, 15, 20, 25, 30, 40, 50, 63, 80, 100, 125, 150, 160, 175, 200, 225, 250, 300, 315, 350, 400, 450, 500, 600, 630,
  700, 800,
] as const;

export interface FuseWish {
  readonly continuousA: number;
  /** Current at full throttle, A. @default continuousA */
  readonly peakA?: number;
  /** For how long, s. @default 30 */
  readonly peakS?: number;
  readonly fullV: number;
  /** Resistance of the whole loop the fault current runs through, Ω. */
  readonly loopOhm: number;
  /** What the cable behind it carries, A; null for a short tail inside a box. */
  readonly cableA: number | null;
}

export interface FuseNeed {
  readonly continuousA: number;
  readonly peakA: number;
  readonly peakS: number;
  /** Rating that does by the half-minute rule; a fuse whose sheet states its curve is held against that. */
  readonly atLeastA: number;
  readonly ratedA: number | null;
  readonly voltageV: number;
  /** Current the fuse must be able to break, A. */
  readonly breakingA: number;
  /** The smallest fuse that carries the load is over what the cable stands. */
  readonly overCable: boolean;
}

/** Rated ≥ 1.25 × continuous, ≥ peak ÷ 1.6 and ≤ cable, voltage ≥ full pack, breaking capacity ≥ V_full ÷ R_loop. */
export function fuseNeed({ continuousA, peakA = continuousA, peakS = 30, fullV, loopOhm, cableA }: FuseWish): FuseNeed {
  const atLeastA = Math.max(FUSE_FACTOR * continuousA, peakA / HALF_MINUTE);
  const ratedA = FUSE_RATINGS.find((rating) => rating >= atLeastA) ?? null;
  return {
    continuousA,
    peakA,
    peakS,
    atLeastA,
    ratedA,
    voltageV: fullV,
    breakingA: loopOhm > 0 ? fullV / loopOhm : Number.POSITIVE_INFINITY,
    overCable: cableA !== null && (ratedA ?? atLeastA) > cableA,
  };
}

interface FuseSheet {
  readonly ratedA: number;
  readonly maxV: number;
  readonly breakingA: number;
  readonly shortTime?: readonly ShortTimePoint[];
}

/** The smallest fuse at hand that meets a need and lies within what its cable carries (null: no cable of its own); null when none does. */
export function smallestFuse<F extends { readonly sheet: FuseSheet }>(
  fuses: readonly F[],
  need: FuseNeed,
  cableA: number | null,
): F | null {
  return (
    [...fuses]
      .sort((a, b) => a.sheet.ratedA - b.sheet.ratedA)
      .find(
        ({ sheet }) =>
          sheet.ratedA >= FUSE_FACTOR * need.continuousA &&
          shortA(fuseRating(sheet), need.peakS) >= need.peakA &&
          sheet.maxV >= need.voltageV &&
          sheet.breakingA >= need.breakingA &&
          (cableA === null || sheet.ratedA <= cableA),
      ) ?? null
  );
}
