import { componentAs } from '../../component/sheets.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Two cables side by side need a round hole of twice their width, and a little to be pulled through; common practice. */
const PULL_MM = 2;
/** Hours to put an end on after its cable is through; common practice. */
const END_HOURS = 0.5;

/** Plus and minus of the HV cable through the widest pass of the body: the cables, then the ends that hang on them. */
export const passThroughs: FitRule = {
  id: 'passThroughs',
  judge: ({ vehicle, parts, sheet }) => {
    // One box, one place: nothing has to pass.
    if (sheet.slots.pack.boxes.length < 2) return [];
    const widest = [...vehicle.variant.passThroughs].sort((a, b) => b.diameterMm - a.diameterMm)[0];
    return parts.flatMap(({ component }): Finding[] => {
      const cable = componentAs(component, 'cable');
      if (!cable) return [];
      const needMm = 2 * cable.sheet.outsideMm + PULL_MM;
      const endsMm =
        cable.sheet.connectorMm === undefined ? null : cable.sheet.connectorMm + cable.sheet.outsideMm + PULL_MM;
      const base = {
        rule: 'passThroughs',
        subject: `${cable.name}${widest ? ` through the ${widest.name}` : ''}`,
      } as const;
      const left = { value: needMm, kind: 'length', source: 'sheet' } as const;
      if (!widest)
        return [
          {
            ...base,
            verdict: 'measureFirst',
            left,
            right: { value: null, kind: 'length', source: 'library' },
            margin: null,
            unmeasured: [],
            work: null,
          },
        ];
      const margin = widest.diameterMm - needMm;
      const after = margin >= 0 && endsMm !== null && endsMm > widest.diameterMm;
      return [
        {
          ...base,
          verdict: margin < 0 ? 'doesNotFit' : after ? 'afterWork' : 'fits',
          left,
          right: { value: widest.diameterMm, kind: 'length', source: 'library' },
          margin: { value: margin, kind: 'length' },
          unmeasured: [],
          work: after ? { hours: END_HOURS, step: `Fit this end after pulling: ${cable.name}` } : null,
        },
      ];
    });
  },
};
