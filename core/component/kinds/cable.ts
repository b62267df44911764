import { number, optional } from '../field.ts';
import { SHORT_TIME } from './shared.ts';

/** HV cable with its ends: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const cable = {
  sectionMm2: number('Section', 'section', 0.1, 1000),
  outsideMm: number('Outside diameter', 'length', 0.1, 200),
  connectorMm: optional(number('Connector across', 'length', 0.1, 300, { meaning: 'the larger end, lug or plug' })),
  maxV: optional(number('Highest voltage', 'voltage', 1, 1500, { meaning: 'of cable and ends, whichever is less' })),
  continuousA: number('Current, continuous', 'current', 0.1, 10_000),
  connectorA: optional(
    number('Connector, continuous', 'current', 0.1, 10_000, { meaning: 'what its ends carry for good' }),
  ),
  shortTime: optional(SHORT_TIME),
} as const;
