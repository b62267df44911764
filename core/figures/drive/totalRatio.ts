import { figure } from '../figure.ts';
import { gearing } from './gearing.ts';

export const totalRatio = figure({
  id: 'totalRatio',
  name: 'Motor to wheel',
  group: 'driveline',
  kind: 'ratio',
  needs: { gearing },
  compute: ({ gearing: g }) => ({
    value: g.ratio,
    formula: 'i = reducer or gear × final drive × hub',
    terms: [
      { symbol: 'reducer or gear', value: g.reducer, kind: 'ratio' },
      { symbol: 'final drive', value: g.final, kind: 'ratio' },
      { symbol: 'hub', value: g.hub, kind: 'ratio' },
    ],
    source: 'drive sheet and library ratios',
  }),
});
