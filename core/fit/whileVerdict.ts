import { type Rating, sureA } from '../wiring/rating.ts';
import type { Verdict } from './finding.ts';

/** Verdict on a current for a while. Where the sheet states no time, only what the part carries for good is sure. */
export function whileVerdict(
  askedA: number | null,
  seconds: number,
  rating: Rating,
): { readonly verdict: Verdict; readonly standsA: number } {
  const { goodA, perhapsA } = rating;
  const sure = sureA(rating, seconds);
  const most = sure ?? Math.max(goodA, perhapsA);
  if (askedA === null) return { verdict: 'measureFirst', standsA: most };
  if (askedA <= (sure ?? goodA)) return { verdict: 'fits', standsA: sure ?? goodA };
  return { verdict: sure === null && askedA <= most ? 'measureFirst' : 'doesNotFit', standsA: most };
}
