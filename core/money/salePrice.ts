import { times, toStep } from './exact.ts';

/** What stands between cost and the price a client is told. */
export interface SaleTerms {
  /** Added to what parts cost: 0.2 makes 120 of 100. */
  readonly marginShare: number;
  /** Added to parts and labour for what nobody foresaw. */
  readonly contingencyShare: number;
  readonly taxShare: number;
  /** The price is told in whole multiples of this, minor units; 1 leaves it as it comes. */
  readonly roundToCents: number;
}

export interface SalePrice {
  readonly marginCents: number;
  readonly contingencyCents: number;
  readonly taxCents: number;
  /** What rounding added or took, before tax. */
  readonly roundingCents: number;
  readonly totalCents: number;
}

/**
 * The price of a job: parts with their margin, labour, contingency on both, rounded, then tax on the rounded sum. Every
 * step is whole minor units, so that the steps add up to the total. Common practice.
 *
 * @param partsCents at cost · @param labourCents as sold, both before tax
 */
export function salePrice(partsCents: number, labourCents: number, terms: SaleTerms): SalePrice {
  const marginCents = times(partsCents, terms.marginShare);
  const contingencyCents = times(partsCents + marginCents + labourCents, terms.contingencyShare);
  const net = partsCents + marginCents + labourCents + contingencyCents;
  const rounded = toStep(net, terms.roundToCents);
  const taxCents = times(rounded, terms.taxShare);
  return { marginCents, contingencyCents, taxCents, roundingCents: rounded - net, totalCents: rounded + taxCents };
}
