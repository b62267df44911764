import type { PackFacts } from '../../pack/compose.ts';
import { type FigureAbout, figure } from '../figure.ts';
import { packFacts } from './packFacts.ts';

function voltage(about: FigureAbout, read: (pack: PackFacts) => number, name: string) {
  return figure({
    ...about,
    kind: 'voltage',
    needs: { packFacts },
    reads: ['pack'],
    compute: ({ packFacts: p }) => ({
      value: read(p),
      formula: `V = modules in series × ${name} module voltage`,
      terms: [
        { symbol: 'modules in series', value: p.seriesModules, kind: 'count' },
        { symbol: `${name} module voltage`, value: read(p) / p.seriesModules, kind: 'voltage' },
      ],
      source: 'module sheet',
    }),
  });
}

export const packVoltageEmpty = voltage(
  { id: 'packVoltageEmpty', name: 'Voltage, empty', group: 'pack' },
  (p) => p.emptyV,
  'empty',
);
export const packVoltageNominal = voltage(
  { id: 'packVoltageNominal', name: 'Voltage, nominal', group: 'pack' },
  (p) => p.nominalV,
  'nominal',
);
export const packVoltageFull = voltage(
  { id: 'packVoltageFull', name: 'Voltage, full', group: 'pack' },
  (p) => p.fullV,
  'full',
);
