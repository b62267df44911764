import { componentAs } from '../../component/sheets.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Hours to set a charger's limit and prove it at the inlet; common practice. */
const SET_HOURS = 0.5;
/** Phases of a usual supply where it is not three; common practice, the house's own supply decides. */
const SUPPLY_PHASES: Readonly<Record<string, 1>> = { us: 1 };

/** Each charger against the inlets of the kit and the supplies of the region: phases, and current of each phase. */
export const chargePhases: FitRule = {
  id: 'chargePhases',
  judge: ({ parts, region }) => {
    const inlets = parts.flatMap(({ component }) => componentAs(component, 'inlet') ?? []);
    const most = inlets.toSorted((a, b) => b.sheet.phases - a.sheet.phases || b.sheet.maxAmps - a.sheet.maxAmps)[0];
    return parts.flatMap(({ component }): Finding[] => {
      const charger = componentAs(component, 'charger') ?? componentAs(component, 'combinedUnit');
      if (!charger || !most) return [];
      const phases = Math.min(most.sheet.phases, (region && SUPPLY_PHASES[region]) || 3);
      const short = most.sheet.maxAmps - charger.sheet.maxAmps;
      const base = { rule: 'chargePhases', unmeasured: [] } as const;
      return [
        {
          ...base,
          subject: `${component.name}, phases`,
          verdict: charger.sheet.phases <= phases ? 'fits' : 'afterWork',
          left: { value: charger.sheet.phases, kind: 'count', source: 'sheet' },
          right: { value: phases, kind: 'count', source: phases < most.sheet.phases ? 'library' : 'sheet' },
          margin: null,
          work:
            charger.sheet.phases <= phases
              ? null
              : { hours: SET_HOURS, step: `Set ${component.name} to one phase; it gives a third` },
        },
        {
          ...base,
          subject: `${component.name}, current at the inlet`,
          verdict: short >= 0 ? 'fits' : 'afterWork',
          left: { value: charger.sheet.maxAmps, kind: 'current', source: 'sheet' },
          right: { value: most.sheet.maxAmps, kind: 'current', source: 'sheet' },
          margin: { value: short, kind: 'current' },
          work:
            short >= 0
              ? null
              : { hours: SET_HOURS, step: `Limit ${component.name} to ${most.sheet.maxAmps} A, and prove it` },
        },
      ];
    });
  },
};
