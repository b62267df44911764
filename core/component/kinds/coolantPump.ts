import { number } from '../field.ts';

/** Coolant pump: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const coolantPump = {
  litresPerMin: number('Flow', 'flow', 0.01, 1000),
  powerW: number('Power', 'watts', 0, 10_000),
} as const;
