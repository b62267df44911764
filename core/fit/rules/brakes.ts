import { brakesReview } from '../../figures/balance/brakes.ts';
import type { Finding, FitRule } from '../finding.ts';

/** And from this one on at least, whatever was built. */
const FRONT_FIRST_FROM_G = 0.15;
/** A front axle must come to its grip first up to this deceleration, in g (UN R13-H, the range of adhesion 0.15 to 0.8). */
const FRONT_FIRST_TO_G = 0.8;

/** The brakes as built against the loads of the conversion: a review for a specialist, never a verdict (trade §5.19). */
export const brakes: FitRule = {
  id: 'brakes',
  judge: ({ sheet }): Finding[] => {
    const review = sheet.get(brakesReview).value;
    if (!review) return [];
    const { installed } = review;
    const states = [
      ['unladen', installed?.locksNow ?? null],
      ['laden', installed?.locksLaden ?? null],
    ] as const;
    return states.map(([state, locks]): Finding => {
      // What the maker built is not judged: only what the conversion makes worse.
      const asBuilt = Math.max(
        FRONT_FIRST_FROM_G,
        Math.min(FRONT_FIRST_TO_G, installed?.locksBefore ?? FRONT_FIRST_TO_G),
      );
      return {
        rule: 'brakes',
        subject: `rear wheels, ${state}`,
        verdict: locks !== null && locks >= asBuilt ? 'fits' : 'measureFirst',
        left: { value: locks, kind: 'coefficient', source: 'design' },
        right: { value: asBuilt, kind: 'coefficient', source: 'library' },
        margin: null,
        unmeasured: [],
        work: null,
      };
    });
  },
};
