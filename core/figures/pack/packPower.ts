import { figure } from '../figure.ts';
import { packFacts } from './packFacts.ts';

/** What the pack can give for ten seconds, at nominal voltage less sag. */
export const packPower = figure({
  id: 'packPower',
  name: 'Pack power, ten seconds',
  group: 'pack',
  kind: 'electricPower',
  needs: { packFacts },
  compute: ({ packFacts: p }) => ({
    value: Math.max(0, p.nominalV - p.peakA * p.resistanceOhm) * p.peakA,
    formula: 'P = (V nominal − I·R) × I, with I for ten seconds',
    terms: [
      { symbol: 'V nominal', value: p.nominalV, kind: 'voltage' },
      { symbol: 'I', value: p.peakA, kind: 'current' },
      { symbol: 'R', value: p.resistanceOhm, kind: 'resistance' },
    ],
    source: 'Ohm; module sheet',
  }),
});
