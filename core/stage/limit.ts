import type { StepLimit } from '../kit/kit.ts';

export type ReadingVerdict = 'within' | 'under' | 'over';

/** Holds a reading against its limits, in base units; both ends belong to the good side. */
export function judgeReading(value: number, { min, max }: Pick<StepLimit, 'min' | 'max'>): ReadingVerdict {
  if (min !== null && value < min) return 'under';
  if (max !== null && value > max) return 'over';
  return 'within';
}
