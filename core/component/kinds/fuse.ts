import { number, optional } from '../field.ts';
import { SHORT_TIME } from './shared.ts';

/** HV fuse: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const fuse = {
  ratedA: number('Rating', 'current', 0.1, 10_000),
  maxV: number('Highest voltage', 'voltage', 1, 1500),
  breakingA: number('Breaks', 'current', 1, 1_000_000),
  shortTime: optional(SHORT_TIME),
} as const;
