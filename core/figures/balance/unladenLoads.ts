import { axleLoads } from '../../balance/axleLoads.ts';
import { step } from '../figure.ts';
import { massItems } from './massItems.ts';

export const unladenLoads = step({
  id: 'unladenLoads',
  needs: { massItems },
  compute: ({ massItems: items }, _slots, use) => ({
    value: axleLoads(items, use('wheelbase')),
    formula: '',
    terms: [],
    source: 'moments about the front axle line',
  }),
});
