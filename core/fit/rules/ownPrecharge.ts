import { componentAs } from '../../component/sheets.ts';
import { FIGURES } from '../../figures/index.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Hours to fit and prove a precharge circuit of its own; common practice. */
const PRECHARGE_HOURS = 2;

/** Full pack against what the inverter's own precharge stands; above it a separate precharge circuit is wanted. */
export const ownPrecharge: FitRule = {
  id: 'ownPrecharge',
  judge: ({ sheet, parts }) => {
    const full = sheet.get(FIGURES.packVoltageFull).value;
    const separate = parts.some(
      ({ component }) => component.kind === 'resistor' || component.covers.includes('precharge'),
    );
    return parts.flatMap(({ component }): Finding[] => {
      const stands =
        componentAs(component, 'inverter')?.sheet.prechargeMaxV ?? componentAs(component, 'drive')?.sheet.prechargeMaxV;
      if (stands === undefined) return [];
      const margin = full === null ? null : stands - full;
      return [
        {
          rule: 'ownPrecharge',
          subject: component.name,
          verdict: margin === null ? 'measureFirst' : margin >= 0 || separate ? 'fits' : 'afterWork',
          left: { value: full, kind: 'voltage', source: 'design' },
          right: { value: stands, kind: 'voltage', source: 'sheet' },
          margin: margin === null ? null : { value: margin, kind: 'voltage' },
          unmeasured: [],
          work:
            margin !== null && margin < 0 && !separate
              ? { hours: PRECHARGE_HOURS, step: 'Precharge resistor and relay of its own fitted and proved' }
              : null,
        },
      ];
    });
  },
};
