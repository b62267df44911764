import { type HoldingG, USUAL_HOLDING_G } from '../pack/holding.ts';

export interface ClosedDay {
  readonly day: string;
  readonly name: string;
}

/** What a workshop reckons with beside its record; each is common practice until it sets its own. */
export interface Practice {
  /** A comma typed between digits is a decimal point. */
  readonly decimalComma: boolean;
  /** The first job of a year has this number: 26-101. */
  readonly firstJobNumber: number;
  /** Days on which the workshop is closed, beside its free days of the week; ISO days, in order. */
  readonly closedDays: readonly ClosedDay[];
  /** Accelerations that boxes of new designs are held against, in g. */
  readonly holdingG: HoldingG;
}
export type PracticeName = keyof Practice;

/** Common practice, no source; the accelerations are those of `USUAL_HOLDING_G`. */
export const USUAL_PRACTICE: Practice = {
  decimalComma: false,
  firstJobNumber: 101,
  closedDays: [],
  holdingG: USUAL_HOLDING_G,
};

/** What a workshop reckons with: its own where it has set it. */
export const practiceOf = (own: Partial<Practice>): Practice => ({ ...USUAL_PRACTICE, ...own });
