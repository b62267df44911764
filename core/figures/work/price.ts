import { figure, missing } from '../figure.ts';

export const partsPrice = figure({
  id: 'partsPrice',
  name: 'Parts',
  group: 'price',
  kind: 'money',
  reads: ['work'],
  compute: (_, { work }) => {
    if (work.partsCents === null) return missing('noPrices');
    return {
      value: work.partsCents,
      formula: 'Σ quantity × price',
      terms: [],
      source: 'component sheets, before margin and tax',
    };
  },
});

/** Parts and kit labour, before margin, contingency and tax. */
export const jobPrice = figure({
  id: 'jobPrice',
  name: 'Parts and labour',
  group: 'price',
  kind: 'money',
  needs: { partsPrice },
  reads: ['work'],
  compute: ({ partsPrice: parts }, { work }) => {
    if (work.labourHours === null) return missing('noKit');
    return {
      value: parts + Math.round(work.labourHours * work.rateCents),
      formula: 'parts + stage hours × rate; before margin, contingency and tax',
      terms: [
        { symbol: 'parts', value: parts, kind: 'money' },
        { symbol: 'stage hours', value: work.labourHours, kind: 'hours' },
        { symbol: 'rate per hour', value: work.rateCents, kind: 'money' },
      ],
      source: 'component sheets; hours of the kit’s stages',
    };
  },
});
