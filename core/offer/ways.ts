import { times } from '../money/exact.ts';
import { type SaleTerms, salePrice } from '../money/salePrice.ts';

/** One way to do a job, as its figures tell it; null where they do not. */
export interface WayGround {
  readonly partsCents: number | null;
  readonly labourCents: number | null;
  readonly hours: number | null;
  /** Of it on the low-voltage side, as sold: what a client can do himself. High voltage stays with the workshop. */
  readonly lowVoltage: { readonly hours: number; readonly cents: number };
  readonly sale: SaleTerms;
  readonly energyCentsYear: number | null;
}

export interface WayChoice {
  /** The client does the low-voltage work. */
  readonly lvByClient: boolean;
  /** Typed beside: a unit bought used, a favour; before tax, may be below zero. */
  readonly moreCents: number;
  /** What a unit made good again truly costs against the new one it stands for; 0 without one. */
  readonly insteadCents: number;
}

export interface WayCost {
  readonly priceCents: number | null;
  readonly hours: number | null;
  /** Price and electricity over the years it is kept; nothing for renewing what wears, which nobody knows yet. */
  readonly keptCents: number | null;
}

/** What a way comes to: price with margin, contingency and tax, and what it costs over the years it is kept. */
export function wayCost(ground: WayGround, { lvByClient, moreCents, insteadCents }: WayChoice, years: number): WayCost {
  const { partsCents, labourCents, hours, lowVoltage, sale, energyCentsYear } = ground;
  const labour = labourCents === null ? null : labourCents - (lvByClient ? lowVoltage.cents : 0);
  const priceCents =
    partsCents === null || labour === null
      ? null
      : salePrice(Math.max(partsCents + insteadCents, 0), labour + moreCents, sale).totalCents;
  return {
    priceCents,
    hours: hours === null ? null : hours - (lvByClient ? lowVoltage.hours : 0),
    keptCents: priceCents === null || energyCentsYear === null ? null : priceCents + times(energyCentsYear, years),
  };
}
