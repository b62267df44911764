import type { Weighing } from './state.ts';

type Corners = Pick<Weighing, 'frontLeftKg' | 'frontRightKg' | 'rearLeftKg' | 'rearRightKg'>;
export type Corner = keyof Corners;

export type WeighingProblem =
  | { readonly problem: 'notPositive'; readonly corner: Corner }
  | {
      readonly problem: 'overTwiceRating';
      readonly axle: 'front' | 'rear';
      readonly massKg: number;
      readonly ratingKg: number;
    }
  | {
      readonly problem: 'tooLight';
      readonly axle: 'front' | 'rear';
      readonly massKg: number;
      readonly libraryKg: number;
    };

/**
 * Masses that cannot be: a corner of zero or less, an axle over twice its rating (somebody read pounds or both axles
 * at once), or an axle under a fifth of the library figure (the scale was not zeroed). Empty when all is plausible.
 */
export function weighingProblems(
  corners: Corners,
  figures: { frontAxleRatingKg: number; rearAxleRatingKg: number; frontAxleMassKg: number; rearAxleMassKg: number },
): WeighingProblem[] {
  const problems: WeighingProblem[] = [];
  for (const corner of ['frontLeftKg', 'frontRightKg', 'rearLeftKg', 'rearRightKg'] as const) {
    if (!(corners[corner] > 0)) problems.push({ problem: 'notPositive', corner });
  }
  if (problems.length > 0) return problems;
  const axles = [
    ['front', corners.frontLeftKg + corners.frontRightKg, figures.frontAxleRatingKg, figures.frontAxleMassKg],
    ['rear', corners.rearLeftKg + corners.rearRightKg, figures.rearAxleRatingKg, figures.rearAxleMassKg],
  ] as const;
  for (const [axle, massKg, ratingKg, libraryKg] of axles) {
    if (massKg > 2 * ratingKg) problems.push({ problem: 'overTwiceRating', axle, massKg, ratingKg });
    else if (massKg < 0.2 * libraryKg) problems.push({ problem: 'tooLight', axle, massKg, libraryKg });
  }
  return problems;
}
