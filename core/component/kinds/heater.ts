import { number, optional } from '../field.ts';
import { COMPANIONS } from './shared.ts';

/** Heater: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const heater = {
  minV: number('Least voltage', 'voltage', 0, 1500),
  maxV: number('Highest voltage', 'voltage', 1, 1500),
  powerW: number('Power', 'electricPower', 1, 50_000),
  ratedV: optional(
    number('Voltage of that power', 'voltage', 1, 1500, {
      meaning: 'of a plain resistance: its power goes with the square of the voltage; a regulated heater has none',
    }),
  ),
  companions: optional(COMPANIONS),
} as const;
