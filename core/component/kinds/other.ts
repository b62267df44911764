import { choice, optional } from '../field.ts';
import { BUSES, COMPANIONS } from './shared.ts';
/** Other: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const other = {
  buses: optional(BUSES),
  companions: optional(COMPANIONS),
  turnedBy: optional(
    choice('For a drive that turns', ['halfShafts', 'propShaft', 'gearboxInput'], {
      meaning: 'shafts and couplings: what end of which drive they belong to',
    }),
  ),
} as const;
