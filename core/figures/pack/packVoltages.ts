import type { PackFacts } from '../../pack/compose.ts';
import { figure } from '../figure.ts';
import { packFacts } from './packFacts.ts';

function voltage(id: string, read: (pack: PackFacts) => number, name: string) {
  return figure({
    id,
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

export const packVoltageEmpty = voltage('packVoltageEmpty', (p) => p.emptyV, 'empty');
export const packVoltageNominal = voltage('packVoltageNominal', (p) => p.nominalV, 'nominal');
export const packVoltageFull = voltage('packVoltageFull', (p) => p.fullV, 'full');
