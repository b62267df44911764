import { figure } from '../figure.ts';
import { packFacts } from './packFacts.ts';

export const packModules = figure({
  id: 'packModules',
  name: 'Modules',
  group: null,
  kind: 'count',
  needs: { packFacts },
  compute: ({ packFacts: p }) => ({
    value: p.modules,
    formula: 'n = strings × modules in series',
    terms: [
      { symbol: 'strings', value: p.strings, kind: 'count' },
      { symbol: 'modules in series', value: p.seriesModules, kind: 'count' },
    ],
    source: 'counted',
  }),
});
