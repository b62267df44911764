/**
 * Where things of the stores can be. A bin, a job's box, a vehicle and a kit order's crate are the workshop's own and never
 * hold less than nothing; suppliers, clients and counts are the outside that things come from and go to.
 */
export const STOCK_PLACE_KINDS = [
  'bin',
  'job',
  'vehicle',
  'supplier',
  'client',
  'scrap',
  'count',
  'refurbishing',
] as const;
export type StockPlaceKind = (typeof STOCK_PLACE_KINDS)[number];

/** Why something moved. */
export const MOVE_KINDS = [
  'opening',
  'received',
  'moved',
  'picked',
  'putBack',
  'fitted',
  'takenOut',
  'sent',
  'counted',
  'scrapped',
  'returned',
  'sold',
  'made',
] as const;
export type MoveKind = (typeof MOVE_KINDS)[number];

/** Of what is kept by length, lists count metres and the ledger millimetres. */
export const MM_PER_METRE = 1000;

/** What lists count, from what the ledger keeps: whole metres that can be cut from so many millimetres. */
export const wholeUnits = (quantity: number, unitSize: number): number => Math.floor(quantity / unitSize);

export interface BinStock {
  readonly placeId: string;
  readonly quantity: number;
}

/** So much out of a place. */
export interface Taking {
  readonly placeId: string;
  readonly quantity: number;
}

/**
 * Which bins a quantity is taken from: its own bin first, then the fullest, so that few are opened.
 *
 * @param bins what lies in each · @param ownId the component's own bin
 * @returns null where all together do not have so much
 */
export function takeFrom(bins: readonly BinStock[], quantity: number, ownId: string | null): Taking[] | null {
  const order = bins
    .filter((bin) => bin.quantity > 0)
    .toSorted(
      (a, b) =>
        Number(b.placeId === ownId) - Number(a.placeId === ownId) ||
        b.quantity - a.quantity ||
        (a.placeId < b.placeId ? -1 : 1),
    );
  const takings: Taking[] = [];
  let left = quantity;
  for (const bin of order) {
    if (left === 0) break;
    const taken = Math.min(left, bin.quantity);
    takings.push({ placeId: bin.placeId, quantity: taken });
    left -= taken;
  }
  return left === 0 ? takings : null;
}

export interface CountedLine {
  readonly componentId: string;
  /** What the ledger says lies there. */
  readonly expected: number;
  /** What was found. */
  readonly counted: number;
}

export interface StocktakeMove {
  readonly componentId: string;
  /** Found beyond the ledger, or gone from it. */
  readonly direction: 'found' | 'gone';
  readonly quantity: number;
}

/** The movements that make the ledger say what was counted; lines that agree make none. */
export const stocktakeMoves = (lines: readonly CountedLine[]): StocktakeMove[] =>
  lines.flatMap(({ componentId, expected, counted }): StocktakeMove[] =>
    counted === expected
      ? []
      : [{ componentId, direction: counted > expected ? 'found' : 'gone', quantity: Math.abs(counted - expected) }],
  );
