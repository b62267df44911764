import { number } from '../field.ts';

/** Radiator: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const radiator = {
  heatW: number('Heat it gives off', 'electricPower', 1, 1_000_000),
} as const;
