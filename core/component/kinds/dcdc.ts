import { choice, number, optional } from '../field.ts';
import { BUSES } from './shared.ts';

/** DC-DC converter: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const dcdc = {
  minV: number('Least voltage', 'voltage', 0, 1500),
  maxV: number('Highest voltage', 'voltage', 1, 1500),
  outputA: number('Current out', 'current', 0.1, 2000),
  lowVoltageV: choice('Low voltage', [12, 24]),
  buses: optional(BUSES),
} as const;
