/** What somebody offers for what is wanted: a price for each thing that is in it; what is not named is not in it. */
export interface SupplierOffer {
  readonly id: string;
  readonly supplier: string;
  /** For all that it covers, minor units of the workshop's currency. */
  readonly priceCents: number;
  readonly deliveryDays: number;
  /** What of the wanted things it includes, by their key. */
  readonly includes: readonly string[];
}

/** One thing that is wanted, and what it costs by itself where it is missing; null where nobody knows. */
export interface WantedThing {
  readonly key: string;
  readonly alonePriceCents: number | null;
  readonly aloneDays: number | null;
}

export interface ComparedOffer {
  readonly offer: SupplierOffer;
  readonly missing: readonly string[];
  /** What completing it costs; null where the price of something missing is not known. */
  readonly completingCents: number | null;
  /** At equal cover; null where it cannot be told. */
  readonly totalCents: number | null;
  /** Until the last of it is here; null where it cannot be told. */
  readonly totalDays: number | null;
}

/**
 * Offers at equal cover: an offer without the contactor is not cheaper, it lacks the contactor. Each is completed by what is
 * missing at its own price; those whose completion nobody can price come last.
 */
export function atEqualCover(offers: readonly SupplierOffer[], wanted: readonly WantedThing[]): ComparedOffer[] {
  const compared = offers.map((offer): ComparedOffer => {
    const missing = wanted.filter(({ key }) => !offer.includes.includes(key));
    const prices = missing.map(({ alonePriceCents }) => alonePriceCents);
    const days = missing.map(({ aloneDays }) => aloneDays);
    const completingCents = prices.some((price) => price === null)
      ? null
      : prices.reduce<number>((sum, price) => sum + (price ?? 0), 0);
    return {
      offer,
      missing: missing.map(({ key }) => key),
      completingCents,
      totalCents: completingCents === null ? null : offer.priceCents + completingCents,
      totalDays: days.some((day) => day === null) ? null : Math.max(offer.deliveryDays, ...days.map((day) => day ?? 0)),
    };
  });
  const total = ({ totalCents }: ComparedOffer) => totalCents ?? Number.POSITIVE_INFINITY;
  return compared.sort((a, b) => total(a) - total(b) || (a.offer.id < b.offer.id ? -1 : 1));
}
