import { number } from '../field.ts';

/** Precharge resistor: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const resistor = {
  ohm: number('Resistance', 'ohms', 0.001, 1_000_000),
  pulseJ: number('Pulse energy', 'pulse', 0, 1_000_000),
  peakW: number('Peak power', 'watts', 0, 10_000_000),
} as const;
