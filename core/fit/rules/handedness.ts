import { componentAs } from '../../component/sheets.ts';
import type { Finding, FitRule } from '../finding.ts';

/** What is made for one side of the steering column against the side this vehicle is driven from. */
export const handedness: FitRule = {
  id: 'handedness',
  judge: ({ vehicle, parts }) =>
    parts.flatMap(({ component }): Finding[] => {
      const made = componentAs(component, 'box')?.sheet.handed ?? componentAs(component, 'cradle')?.sheet.handed;
      if (made === undefined || made === 'either') return [];
      const side = vehicle.variant.steeringSide ?? null;
      return [
        {
          rule: 'handedness',
          subject: component.name,
          verdict: side === null ? 'measureFirst' : side === made ? 'fits' : 'doesNotFit',
          left: { value: `made for steering at the ${made}`, kind: null, source: 'sheet' },
          right: { value: side === null ? null : `driven from the ${side}`, kind: null, source: 'library' },
          margin: null,
          unmeasured: [],
          work: null,
        },
      ];
    }),
};
