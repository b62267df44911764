import type { FigureSheet } from '../figures/evaluate.ts';
import { LIKELY_ERROR, type VehicleFigureId, WORTH_MEASURING } from '../vehicle/vehicleFigures.ts';
import type { LineJudgement } from './judgeLine.ts';
import { BRIEF_KINDS } from './lines.ts';
import { type Sensitivity, sensitivities } from './sensitivity.ts';

export interface ToMeasure {
  readonly figure: VehicleFigureId;
  /** Brief lines that rest on it. */
  readonly lines: readonly LineJudgement[];
  readonly likelyError: number;
  /** What its likely error moves most, among the figures of those lines; null where it moves none of them. */
  readonly moves: Sensitivity | null;
}

/**
 * Unmeasured vehicle figures that a brief line rests on and that are usually off by something: first those whose likely
 * error moves a figure of the brief most, then the widest likely error. Without a sheet nothing is moved (a quick list).
 */
export function measuringList(judgements: readonly LineJudgement[], sheet: FigureSheet | null): ToMeasure[] {
  const byFigure = new Map<VehicleFigureId, LineJudgement[]>();
  for (const judgement of judgements) {
    for (const id of judgement.unmeasured) byFigure.set(id, [...(byFigure.get(id) ?? []), judgement]);
  }
  const figures = judgements.flatMap(({ line }) => BRIEF_KINDS[line.kind].figure ?? []);
  const moved = sheet ? sensitivities(sheet, [...new Set(figures)]) : [];
  return [...byFigure]
    .map(([figure, lines]) => ({
      figure,
      lines,
      likelyError: LIKELY_ERROR[figure],
      moves: moved.find((move) => move.input === figure) ?? null,
    }))
    .filter((item) => item.likelyError > WORTH_MEASURING)
    .sort((a, b) => (b.moves?.share ?? 0) - (a.moves?.share ?? 0) || b.likelyError - a.likelyError);
}
