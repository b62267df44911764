import { expose } from 'comlink';
import type { FigureId } from '../../core/figures/index.ts';
import type { Slots } from '../../core/figures/slots.ts';
import { type FigureSpread, figureSpread } from '../../core/spread/figureSpread.ts';

/** Works out how far figures spread, one after another, and tells how far it is; ending the worker cancels it. */
export function run(
  slots: Slots,
  figures: readonly FigureId[],
  tell: (share: number) => void,
): readonly FigureSpread[] {
  return figures.flatMap((figure, i) => {
    const steps = figureSpread(slots, figure);
    for (;;) {
      const step = steps.next();
      if (step.done) return step.value ? [step.value] : [];
      if (step.value.done % REPORT_EVERY === 0) tell((i + step.value.done / step.value.of) / figures.length);
    }
  });
}
const REPORT_EVERY = 500;

expose({ run });
