import { LIKELY_ERROR, type VehicleFigureId, WORTH_MEASURING } from '../vehicle/vehicleFigures.ts';
import type { LineJudgement } from './judgeLine.ts';

export interface ToMeasure {
  readonly figure: VehicleFigureId;
  /** Brief lines that rest on it. */
  readonly lines: readonly LineJudgement[];
  readonly likelyError: number;
}

/**
 * Unmeasured vehicle figures that a brief line rests on and that are usually off by something, the widest likely
 * error first, then by how many lines rest on them.
 */
export function measuringList(judgements: readonly LineJudgement[]): ToMeasure[] {
  const byFigure = new Map<VehicleFigureId, LineJudgement[]>();
  for (const judgement of judgements) {
    for (const id of judgement.unmeasured) byFigure.set(id, [...(byFigure.get(id) ?? []), judgement]);
  }
  return [...byFigure]
    .map(([figure, lines]) => ({ figure, lines, likelyError: LIKELY_ERROR[figure] }))
    .filter((item) => item.likelyError > WORTH_MEASURING)
    .sort((a, b) => b.likelyError - a.likelyError || b.lines.length - a.lines.length);
}
