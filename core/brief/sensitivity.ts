import { createSheet, type FigureSheet } from '../figures/evaluate.ts';
import { FIGURES, type FigureId } from '../figures/index.ts';
import { LIKELY_ERROR, type VehicleFigureId } from '../vehicle/vehicleFigures.ts';

/** How much a computed figure moves when an unmeasured input is off by as much as it usually is. */
export interface Sensitivity {
  readonly input: VehicleFigureId;
  readonly figure: FigureId;
  /** Largest change of the figure either way, as a share of itself. */
  readonly share: number;
  /** The same in the base unit of the figure. */
  readonly change: number;
}

/**
 * Moves each unmeasured input that a figure rests on up and down by its likely error, computes the figure again and
 * notes the larger change. Only what is not measured and can be off counts. Costs two evaluations an input.
 */
export function sensitivities(sheet: FigureSheet, figures: readonly FigureId[]): Sensitivity[] {
  const results = figures.map((id) => ({ id, now: sheet.get(FIGURES[id]) }));
  const inputs = new Set(results.flatMap(({ now }) => now.unmeasured).filter((id) => LIKELY_ERROR[id] > 0));
  const found: Sensitivity[] = [];
  for (const input of inputs) {
    const moved = [-1, 1].map((sign) => {
      const { vehicle } = sheet.slots;
      const sourced = vehicle.figures[input];
      const value = sourced.value * (1 + sign * LIKELY_ERROR[input]);
      return createSheet({
        ...sheet.slots,
        vehicle: { ...vehicle, figures: { ...vehicle.figures, [input]: { ...sourced, value } } },
      });
    });
    for (const { id, now } of results) {
      if (now.value === null || !now.unmeasured.includes(input)) continue;
      const changes = moved.map((other) => Math.abs((other.get(FIGURES[id]).value ?? now.value!) - now.value!));
      const change = Math.max(...changes);
      const share = now.value !== 0 ? change / Math.abs(now.value) : 0;
      if (share > 1e-6) found.push({ input, figure: id, share, change });
    }
  }
  return found.sort((a, b) => b.share - a.share);
}
