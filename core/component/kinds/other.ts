import { optional } from '../field.ts';
import { BUSES, COMPANIONS } from './shared.ts';
/** Other: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const other = {
  buses: optional(BUSES),
  companions: optional(COMPANIONS),
} as const;
