import { choice, number, optional } from '../field.ts';
import { BUSES } from './shared.ts';

/** Charger: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const charger = {
  powerW: number('Power', 'electricPower', 1, 500_000, { meaning: 'rated, drawn from the supply' }),
  minV: number('Least voltage', 'voltage', 0, 1500),
  maxV: number('Highest voltage', 'voltage', 1, 1500),
  phases: choice('Phases', [1, 3]),
  maxAmps: number('Supply current', 'current', 0.1, 1000),
  efficiency: number('Efficiency', 'share', 0.01, 1),
  buses: optional(BUSES),
} as const;
