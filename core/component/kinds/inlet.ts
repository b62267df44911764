import { choice, flag, number, optional, text } from '../field.ts';
import { COMPANIONS } from './shared.ts';

/** Charging inlet: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const inlet = {
  standard: text('Standard'),
  maxAmps: number('Current', 'current', 0.1, 2000, { meaning: 'of each phase, while charging by AC' }),
  phases: choice('Phases', [1, 3]),
  dc: flag('DC contacts'),
  dcAmps: optional(number('DC current', 'current', 0.1, 2000, { meaning: 'of the DC contacts' })),
  openingMm: number('Opening', 'length', 0, 1000),
  companions: optional(COMPANIONS),
} as const;
