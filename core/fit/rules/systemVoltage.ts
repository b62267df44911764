import type { Component } from '../../component/sheets.ts';
import { componentAs } from '../../component/sheets.ts';
import type { Finding, FitRule } from '../finding.ts';

const lowVoltageOf = (component: Component): 12 | 24 | null =>
  componentAs(component, 'dcdc')?.sheet.lowVoltageV ??
  componentAs(component, 'combinedUnit')?.sheet.lowVoltageV ??
  componentAs(component, 'lvBattery')?.sheet.lowVoltageV ??
  null;

/** What feeds and keeps the low voltage against the vehicle's own system. */
export const systemVoltage: FitRule = {
  id: 'systemVoltage',
  judge: ({ vehicle, parts }) =>
    parts.flatMap(({ component }): Finding[] => {
      const low = lowVoltageOf(component);
      if (low === null) return [];
      const own = vehicle.variant.systemVoltage;
      return [
        {
          rule: 'systemVoltage',
          subject: component.name,
          verdict: low === own ? 'fits' : 'doesNotFit',
          left: { value: low, kind: 'voltage', source: 'sheet' },
          right: { value: own, kind: 'voltage', source: 'library' },
          margin: null,
          unmeasured: [],
          work: null,
        },
      ];
    }),
};
