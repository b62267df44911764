import { choice, number, optional } from '../field.ts';
import { BUSES, COMPANIONS } from './shared.ts';
/** Other: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const other = {
  buses: optional(BUSES),
  companions: optional(COMPANIONS),
  pulledMm: optional(
    number('Outside, of what is pulled', 'length', 0.1, 300, {
      meaning: 'hoses and looms that pass the body: one of them',
    }),
  ),
  turnedBy: optional(
    choice('For a drive that turns', ['halfShafts', 'propShaft', 'gearboxInput'], {
      meaning: 'shafts and couplings: what end of which drive they belong to',
    }),
  ),
} as const;
