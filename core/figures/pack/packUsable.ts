import { figure } from '../figure.ts';
import { packEnergy } from './packEnergy.ts';

export const packUsable = figure({
  id: 'packUsable',
  name: 'Energy, usable',
  group: 'pack',
  kind: 'energy',
  needs: { packEnergy },
  reads: ['pack'],
  compute: ({ packEnergy: energy }, { pack }) => ({
    value: energy * pack.usableShare,
    formula: 'E usable = E × usable share',
    terms: [
      { symbol: 'E', value: energy, kind: 'energy' },
      { symbol: 'usable share', value: pack.usableShare, kind: 'share' },
    ],
    source: 'common practice: a tenth is kept back at the two ends',
  }),
});
