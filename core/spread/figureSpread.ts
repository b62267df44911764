import { createSheet } from '../figures/evaluate.ts';
import { FIGURES, type FigureId } from '../figures/index.ts';
import type { Slots } from '../figures/slots.ts';
import { LIKELY_ERROR, type VehicleFigureId } from '../vehicle/vehicleFigures.ts';
import { normalQuantile } from './normal.ts';
import { seeded } from './seeded.ts';
import { quantile, type SpreadProgress, sobolSpread } from './sobol.ts';

/** How far one figure of a design may lie, as long as its inputs are not measured. */
export interface FigureSpread {
  readonly figure: FigureId;
  readonly now: number;
  /** One in ten lies below, half, nine in ten. */
  readonly p10: number;
  readonly p50: number;
  readonly p90: number;
  /** Share of the samples in which it could not be worked out at all. */
  readonly without: number;
  /** What each unmeasured input carries of the spread, most first: alone, and with all it takes part in. */
  readonly shares: readonly { readonly input: VehicleFigureId; readonly alone: number; readonly inAll: number }[];
}

/** No sample lies further out than this many likely errors: nobody's vehicle has a negative drag. */
const FURTHEST = 3;
const SEED = 20_261;

/**
 * P10 to P90 of a figure over the likely errors of all its unmeasured inputs at once, each taken as normal about its value
 * with the likely error as its standard deviation (common practice), independent of each other, the same for the same
 * design every time. Null where the figure has no value, or rests on nothing unmeasured. Yields progress.
 *
 * @param evaluations how many times the figure is worked out in all @default 10 000
 */
export function* figureSpread(
  slots: Slots,
  figure: FigureId,
  evaluations = 10_000,
): Generator<SpreadProgress, FigureSpread | null> {
  const sheet = createSheet(slots, { compare: 'identity' });
  const { value: now, unmeasured } = sheet.get(FIGURES[figure]);
  const inputs = unmeasured.filter((id) => LIKELY_ERROR[id] > 0);
  if (now === null || inputs.length === 0) return null;
  const { vehicle } = slots;
  const f = (uniform: readonly number[]): number | null => {
    const figures = { ...vehicle.figures };
    inputs.forEach((id, i) => {
      const out = Math.min(FURTHEST, Math.max(-FURTHEST, normalQuantile(uniform[i]!)));
      figures[id] = { ...figures[id], value: figures[id].value * (1 + out * LIKELY_ERROR[id]) };
    });
    sheet.update({ ...slots, vehicle: { ...vehicle, figures } });
    return sheet.get(FIGURES[figure]).value;
  };
  const n = Math.max(10, Math.floor(evaluations / (inputs.length + 2)));
  const { values, without, first, total } = yield* sobolSpread(f, inputs.length, n, seeded(SEED));
  return {
    figure,
    now,
    p10: quantile(values, 0.1),
    p50: quantile(values, 0.5),
    p90: quantile(values, 0.9),
    without,
    shares: inputs.map((input, i) => ({ input, alone: first[i]!, inAll: total[i]! })).sort((a, b) => b.inAll - a.inAll),
  };
}
