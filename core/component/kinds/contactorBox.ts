import { number, optional } from '../field.ts';
import { COMPANIONS, SHORT_TIME } from './shared.ts';

/** Contactor box: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const contactorBox = {
  minV: number('Least voltage', 'voltage', 0, 1500),
  maxV: number('Highest voltage', 'voltage', 1, 1500),
  continuousA: number('Current, continuous', 'current', 0.1, 10_000),
  peakA: number('Current, peak', 'current', 0.1, 10_000),
  shortTime: optional(SHORT_TIME),
  companions: optional(COMPANIONS),
} as const;
