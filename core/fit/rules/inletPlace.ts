import { componentAs } from '../../component/sheets.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Hours to make a place for an inlet where the body has no hole for it; common practice. */
const PLACE_HOURS = 3;
/** What socket is usual where; common practice, local rules and networks decide. */
const STANDARD: Readonly<Record<string, RegExp>> = { eu: /type 2/i, uk: /type 2/i, us: /type 1/i };

/** The inlet against the holes the body has, and its kind against the region the vehicle will charge in. */
export const inletPlace: FitRule = {
  id: 'inletPlace',
  judge: ({ vehicle, parts, region }) =>
    parts.flatMap(({ component }): Finding[] => {
      const inlet = componentAs(component, 'inlet');
      if (!inlet) return [];
      const { openings } = vehicle.variant;
      const widest = openings && Math.max(0, ...openings.map(({ diameterMm }) => diameterMm));
      const margin = widest === undefined ? null : widest - inlet.sheet.openingMm;
      const findings: Finding[] = [
        {
          rule: 'inletPlace',
          subject: inlet.name,
          verdict: margin === null ? 'measureFirst' : margin >= 0 ? 'fits' : 'afterWork',
          left: { value: inlet.sheet.openingMm, kind: 'length', source: 'sheet' },
          right: { value: widest ?? null, kind: 'length', source: 'library' },
          margin: margin === null ? null : { value: margin, kind: 'length' },
          unmeasured: [],
          work:
            margin !== null && margin < 0
              ? {
                  hours: PLACE_HOURS,
                  step: 'Inlet on a bracket behind a flap or badge; no hole widened without the client',
                }
              : null,
        },
      ];
      const wanted = region === null ? undefined : STANDARD[region];
      if (wanted)
        findings.push({
          rule: 'inletPlace',
          subject: `${inlet.name}, kind of plug`,
          verdict: wanted.test(inlet.sheet.standard) ? 'fits' : 'doesNotFit',
          left: { value: inlet.sheet.standard, kind: null, source: 'sheet' },
          right: { value: region === 'us' ? 'type 1' : 'type 2', kind: null, source: 'library' },
          margin: null,
          unmeasured: [],
          work: null,
        });
      return findings;
    }),
};
