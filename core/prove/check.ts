import type { FigureSheet } from '../figures/evaluate.ts';
import { FIGURES, type FigureId } from '../figures/index.ts';
import type { QuantityKind } from '../quantity/kinds.ts';
import { judgeReading } from '../stage/limit.ts';

export const CHECK_GROUPS = [
  'beforePower',
  'firstPower',
  'topOfPack',
  'bottomOfPack',
  'charging',
  'falseAlarms',
  'road',
  'weigh',
] as const;
export type CheckGroup = (typeof CHECK_GROUPS)[number];

/** What the groups are called on the sheet, in the page and on paper. */
export const CHECK_GROUP_NAME: Record<CheckGroup, string> = {
  beforePower: 'Before power',
  firstPower: 'First power',
  topOfPack: 'Top of pack',
  bottomOfPack: 'Bottom of pack',
  charging: 'Charging',
  falseAlarms: 'False alarms put in on purpose',
  road: 'Road',
  weigh: 'Weigh and align',
};

/** A limit in base units with where it comes from: a figure of the chosen design, or a constant with its source. */
export interface CheckLimit {
  readonly min: number | null;
  readonly max: number | null;
  readonly figure: FigureId | null;
  readonly source: string;
}

/**
 * An entry of the catalogue of checks. With `kind` a value is typed in; without one the technician confirms what was
 * seen. `limit` is null while the design lacks the figure it needs: then the check cannot be judged yet.
 */
export interface Check {
  readonly id: string;
  readonly group: CheckGroup;
  readonly title: string;
  readonly how: string;
  readonly kind: QuantityKind | null;
  /** Live high-voltage work: only an authorised person may sign. */
  readonly liveHv: boolean;
  readonly limit: (sheet: FigureSheet) => CheckLimit | null;
}

export type CheckVerdict = 'passed' | 'failed' | 'noLimit';

/** Judges a typed value (base unit), or a confirmation given as 1 (as it should be) or 0. */
export function judgeCheck(
  check: Check,
  value: number,
  sheet: FigureSheet,
): { verdict: CheckVerdict; limit: CheckLimit | null } {
  const limit = check.limit(sheet);
  if (check.kind === null) return { verdict: value === 1 ? 'passed' : 'failed', limit };
  if (!limit) return { verdict: 'noLimit', limit };
  return { verdict: judgeReading(value, limit) === 'within' ? 'passed' : 'failed', limit };
}

/** A constant limit with its source. */
export function constantLimit(min: number | null, max: number | null, source: string): Check['limit'] {
  return () => ({ min, max, figure: null, source });
}

/** A limit made from one figure of the design; null while the figure has no value. */
export function figureLimit(
  id: FigureId,
  range: (value: number) => readonly [number | null, number | null],
  source: string,
): Check['limit'] {
  return (sheet) => {
    const { value } = sheet.get(FIGURES[id]);
    if (value === null) return null;
    const [min, max] = range(value);
    return { min, max, figure: id, source };
  };
}

/** A check that is seen and confirmed, not measured. */
export function seen(id: string, group: CheckGroup, title: string, how: string, liveHv = false): Check {
  return { id, group, title, how, kind: null, liveHv, limit: constantLimit(1, null, 'seen by the person who signs') };
}
