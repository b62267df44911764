import { number, optional } from '../field.ts';
import { COMPANIONS } from './shared.ts';

/** High-voltage pump: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const hvPump = {
  minV: number('Least voltage', 'voltage', 0, 1500),
  maxV: number('Highest voltage', 'voltage', 1, 1500),
  powerW: number('Power', 'electricPower', 1, 50_000),
  companions: optional(COMPANIONS),
} as const;
