import { converted } from '../money/exact.ts';

/** A row of a supplier's price list as it was read. */
export interface ListedPrice {
  readonly line: number;
  readonly partNumber: string;
  /** Minor units of the list's currency; null: it cannot be read. */
  readonly cents: number | null;
  /** As the row names it; null where it names none. */
  readonly currency: string | null;
  /** Days to deliver; null where the list does not say. */
  readonly leadDays: number | null;
  /** What is wrong with it. */
  readonly fault: string | null;
}

/** A part of the supplier as the catalogue has it. */
export interface KnownPart {
  readonly id: string;
  readonly name: string;
  readonly partNumber: string;
  /** Own currency. */
  readonly priceCents: number;
  readonly leadDays: number;
}

export type PriceVerdict =
  | 'changed'
  | 'alike'
  /** Nobody has a part of this number. */
  | 'unknown'
  | 'fault'
  /** The list has this number more than once. */
  | 'twice'
  /** More than one part has this number. */
  | 'manyParts'
  | 'otherCurrency';

export interface JudgedPrice {
  readonly row: ListedPrice;
  readonly verdict: PriceVerdict;
  readonly part: KnownPart | null;
  /** Own currency; null where it is not taken. */
  readonly priceCents: number | null;
  /** After ÷ before − 1; null where there was no price. */
  readonly change: number | null;
}

const keyOf = (partNumber: string) => partNumber.trim().toLowerCase();

/** A price this much dearer or cheaper is more likely another unit or a slip. Common practice. */
export const FAR_CHANGE = 0.5;

/**
 * Holds a price list against the catalogue by part number, capitals apart. Only a row that means one part, and one that
 * is meant by one row, is taken.
 *
 * @param rateMillionths one unit of the list's currency in millionths of the own one
 */
export function judgePrices(
  rows: readonly ListedPrice[],
  parts: readonly KnownPart[],
  { currency, rateMillionths }: { readonly currency: string; readonly rateMillionths: number },
): JudgedPrice[] {
  const known = new Map<string, KnownPart[]>();
  for (const part of parts) {
    if (part.partNumber.trim() === '') continue;
    const same = known.get(keyOf(part.partNumber));
    if (same) same.push(part);
    else known.set(keyOf(part.partNumber), [part]);
  }
  const listed = new Map<string, number>();
  for (const { partNumber } of rows) listed.set(keyOf(partNumber), (listed.get(keyOf(partNumber)) ?? 0) + 1);
  return rows.map((row): JudgedPrice => {
    const not = (verdict: PriceVerdict, part: KnownPart | null = null): JudgedPrice => ({
      ...{ row, verdict, part, priceCents: null, change: null },
    });
    if (row.fault !== null || row.cents === null) return not('fault');
    const found = known.get(keyOf(row.partNumber)) ?? [];
    const [part] = found;
    if (!part) return not('unknown');
    if (found.length > 1) return not('manyParts');
    if (listed.get(keyOf(row.partNumber))! > 1) return not('twice', part);
    if (row.currency !== null && row.currency.toUpperCase() !== currency) return not('otherCurrency', part);
    const priceCents = converted(row.cents, rateMillionths);
    const sameLead = row.leadDays === null || row.leadDays === part.leadDays;
    return {
      ...{ row, part, priceCents },
      verdict: priceCents === part.priceCents && sameLead ? 'alike' : 'changed',
      change: part.priceCents > 0 ? priceCents / part.priceCents - 1 : null,
    };
  });
}
