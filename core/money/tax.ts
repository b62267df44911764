import { taxTogether, times } from './exact.ts';

/**
 * How tax is rounded: on each line, the sum being that of the lines; or once on what is taxed at one rate, given back to
 * the lines by largest remainder. Both are in use; a workshop keeps to the one its country or its books ask for.
 */
export const TAX_RULES = ['line', 'total'] as const;
export type TaxRule = (typeof TAX_RULES)[number];

export interface Taxed {
  readonly netCents: number;
  /** 0..1, at most six places. */
  readonly taxShare: number;
}

export interface TaxRate {
  readonly taxShare: number;
  readonly netCents: number;
  readonly taxCents: number;
}

export interface TaxSums {
  /** Tax of each line, in their order. */
  readonly lineCents: readonly number[];
  /** By rate, the highest first. */
  readonly rates: readonly TaxRate[];
  readonly netCents: number;
  readonly taxCents: number;
  readonly totalCents: number;
}

const sum = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0);

/**
 * Net, tax and total of lines. In either rule the taxes of the lines add up to those of their rates, those to the tax, and
 * net and tax to the total, in whole minor units. By total it is EN 16931: BR-CO-17 for each rate, BR-CO-14 and 15 for
 * the sums (from memory).
 */
export function taxOf(lines: readonly Taxed[], rule: TaxRule): TaxSums {
  const lineCents: number[] = lines.map(() => 0);
  const shares = [...new Set(lines.map(({ taxShare }) => taxShare))].sort((a, b) => b - a);
  const rates = shares.map((taxShare): TaxRate => {
    const at = lines.flatMap((line, i) => (line.taxShare === taxShare ? [i] : []));
    const nets = at.map((i) => lines[i]!.netCents);
    const taxes = rule === 'line' ? nets.map((net) => times(net, taxShare)) : taxTogether(nets, taxShare);
    at.forEach((i, n) => {
      lineCents[i] = taxes[n]!;
    });
    return { taxShare, netCents: sum(nets), taxCents: sum(taxes) };
  });
  const netCents = sum(lines.map((line) => line.netCents));
  const taxCents = sum(lineCents);
  return { lineCents, rates, netCents, taxCents, totalCents: netCents + taxCents };
}
