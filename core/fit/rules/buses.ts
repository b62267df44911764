import type { Component } from '../../component/sheets.ts';
import { componentAs } from '../../component/sheets.ts';
import type { Finding, FitRule } from '../finding.ts';

const KINDS = ['drive', 'inverter', 'charger', 'combinedUnit', 'dcdc', 'bmsMain', 'other'] as const;
const busesOf = (component: Component) =>
  KINDS.map((kind) => componentAs(component, kind)?.sheet.buses).find((list) => list !== undefined) ?? [];

interface Speaker {
  readonly name: string;
  readonly kbps: number;
  readonly role: string;
  readonly endOhm: number | undefined;
}

/** Two resistors of 120 Ω, one at each end, make 60 Ω across (ISO 11898-2, from memory). */
const ACROSS_OHM = 60;
/** So far off that is still two ends; common practice. */
const OFF = 0.1;
/** Hours to put a resistor to an end of a bus or take one off, and measure across it; common practice. */
const END_HOURS = 0.25;

/** What stands across a bus of at least two: as many resistors as its speakers bring. */
function ends(bus: string, speakers: readonly Speaker[]): Finding[] {
  if (speakers.length < 2) return [];
  const ohms = speakers.flatMap(({ endOhm }) => endOhm ?? []);
  const across = ohms.length === 0 ? null : 1 / ohms.reduce((sum, ohm) => sum + 1 / ohm, 0);
  const high = across !== null && across > ACROSS_OHM * (1 + OFF);
  const low = across !== null && across < ACROSS_OHM * (1 - OFF);
  const step = high
    ? `120 Ω to the open end of bus ${bus}; 60 Ω across it, dead`
    : `A resistor off bus ${bus}: only its two ends have one; 60 Ω across it, dead`;
  return [
    {
      rule: 'buses',
      subject: `bus ${bus}, its ends`,
      verdict: across === null ? 'measureFirst' : high || low ? 'afterWork' : 'fits',
      left: { value: across, kind: 'ohms', source: 'sheet' },
      right: { value: ACROSS_OHM, kind: 'ohms', source: 'sheet' },
      margin: null,
      unmeasured: [],
      work: high || low ? { hours: END_HOURS, step } : null,
    },
  ];
}

/** Who speaks on which bus, at which rate, and who commands there: one rate, one who commands; two are refused; its two ends. */
export const buses: FitRule = {
  id: 'buses',
  judge: ({ parts }) => {
    const all = new Map<string, Speaker[]>();
    for (const { component } of parts)
      for (const { bus, kbps, role, endOhm } of busesOf(component))
        all.set(bus, [...(all.get(bus) ?? []), { name: component.name, kbps, role, endOhm }]);
    return [...all].flatMap(([bus, speakers]): Finding[] => {
      const rates = [...new Set(speakers.map(({ kbps }) => kbps))].sort((a, b) => a - b);
      const masters = speakers.filter(({ role }) => role === 'commands').map(({ name }) => name);
      const obeyed = speakers.some(({ role }) => role === 'obeys');
      const good = rates.length === 1 && masters.length <= 1 && !(obeyed && masters.length === 0);
      const spoken: Finding = {
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
      return [spoken, ...ends(bus, speakers)];
    });
  },
};
