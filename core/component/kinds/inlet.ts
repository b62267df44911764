import { choice, flag, number, text } from '../field.ts';

/** Charging inlet: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const inlet = {
  standard: text('Standard'),
  maxAmps: number('Current', 'current', 0.1, 2000),
  phases: choice('Phases', [1, 3]),
  dc: flag('DC contacts'),
  openingMm: number('Opening', 'length', 0, 1000),
} as const;
