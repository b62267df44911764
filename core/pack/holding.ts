import { GRAVITY } from '../road/roadLoad.ts';

export const BOLT_SIZES = ['M8', 'M10', 'M12'] as const;
export const BOLT_GRADES = ['8.8', '10.9'] as const;

/** What holds a box to the vehicle: bolts, and straps or brackets where the load goes through them too. */
export interface BoxHold {
  readonly bolts: number;
  readonly size: (typeof BOLT_SIZES)[number];
  readonly grade: (typeof BOLT_GRADES)[number];
  /** What all straps together are rated for, N; null: none. */
  readonly strapsN: number | null;
  /** What all brackets together are rated for, N; null: none. */
  readonly bracketsN: number | null;
}

/** Accelerations a box has to be held against, in g. */
export interface HoldingG {
  readonly forwards: number;
  readonly sideways: number;
  readonly backwards: number;
  readonly vertical: number;
}

/** Common practice; local rules come first. (UN R100 shakes light vehicles' packs with 20 g along and 8 g across, from memory.) */
export const USUAL_HOLDING_G: HoldingG = { forwards: 20, sideways: 15, backwards: 10, vertical: 10 };
export const USUAL_HOLD: BoxHold = { bolts: 4, size: 'M10', grade: '8.8', strapsN: null, bracketsN: null };

/** Proof stress, MPa: ISO 898-1, from memory, up to M16. */
const PROOF_MPA = { '8.8': 580, '10.9': 830 } as const;
/** Stress area of the coarse thread, mm²: ISO 898-1, from memory. */
const STRESS_MM2 = { M8: 36.6, M10: 58, M12: 84.3 } as const;
/** Bolts see some of it across, and not all of them alike: their proof load is divided by this; common practice. */
const BOLT_FACTOR = 2;

export interface Held {
  readonly by: 'bolts' | 'straps' | 'brackets';
  readonly direction: keyof HoldingG;
  readonly forceN: number;
  readonly holdsN: number;
  /** holds ÷ force; under 1 it lets go. */
  readonly margin: number;
}

/** Force the bolts of a box hold, N: proof stress × stress area × number ÷ 2. */
export const boltsHoldN = ({ bolts, size, grade }: Pick<BoxHold, 'bolts' | 'size' | 'grade'>): number =>
  (bolts * PROOF_MPA[grade] * STRESS_MM2[size]) / BOLT_FACTOR;

/**
 * What holds a box against mass × acceleration in each direction (trade §5.16), weakest first: bolts, straps and brackets
 * are passed by the whole force one after another, so each of them has to stand it.
 */
export function holdBox(massKg: number, hold: BoxHold, g: HoldingG): Held[] {
  const holders: [Held['by'], number | null][] = [
    ['bolts', boltsHoldN(hold)],
    ['straps', hold.strapsN],
    ['brackets', hold.bracketsN],
  ];
  const directions = Object.keys(USUAL_HOLDING_G) as (keyof HoldingG)[];
  return holders
    .flatMap(([by, holdsN]) =>
      holdsN === null
        ? []
        : directions.map((direction): Held => {
            const forceN = massKg * g[direction] * GRAVITY;
            return { by, direction, forceN, holdsN, margin: forceN > 0 ? holdsN / forceN : Number.POSITIVE_INFINITY };
          }),
    )
    .sort((a, b) => a.margin - b.margin);
}
