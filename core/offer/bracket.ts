import { medianOf } from '../quantity/median.ts';

/** A job that was handed over, as far as it can tell what another will be. */
export interface FinishedJob {
  readonly number: string;
  readonly title: string;
  readonly variantId: string;
  readonly modelId: string;
  readonly kitId: string | null;
  /** With tax: as agreed, else as today's figures make it. */
  readonly totalCents: number;
  /** The price was agreed, not worked out afterwards. */
  readonly agreed: boolean;
  /** Clocked, rework and waiting apart; null where nobody clocked. */
  readonly hours: number | null;
  /** Calendar days from the first work on it to the last; null where nobody clocked. */
  readonly days: number | null;
}

export const BRACKET_BASES = ['kit', 'variant', 'model', 'all'] as const;
export type BracketBasis = (typeof BRACKET_BASES)[number];

export interface Spread {
  readonly low: number;
  readonly middle: number;
  readonly high: number;
}

export interface Bracket {
  /** What the jobs have in common with the one asked about. */
  readonly basis: BracketBasis;
  readonly jobs: readonly FinishedJob[];
  readonly cents: Spread;
  readonly hours: Spread | null;
  readonly days: Spread | null;
}

const spreadOf = (all: readonly number[]): Spread | null =>
  all.length === 0 ? null : { low: Math.min(...all), middle: medianOf(all), high: Math.max(...all) };

const known = (all: readonly (number | null)[]): number[] => all.filter((one): one is number => one !== null);

/** One job is no bracket. */
const LEAST = 2;

/**
 * Price and time told to somebody who only asks: the least, the middle and the most of finished jobs most like it, by the
 * same kit if there are two, else by variant, model, or all there are. Null where fewer than two were finished.
 */
export function bracketOf(
  asked: { readonly kitId: string | null; readonly variantId: string; readonly modelId: string },
  finished: readonly FinishedJob[],
): Bracket | null {
  const like: Record<BracketBasis, (job: FinishedJob) => boolean> = {
    kit: (job) => asked.kitId !== null && job.kitId === asked.kitId,
    variant: (job) => job.variantId === asked.variantId,
    model: (job) => job.modelId === asked.modelId,
    all: () => true,
  };
  for (const basis of BRACKET_BASES) {
    const jobs = finished.filter(like[basis]);
    const cents = spreadOf(jobs.map(({ totalCents }) => totalCents));
    if (jobs.length >= LEAST && cents)
      return {
        ...{ basis, jobs, cents },
        hours: spreadOf(known(jobs.map(({ hours }) => hours))),
        days: spreadOf(known(jobs.map(({ days }) => days))),
      };
  }
  return null;
}
