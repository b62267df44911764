import { number, optional } from '../field.ts';

/** HV cable: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const cable = {
  sectionMm2: number('Section', 'section', 0.1, 1000),
  outsideMm: number('Outside diameter', 'length', 0.1, 200),
  connectorMm: optional(number('Connector across', 'length', 0.1, 300, { meaning: 'the larger end, lug or plug' })),
  continuousA: number('Current, continuous', 'current', 0.1, 10_000),
} as const;
