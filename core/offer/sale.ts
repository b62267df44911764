/** A sale over the counter: written, sold, or given up before it was. */
export const SALE_STATES = ['draft', 'sold', 'cancelled'] as const;
export type SaleState = (typeof SALE_STATES)[number];
