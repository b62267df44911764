import { componentAs } from '../../component/sheets.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Hours to drive one dial from a signal and prove it at five points; common practice. */
const DIAL_HOURS = 1;
/** What goes with the engine and the tank. */
const GONE = /engine|cylinder|alternator|tank|oil|coil/i;

/** Instruments whose driver goes with the engine, the tank or the gearbox: they show nothing until something drives them. */
export const deadInstruments: FitRule = {
  id: 'deadInstruments',
  judge: ({ vehicle, parts }): Finding[] => {
    const { instruments } = vehicle.variant;
    // Every vehicle has dials: what nobody has named is looked at.
    if (!instruments || instruments.length === 0)
      return [
        {
          rule: 'deadInstruments',
          subject: 'dials of this variant',
          verdict: 'measureFirst',
          left: { value: null, kind: 'count', source: 'library' },
          right: { value: null, kind: 'count', source: 'library' },
          margin: null,
          unmeasured: [],
          work: null,
        },
      ];
    const keepsGearbox = parts.some(
      ({ component }) => componentAs(component, 'drive')?.sheet.output === 'gearboxInput',
    );
    const dead = instruments.filter(
      ({ drivenBy, from }) => drivenBy !== 'none' && (GONE.test(from) || (!keepsGearbox && /gearbox/i.test(from))),
    );
    if (dead.length === 0) return [];
    return [
      {
        rule: 'deadInstruments',
        subject: dead.map(({ name }) => name).join(', '),
        verdict: 'afterWork',
        left: { value: dead.length, kind: 'count', source: 'library' },
        right: { value: instruments.length, kind: 'count', source: 'library' },
        margin: null,
        unmeasured: [],
        work: {
          hours: DIAL_HOURS * dead.length,
          step: `Dials driven and proved: ${dead.map(({ name }) => name).join(', ')}`,
        },
      },
    ];
  },
};
