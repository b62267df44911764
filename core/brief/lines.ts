import type { FigureId } from '../figures/index.ts';
import type { QuantityKind } from '../quantity/kinds.ts';

/**
 * Kinds of brief line, each with the figure it is held against and how. `atLeast`/`atMost` compare the amount;
 * `share` holds the front axle share to a school within a tolerance; `plate` compares with the vehicle's own plate.
 */
export const BRIEF_KINDS = {
  rangeRound: { figure: 'rangeRound', compare: 'atLeast', kind: 'distance' },
  rangeCycle: { figure: 'rangeCycle', compare: 'atLeast', kind: 'distance' },
  rangeRoute: { figure: 'rangeRoute', compare: 'atLeast', kind: 'distance' },
  rangeConstant: { figure: 'rangeConstant', compare: 'atLeast', kind: 'distance' },
  time0to20: { figure: 'time0to20', compare: 'atMost', kind: 'duration' },
  time0to50: { figure: 'time0to50', compare: 'atMost', kind: 'duration' },
  time0to60mph: { figure: 'time0to60mph', compare: 'atMost', kind: 'duration' },
  time0to100: { figure: 'time0to100', compare: 'atMost', kind: 'duration' },
  topSpeed: { figure: 'topSpeed', compare: 'atLeast', kind: 'speed' },
  hillStart: { figure: 'hillStart', compare: 'atLeast', kind: 'grade' },
  gradeHeld50: { figure: 'gradeHeld50', compare: 'atLeast', kind: 'grade' },
  grossMass: { figure: 'grossMassNow', compare: 'plate', kind: 'mass' },
  axleShare: { figure: 'frontShare', compare: 'share', kind: 'share' },
  overnightCharge: { figure: 'chargeTime', compare: 'atMost', kind: 'hours' },
  rapidCharge: { figure: 'dcTime10to80', compare: 'atMost', kind: 'hours' },
  reversible: { figure: 'newHoles', compare: 'atMost', kind: 'count' },
  priceCeiling: { figure: 'jobPrice', compare: 'atMost', kind: 'money' },
  readyBy: { figure: 'readyDate', compare: 'atMost', kind: 'date' },
  free: { figure: null, compare: 'free', kind: 'count' },
} as const satisfies Record<string, { figure: FigureId | null; compare: string; kind: QuantityKind }>;

export type BriefKind = keyof typeof BRIEF_KINDS;
export const BRIEF_KIND_IDS = Object.keys(BRIEF_KINDS) as BriefKind[];

/** Two schools of weight distribution (trade §5.7). */
export type ShareSchool = 'equal' | 'original';

/** One line of a brief. `amount` is in the base unit of its kind; `tolerance` is a fraction of one for shares. */
export interface BriefLine {
  readonly id: string;
  readonly kind: BriefKind;
  readonly firm: boolean;
  readonly amount: number | null;
  readonly school: ShareSchool | null;
  readonly tolerance: number | null;
  readonly text: string;
  /** Free lines are ticked by a person; measurable ones are computed. */
  readonly done: boolean;
}
