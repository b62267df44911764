import { axleLoads } from '../../balance/axleLoads.ts';
import { interim } from '../figure.ts';
import { massItems } from './massItems.ts';

export const unladenLoads = interim({
  id: 'unladenLoads',
  needs: { massItems },
  compute: ({ massItems: items }, _slots, read) => ({
    value: axleLoads(items, read('wheelbase')),
    formula: '',
    terms: [],
    source: 'moments about the front axle line',
  }),
});
