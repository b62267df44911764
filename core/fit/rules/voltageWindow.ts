import { voltageWindow as windowOf } from '../../component/sheets.ts';
import { FIGURES } from '../../figures/index.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Every high-voltage component must take the full pack and still work on the empty pack under full load. */
export const voltageWindow: FitRule = {
  id: 'voltageWindow',
  judge: ({ sheet, parts }) => {
    const full = sheet.get(FIGURES.packVoltageFull).value;
    const low = sheet.get(FIGURES.packSagVoltage).value ?? sheet.get(FIGURES.packVoltageEmpty).value;
    return parts.flatMap(({ component }): Finding[] => {
      const window = windowOf(component);
      if (!window) return [];
      const right = { value: window.minV, to: window.maxV, kind: 'voltage', source: 'sheet' } as const;
      const base = { rule: 'voltageWindow', subject: component.name, right, unmeasured: [], work: null } as const;
      if (full === null || low === null) {
        return [
          { ...base, verdict: 'measureFirst', left: { value: null, kind: 'voltage', source: 'design' }, margin: null },
        ];
      }
      const margin = Math.min(window.maxV - full, low - window.minV);
      return [
        {
          ...base,
          verdict: margin >= 0 ? 'fits' : 'doesNotFit',
          left: { value: low, to: full, kind: 'voltage', source: 'design' },
          margin: { value: margin, kind: 'voltage' },
        },
      ];
    });
  },
};
