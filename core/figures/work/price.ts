import { salePrice as priceOf, type SaleTerms } from '../../money/salePrice.ts';
import { figure, missing } from '../figure.ts';
import type { Slots } from '../slots.ts';

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
      source: 'component sheets, with the boxes of the kit; before margin and tax',
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
    const labour = labourCents(work);
    if (labour === null || work.labourHours === null) return missing('noKit');
    return {
      value: parts + labour,
      formula: 'parts + stage hours × rate of their skill; before margin, contingency and tax',
      terms: [
        { symbol: 'parts', value: parts, kind: 'money' },
        { symbol: 'stage hours', value: work.labourHours, kind: 'hours' },
        { symbol: 'labour', value: labour, kind: 'money' },
      ],
      source: 'component sheets; hours of the kit’s stages',
    };
  },
});

/** What the client would be told: with margin, contingency and tax, rounded. */
export const salePrice = figure({
  id: 'salePrice',
  name: 'Price with tax',
  group: 'price',
  kind: 'money',
  needs: { partsPrice },
  reads: ['work'],
  compute: ({ partsPrice: parts }, { work }) => {
    const labour = labourCents(work);
    if (labour === null) return missing('noKit');
    const price = priceOf(parts, labour, work.sale ?? COST_ONLY);
    return {
      value: price.totalCents,
      formula: '(parts + margin + labour) + contingency, rounded, + tax',
      terms: [
        { symbol: 'parts', value: parts, kind: 'money' },
        { symbol: 'margin', value: price.marginCents, kind: 'money' },
        { symbol: 'labour', value: labour, kind: 'money' },
        { symbol: 'contingency', value: price.contingencyCents, kind: 'money' },
        { symbol: 'rounding', value: price.roundingCents, kind: 'money' },
        { symbol: 'tax', value: price.taxCents, kind: 'money' },
      ],
      source:
        'component sheets; hours of the kit’s stages; shares of the workshop, common practice until it sets its own',
    };
  },
});

const COST_ONLY: SaleTerms = { marginShare: 0, contingencyShare: 0, taxShare: 0, roundToCents: 1 };

const labourCents = ({ labourCents: sold, labourHours: hours, rateCents }: Slots['work']): number | null =>
  sold ?? (hours === null ? null : Math.round(hours * rateCents));
