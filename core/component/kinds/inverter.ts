import { number, optional } from '../field.ts';
import { BUSES } from './shared.ts';

/** Inverter: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const inverter = {
  minV: number('Least voltage', 'voltage', 0, 1500),
  maxV: number('Highest voltage', 'voltage', 1, 1500),
  maxCurrentA: number('Battery current, most', 'current', 0.1, 10_000, { meaning: 'on the battery side' }),
  phaseA: optional(
    number('Phase current, most', 'current', 0.1, 10_000, { meaning: 'towards the motor, rms; not the battery’s' }),
  ),
  linkUf: optional(number('Link capacitance', 'capacitance', 0, 1_000_000)),
  prechargeMaxV: optional(
    number('Own precharge up to', 'voltage', 1, 1500, { meaning: 'highest pack voltage its own precharge stands' }),
  ),
  buses: optional(BUSES),
} as const;
