import type { SaleTerms } from '../money/salePrice.ts';
import type { TaxRule } from '../money/tax.ts';
import { STATIC_CLEARANCE_MM } from '../pack/arrange.ts';
import { type HoldingG, USUAL_HOLDING_G } from '../pack/holding.ts';
import type { Evidence } from './evidence.ts';

export interface ClosedDay {
  readonly day: string;
  readonly name: string;
}

/** What a workshop reckons with beside its record; each is common practice until it sets its own. */
export interface Practice extends Omit<SaleTerms, 'taxShare'> {
  /** A comma typed between digits is a decimal point. */
  readonly decimalComma: boolean;
  /** The first job of a year has this number: 26-101. */
  readonly firstJobNumber: number;
  /** Days on which the workshop is closed, beside its free days of the week; ISO days, in order. */
  readonly closedDays: readonly ClosedDay[];
  /** Accelerations that boxes of new designs are held against, in g. */
  readonly holdingG: HoldingG;
  /** An hour of work of this skill as sold, minor units; a skill that is not named costs the workshop's rate. */
  readonly ratesBySkill: Readonly<Record<string, number>>;
  /** Room wanted all round a box of a new design, mm. */
  readonly clearanceMm: number;
  /** How tax is rounded on its papers. */
  readonly taxRule: TaxRule;
  /** What moving a day that the plan has told costs against being late, weighted hours a job and day. */
  readonly toldHours: number;
  /** Days an offer stands. */
  readonly offerDays: number;
  /** What an hour of work costs the workshop, minor units; null: not told, and it counts at what it is sold for. */
  readonly hourCostCents: number | null;
  /** What a vehicle needs in each region before it is handed over. */
  readonly evidence: Readonly<Record<string, readonly Evidence[]>>;
}
export type PracticeName = keyof Practice;

/** Common practice, no source; the accelerations are those of `USUAL_HOLDING_G`. */
export const USUAL_PRACTICE: Practice = {
  decimalComma: false,
  firstJobNumber: 101,
  closedDays: [],
  holdingG: USUAL_HOLDING_G,
  ratesBySkill: {},
  marginShare: 0.15,
  contingencyShare: 0.05,
  roundToCents: 100,
  clearanceMm: STATIC_CLEARANCE_MM,
  taxRule: 'line',
  toldHours: 2,
  offerDays: 30,
  hourCostCents: null,
  evidence: {},
};

/** What a workshop reckons with: its own where it has set it. */
export const practiceOf = (own: Partial<Practice>): Practice => ({ ...USUAL_PRACTICE, ...own });

/** What an hour of this skill is sold for. */
export const rateOf = (skill: string | null | undefined, rateCents: number, { ratesBySkill }: Partial<Practice>) =>
  (skill ? ratesBySkill?.[skill] : undefined) ?? rateCents;
