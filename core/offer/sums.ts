import { times, toStep } from '../money/exact.ts';
import { type TaxSums, taxOf } from '../money/tax.ts';
import type { LineGroup, OfferBody, OfferLine } from './offer.ts';
import { LINE_GROUPS } from './offer.ts';

/** One line in money; tax is that of its rule. */
export interface LineSum {
  /** What it costs the workshop, as far as is known: own lines and hours cost what they are sold for. */
  readonly costCents: number;
  readonly netCents: number;
  readonly taxCents: number;
}

export interface GroupSum extends LineSum {
  readonly group: LineGroup;
  readonly lines: number;
}

export interface OfferSums extends Pick<TaxSums, 'rates' | 'netCents' | 'taxCents' | 'totalCents'> {
  /** In the order of the lines. */
  readonly lines: readonly LineSum[];
  /** Those that have lines, in the order of the paper. */
  readonly groups: readonly GroupSum[];
  readonly contingency: LineSum;
  readonly rounding: LineSum;
  readonly costCents: number;
}

/** What one line costs and is sold for, before tax. */
export function linePrice({ quantity, unitCents, addShare }: Pick<OfferLine, 'quantity' | 'unitCents' | 'addShare'>): {
  readonly costCents: number;
  readonly netCents: number;
} {
  const costCents = times(unitCents, quantity);
  return { costCents, netCents: costCents + times(costCents, addShare) };
}

const CONTINGENT: ReadonlySet<LineGroup> = new Set(['main', 'small', 'work']);

/**
 * An offer in money: each line with its margin, contingency on parts and hours, the sum before tax rounded to the step,
 * tax in its rule on every line, contingency and rounding with them. All sums are those of their lines in whole minor
 * units. Steps in this order are common practice; rounding of tax see `taxOf`.
 */
export function offerSums(body: OfferBody): OfferSums {
  const prices = body.lines.map(linePrice);
  const net = prices.reduce((sum, { netCents }) => sum + netCents, 0);
  const contingent = prices.reduce(
    (sum, { netCents }, i) => (CONTINGENT.has(body.lines[i]!.group) ? sum + netCents : sum),
    0,
  );
  const contingencyCents = times(contingent, body.contingencyShare);
  const roundingCents = toStep(net + contingencyCents, body.roundToCents) - net - contingencyCents;
  const { lineCents, ...sums } = taxOf(
    [
      ...prices.map(({ netCents }, i) => ({ netCents, taxShare: body.lines[i]!.taxShare })),
      { netCents: contingencyCents, taxShare: body.taxShare },
      { netCents: roundingCents, taxShare: body.taxShare },
    ],
    body.taxRule,
  );
  const lines = prices.map((price, i): LineSum => ({ ...price, taxCents: lineCents[i]! }));
  const more = (netCents: number, i: number): LineSum => ({
    ...{ costCents: 0, netCents },
    taxCents: lineCents[body.lines.length + i]!,
  });
  return {
    lines,
    groups: LINE_GROUPS.flatMap((group): GroupSum[] => {
      const own = lines.filter((_, i) => body.lines[i]!.group === group);
      const all = (of: keyof LineSum) => own.reduce((sum, line) => sum + line[of], 0);
      return own.length === 0
        ? []
        : [
            {
              ...{ group, lines: own.length, costCents: all('costCents') },
              ...{ netCents: all('netCents'), taxCents: all('taxCents') },
            },
          ];
    }),
    contingency: more(contingencyCents, 0),
    rounding: more(roundingCents, 1),
    costCents: lines.reduce((sum, { costCents }) => sum + costCents, 0),
    rates: sums.rates.filter(({ netCents, taxCents }) => netCents !== 0 || taxCents !== 0),
    netCents: sums.netCents,
    taxCents: sums.taxCents,
    totalCents: sums.totalCents,
  };
}
