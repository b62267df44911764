/**
 * Where a line of a job's parts list stands: `inStores` holds its pieces in their bins, `picked` has them in the job's box,
 * `fitted` in the vehicle.
 */
export const PART_STATES = ['missing', 'ordered', 'inStores', 'picked', 'fitted'] as const;
export type PartState = (typeof PART_STATES)[number];

/** Where the pieces of a line lie; null while it has none. */
export type PartPlace = 'supplier' | 'bin' | 'job' | 'vehicle';
const LIES: Readonly<Record<PartState, PartPlace | null>> = {
  missing: null,
  ordered: null,
  inStores: 'bin',
  picked: 'job',
  fitted: 'vehicle',
};

export interface PartMove {
  readonly from: PartState;
  readonly to: PartState;
  readonly quantity: number;
  /** On hand and held by no line at this moment. */
  readonly free: number;
  /** The line takes what lies on the shelf; its own delivery is not counted in. */
  readonly fromShelf: boolean;
  /** Day it is due now and day it was due before, ISO. */
  readonly due: string | null;
  readonly dueBefore: string | null;
  readonly today: string;
  /** May the person take a fitted part out again? */
  readonly mayTakeOut: boolean;
}

export type PartMoveProblem = 'takingOutNotAllowed' | 'dueInPast' | 'notFree' | 'notInStores';

export interface GoodsMove {
  readonly from: PartPlace;
  readonly to: PartPlace;
}

/** What goes from where to where, null for nothing; or why the line cannot go there. */
export type PartMoveAnswer = { readonly problem: PartMoveProblem } | { readonly goods: GoodsMove | null };

/**
 * Goods that come in for a line on order come from its supplier; anything else that is to be held must be free in a bin.
 * What is picked or fitted and given up goes back to its bin, wherever its line goes next.
 */
export function partMove(move: PartMove): PartMoveAnswer {
  const { from, to, quantity } = move;
  if (from === 'fitted' && to !== 'fitted' && !move.mayTakeOut) return { problem: 'takingOutNotAllowed' };
  if (to === 'ordered' && (move.due ?? '') < move.today && move.due !== move.dueBefore) return { problem: 'dueInPast' };
  const [before, after] = [LIES[from], LIES[to]];
  if (before !== null) {
    const goes = after ?? 'bin';
    return { goods: before === goes ? null : { from: before, to: goes } };
  }
  if (after === null) return { goods: null };
  if (after !== 'bin') return { problem: 'notInStores' };
  if (from === 'ordered' && !move.fromShelf) return { goods: { from: 'supplier', to: 'bin' } };
  return move.free < quantity ? { problem: 'notFree' } : { goods: null };
}

/** A line as it goes onto a list: held at once when enough is free. */
export const stateOfNewLine = (quantity: number, free: number): PartState =>
  free >= quantity ? 'inStores' : 'missing';

export interface WantedPart {
  readonly componentId: string;
  readonly quantity: number;
  readonly from: 'kit' | 'design';
  readonly packedIn: string;
}

/** What kit and design ask for and the list does not have yet, by component and crate. */
export function partsToAdd<W extends WantedPart>(
  wanted: readonly W[],
  there: readonly { readonly componentId: string; readonly packedIn: string; readonly quantity: number }[],
): W[] {
  // Two lines of a kit may ask for the same part in the same crate: what is there is counted off once.
  const have = new Map<string, number>();
  const keyOf = (part: { componentId: string; packedIn: string }) => `${part.componentId}\n${part.packedIn}`;
  for (const part of there) have.set(keyOf(part), (have.get(keyOf(part)) ?? 0) + part.quantity);
  return wanted.flatMap((part) => {
    const key = keyOf(part);
    const left = have.get(key) ?? 0;
    have.set(key, Math.max(0, left - part.quantity));
    return left >= part.quantity ? [] : [{ ...part, quantity: part.quantity - left }];
  });
}
