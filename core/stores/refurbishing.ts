import { times } from '../money/exact.ts';

export const REFURBISHING_STATES = ['open', 'done', 'givenUp'] as const;
export type RefurbishingState = (typeof REFURBISHING_STATES)[number];

/** What went into making a numbered thing good again. */
export interface RefurbishingGround {
  /** What it had cost before; null: nobody has said. */
  readonly boughtCents: number | null;
  readonly parts: readonly { readonly quantity: number; readonly unitCents: number }[];
  readonly hours: number;
  /** What an hour costs the workshop, or is sold for where nobody has set it. */
  readonly hourCents: number;
}

export interface RefurbishingCost {
  readonly partsCents: number;
  readonly hoursCents: number;
  /** With what it had cost before, as far as that is known. */
  readonly totalCents: number;
}

/** The true cost of a refurbished thing: what it had cost, parts and hours. */
export function refurbishingCost({ boughtCents, parts, hours, hourCents }: RefurbishingGround): RefurbishingCost {
  const partsCents = parts.reduce((sum, { quantity, unitCents }) => sum + times(unitCents, quantity), 0);
  const hoursCents = times(hourCents, hours);
  return { partsCents, hoursCents, totalCents: (boughtCents ?? 0) + partsCents + hoursCents };
}
