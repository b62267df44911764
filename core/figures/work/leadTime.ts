import { figure, missing } from '../figure.ts';

/** Days until the last thing the design names could be here, if it were ordered today. */
export const leadTime = figure({
  id: 'leadTime',
  name: 'Longest lead time',
  group: 'price',
  kind: 'days',
  reads: ['work'],
  compute: (_, { work }) => {
    if (work.leadDays === null) return missing('noStock');
    return {
      value: work.leadDays,
      formula: 'longest lead time of what the stores do not have free',
      terms: [],
      source: 'component sheets against free stock',
    };
  },
});
