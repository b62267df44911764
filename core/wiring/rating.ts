import { FUSE_FACTOR } from './fuseFactor.ts';
import { type ShortTimePoint, standsFor } from './shortTime.ts';

/** A part stands this much over what it carries for good (a fuse over its rating) for half a minute; common practice. */
export const HALF_MINUTE = 1.6;
/** As long as that rule speaks of, s. */
const HALF_MINUTE_S = 30;

/** What a part on the way of the traction current carries, as its sheet has it. */
export interface Rating {
  /** For good, A. */
  readonly goodA: number;
  readonly points: readonly ShortTimePoint[] | undefined;
  /** What it may stand for half a minute: by common practice, or by a peak said of no time, A. */
  readonly perhapsA: number;
  /** Never more than this, A. @default no such word on its sheet */
  readonly mostA?: number;
}

type Points = readonly ShortTimePoint[] | undefined;

export const fuseRating = ({ ratedA, shortTime }: { ratedA: number; shortTime?: Points }): Rating => ({
  ...{ goodA: ratedA / FUSE_FACTOR, points: shortTime, perhapsA: ratedA * HALF_MINUTE },
});
export const cableRating = ({ continuousA, shortTime }: { continuousA: number; shortTime?: Points }): Rating => ({
  ...{ goodA: continuousA, points: shortTime, perhapsA: continuousA * HALF_MINUTE },
});
export const contactorRating = (sheet: { continuousA: number; peakA: number; shortTime?: Points }): Rating => ({
  ...{ goodA: sheet.continuousA, points: sheet.shortTime, perhapsA: sheet.peakA, mostA: sheet.peakA },
});

/** A module's peak is said of ten seconds: with points for longer it is one of them, alone it says nothing of longer. */
export const moduleRating = (sheet: { continuousA: number; peakA: number; shortTime?: Points }): Rating => {
  const { continuousA, peakA, shortTime = [] } = sheet;
  const points = shortTime.length > 0 ? [{ amps: peakA, seconds: 10 }, ...shortTime] : undefined;
  return { goodA: continuousA, points, perhapsA: peakA, mostA: peakA };
};

/** What its sheet says it stands for so long, A; null where it states no points. */
export function sureA({ goodA, points, mostA = Number.POSITIVE_INFINITY }: Rating, seconds: number): number | null {
  const curveA = standsFor(points, goodA, seconds);
  return curveA === null ? null : Math.min(curveA, Math.max(goodA, mostA));
}

/** What it is taken to stand for so long where something is chosen or reckoned: by its points, else by the half-minute rule, A. */
export const shortA = (rating: Rating, seconds: number): number =>
  sureA(rating, seconds) ?? (seconds <= HALF_MINUTE_S ? Math.max(rating.goodA, rating.perhapsA) : rating.goodA);
