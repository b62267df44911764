import { choice, number } from '../field.ts';

/** Low-voltage battery: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const lvBattery = {
  capacityAh: number('Capacity', 'charge', 0.1, 5000),
  lowVoltageV: choice('Low voltage', [12, 24]),
} as const;
