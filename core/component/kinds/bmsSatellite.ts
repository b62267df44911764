import { count } from '../field.ts';

/** Battery management, satellite: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const bmsSatellite = {
  channels: count('Channels', 1, 1000),
} as const;
