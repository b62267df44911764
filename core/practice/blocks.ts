import type { QuantityKind } from '../quantity/kinds.ts';

/** Who may let a thing go on although something stands against it, with a reason that stays. */
export type LiftedBy = 'nobody' | 'manager';

/**
 * What blocks what, in one place: dispatch, stages and pages read it. What can kill is lifted by nobody: it is put right.
 * Whatever else is missing a manager may answer for, with a reason that stays with the thing.
 */
export const LIFTED_BY = {
  /** A reading of insulation out of limits. */
  insulation: 'nobody',
  /** Any other reading out of limits. */
  reading: 'manager',
  /** A kit revision that was withdrawn. */
  revision: 'nobody',
  /** Transport papers of lithium batteries: licensed people give them. */
  lithium: 'nobody',
  firstCount: 'manager',
  secondCount: 'manager',
  serials: 'manager',
  companions: 'manager',
  crates: 'manager',
  instructions: 'manager',
  notIncluded: 'manager',
  loan: 'manager',
} as const satisfies Record<string, LiftedBy>;

/** Who lets a reading of this kind stand that is out of its limits. */
export const readingLiftedBy = (kind: QuantityKind | null): LiftedBy =>
  LIFTED_BY[kind === 'insulation' ? 'insulation' : 'reading'];
