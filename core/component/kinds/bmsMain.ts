import { count, optional } from '../field.ts';
import { BUSES } from './shared.ts';

/** Battery management, main: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const bmsMain = {
  maxSatellites: count('Satellites, most', 0, 1000),
  buses: optional(BUSES),
} as const;
