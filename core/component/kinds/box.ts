import { count, text } from '../field.ts';

/** Battery box: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const box = {
  holds: count('Modules it holds', 0, 400),
  bay: text('Bay it is made for'),
} as const;
