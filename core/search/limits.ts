import { judgeLine } from '../brief/judgeLine.ts';
import { type BriefKind, type BriefLine, briefKind } from '../brief/lines.ts';
import { voltageWindow } from '../component/sheets.ts';
import { type DesignInputs, designComponents } from '../design/inputs.ts';
import type { Library } from '../design/resolve.ts';
import { costOf } from '../figures/cost.ts';
import type { FigureSheet } from '../figures/evaluate.ts';
import type { MissingReason } from '../figures/figure.ts';
import { FIGURES } from '../figures/index.ts';

/** What a candidate of the search lacks it will never have: a figure that is missing for it breaks its line too. */
const LACKS: ReadonlySet<MissingReason> = new Set([
  'meanTooFast',
  'noCharger',
  'noDrive',
  'noInverter',
  'mixedChemistry',
]);

/** Weights and places are summed in another order here than in the catalogue; this much may differ by rounding, kg. */
export const ROUNDING_KG = 1e-6;

/** Whether the search can do anything about a line of this kind. */
export const searchDecides = (kind: BriefKind): boolean => !(briefKind(kind).beyondSearch ?? false);

/** What it costs to know the figure of a line, as its entries state it. */
const lineCost = ({ kind }: BriefLine): number => {
  const { figure } = briefKind(kind);
  return figure === null ? 0 : costOf(FIGURES[figure]);
};

/** Firm lines the search can hold a candidate against, cheapest first. */
export function firmLines(brief: readonly BriefLine[]): BriefLine[] {
  return brief.filter((line) => line.firm && searchDecides(line.kind)).sort((a, b) => lineCost(a) - lineCost(b));
}

/** First firm line a design breaks, or null. */
export function brokenLine(lines: readonly BriefLine[], sheet: FigureSheet): string | null {
  for (const line of lines) {
    const { state, reason } = judgeLine(line, sheet);
    if (state === 'broken' || (state === 'unknown' && reason !== null && LACKS.has(reason))) return line.id;
  }
  return null;
}

/** The voltages that every high-voltage component of a design takes. */
export function windowOf(design: DesignInputs, library: Library): { minV: number; maxV: number } {
  let minV = 0;
  let maxV = Number.POSITIVE_INFINITY;
  for (const { componentId } of designComponents(design)) {
    const part = library.get(componentId);
    const window = part ? voltageWindow(part) : null;
    if (!window) continue;
    minV = Math.max(minV, window.minV);
    maxV = Math.min(maxV, window.maxV);
  }
  return { minV, maxV };
}

/** What a design overloads with the usual load on board, or null. */
export function overload(sheet: FigureSheet): 'plate' | 'frontAxle' | 'rearAxle' | null {
  if ((sheet.get(FIGURES.grossMargin).value ?? 0) < -ROUNDING_KG) return 'plate';
  if ((sheet.get(FIGURES.frontAxleMargin).value ?? 0) < -ROUNDING_KG) return 'frontAxle';
  if ((sheet.get(FIGURES.rearAxleMargin).value ?? 0) < -ROUNDING_KG) return 'rearAxle';
  return null;
}
