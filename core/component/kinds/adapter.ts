import { text } from '../field.ts';

/** Adapter: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const adapter = {
  fromSpline: text('From spline'),
  fromBoltPattern: text('From bolt pattern'),
  toSpline: text('To spline'),
  toBoltPattern: text('To bolt pattern'),
} as const;
