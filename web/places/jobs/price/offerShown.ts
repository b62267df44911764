import type { OfferRow, PriceSheet } from '../../../../contract/offers.ts';
import type { OfferBody } from '../../../../core/offer/offer.ts';

/** Stands for an offer that nobody has written yet: as today's figures would make it. */
export const FRESH = 'fresh';

export interface OfferShown {
  readonly id: string;
  /** Null: not written yet. */
  readonly row: OfferRow | null;
  readonly body: OfferBody;
}

const asShown = (row: OfferRow): OfferShown => ({ id: row.id, row, body: row.body });

/** What is looked at: what was picked, else what was agreed, is with the client or being written, else today's figures. */
export function offerShown({ offers, fresh }: PriceSheet, picked: string | null): OfferShown | null {
  const today = fresh && { id: FRESH, row: null, body: fresh };
  if (picked === FRESH && today) return today;
  const row =
    offers.find(({ id }) => id === picked) ??
    offers.find(({ state }) => state === 'accepted') ??
    offers.find(({ state }) => state === 'draft') ??
    offers.find(({ state }) => state === 'sent');
  if (row) return asShown(row);
  return today ?? (offers[0] ? asShown(offers[0]) : null);
}

/** What it is compared with: the offer that a client saw last before it. */
export function offerBefore({ offers }: PriceSheet, shown: OfferShown | null): OfferRow | null {
  const number = shown?.row?.number ?? Number.POSITIVE_INFINITY;
  return offers.find((row) => row.number < number && row.sentAt !== null) ?? null;
}
