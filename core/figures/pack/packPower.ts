import { powerAt } from '../../pack/powerAt.ts';
import { figure } from '../figure.ts';
import { packFacts } from './packFacts.ts';

/** What the pack can give for ten seconds, at nominal voltage less sag. */
export const packPower = figure({
  id: 'packPower',
  name: 'Pack power, ten seconds',
  group: 'pack',
  kind: 'electricPower',
  needs: { packFacts },
  compute: ({ packFacts: p }) => {
    const { amps, watts } = powerAt(p.nominalV, p.resistanceOhm, p.peakA);
    return {
      value: watts,
      formula: 'P = (V nominal − I·R) × I, with I for ten seconds, at most V nominal ÷ 2R',
      terms: [
        { symbol: 'V nominal', value: p.nominalV, kind: 'voltage' },
        { symbol: 'I', value: amps, kind: 'current' },
        { symbol: 'R', value: p.resistanceOhm, kind: 'resistance' },
      ],
      source: 'Ohm; module sheet, resistance at the temperature of the use',
    };
  },
});
