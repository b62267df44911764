import type { Component } from '../../component/sheets.ts';
import { componentAs } from '../../component/sheets.ts';
import type { Finding, FitRule } from '../finding.ts';

const KINDS = ['drive', 'inverter', 'charger', 'combinedUnit', 'dcdc', 'bmsMain', 'other'] as const;
const busesOf = (component: Component) =>
  KINDS.map((kind) => componentAs(component, kind)?.sheet.buses).find((list) => list !== undefined) ?? [];

/** Who speaks on which bus, at which rate, and who commands there: one rate, one who commands; two are refused. */
export const buses: FitRule = {
  id: 'buses',
  judge: ({ parts }) => {
    const all = new Map<string, { name: string; kbps: number; role: string }[]>();
    for (const { component } of parts)
      for (const { bus, kbps, role } of busesOf(component))
        all.set(bus, [...(all.get(bus) ?? []), { name: component.name, kbps, role }]);
    return [...all].map(([bus, speakers]): Finding => {
      const rates = [...new Set(speakers.map(({ kbps }) => kbps))].sort((a, b) => a - b);
      const masters = speakers.filter(({ role }) => role === 'commands').map(({ name }) => name);
      const obeyed = speakers.some(({ role }) => role === 'obeys');
      const good = rates.length === 1 && masters.length <= 1 && !(obeyed && masters.length === 0);
      return {
        rule: 'buses',
        subject: `bus ${bus}`,
        verdict: good ? 'fits' : 'doesNotFit',
        left: {
          value:
            rates.length > 1
              ? `${rates.join(' and ')} kbit/s`
              : masters.length > 1
                ? masters.join(' and ')
                : (masters[0] ?? 'nobody'),
          kind: null,
          source: 'sheet',
        },
        right: { value: rates.length > 1 ? 'one rate' : 'one that commands', kind: null, source: 'sheet' },
        margin: null,
        unmeasured: [],
        work: null,
      };
    });
  },
};
