import { type BriefLineBody, briefLineSchema } from '../contract/brief.ts';
import type { BriefKind } from '../core/brief/lines.ts';
import { briefFigure } from './brief.ts';
import { type DifferenceRow, differences, type Shown } from './differences.ts';

/** Where lines of the brief differ; an amount is shown as its kind of line measures it. */
export function briefLineDifferences(kind: BriefKind, lines: readonly BriefLineBody[], shown: Shown): DifferenceRow[] {
  const told = lines.map(({ amount, ...line }) => ({
    ...line,
    amount: amount === null ? null : briefFigure(kind, amount, shown.set),
  }));
  return differences(briefLineSchema, told, shown);
}
