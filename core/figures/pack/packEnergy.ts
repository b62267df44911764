import { figure } from '../figure.ts';
import { packFacts } from './packFacts.ts';

export const packEnergy = figure({
  id: 'packEnergy',
  kind: 'energy',
  needs: { packFacts },
  reads: ['pack'],
  compute: ({ packFacts: p }, { pack }) => ({
    value: p.energyWh,
    formula: 'E = modules × nominal module voltage × capacity in Ah',
    terms: [
      { symbol: 'modules', value: p.modules, kind: 'count' },
      { symbol: 'nominal module voltage', value: pack.module?.sheet.nominalV ?? 0, kind: 'voltage' },
      { symbol: 'capacity, Ah', value: pack.module?.sheet.capacityAh ?? 0, kind: 'count' },
    ],
    source: 'module sheet',
  }),
});
