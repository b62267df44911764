import { choice, number, optional } from '../field.ts';
import { BUSES } from './shared.ts';

/** Charger with DC-DC: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const combinedUnit = {
  powerW: number('Power', 'electricPower', 1, 500_000, { meaning: 'rated, drawn from the supply' }),
  minV: number('Least voltage', 'voltage', 0, 1500),
  maxV: number('Highest voltage', 'voltage', 1, 1500),
  phases: choice('Phases', [1, 3]),
  maxAmps: number('Supply current', 'current', 0.1, 1000),
  efficiency: number('Efficiency', 'share', 0.01, 1),
  dcdcA: number('DC-DC current', 'current', 0.1, 2000),
  lowVoltageV: choice('Low voltage', [12, 24]),
  buses: optional(BUSES),
} as const;
