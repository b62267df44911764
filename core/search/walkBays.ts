import type { Prepared, SearchBay } from './combination.ts';
import { ROUNDING_KG } from './limits.ts';

/** Why a branch of the walk cannot be built. */
export type BranchReason = 'voltage' | 'stock' | 'bayFull' | 'bayMass' | 'plate';

interface Walk {
  readonly prepared: Prepared;
  readonly bays: readonly SearchBay[];
  /** Told how many candidates a branch held that is ruled out. */
  readonly ruledOut: (reason: BranchReason, many: number) => void;
  /** A candidate that is left to be judged: modules by bay (to be copied) and in all. */
  readonly leaf: (counts: readonly number[], modules: number) => void;
}

/**
 * Walks depth first over the numbers of modules by bay. Whole branches are ruled out where that is exact: the series
 * count leaves the voltage window, the stock is used up, a bay or the plate is over. Yields after each leaf.
 */
export function* walkBays({ prepared, bays, ruledOut, leaf }: Walk): Generator<void> {
  const { part, fewest, most, stock, grossKg, boxAt } = prepared;
  const counts = new Array<number>(bays.length).fill(0);
  /** How many vectors of the bays from `i` on there are, and how many modules they take at most. */
  const branch = new Array<number>(bays.length + 1).fill(1);
  const room = new Array<number>(bays.length + 1).fill(0);
  for (let i = bays.length - 1; i >= 0; i--) {
    branch[i] = branch[i + 1]! * (bays[i]!.option.most + 1);
    room[i] = room[i + 1]! + Math.min(bays[i]!.option.most, boxAt(i, 1).most);
  }

  function* walk(i: number, modules: number, massKg: number): Generator<void> {
    if (i === bays.length) {
      leaf(counts, modules);
      yield;
      return;
    }
    const { bay, option } = bays[i]!;
    for (let n = 0; n <= option.most; n++) {
      const left = branch[i + 1]! * (option.most - n + 1);
      if (modules + n > most) return ruledOut('voltage', left);
      if (modules + n > stock) return ruledOut('stock', left);
      if (n > 0) {
        const box = boxAt(i, n);
        if (box.outer === null) return ruledOut('bayFull', left);
        // More modules only make it heavier for sure once the modules alone are too heavy: a box's shell may shrink.
        const bare = n * part.massKg;
        const here = branch[i + 1]!;
        if (bare > bay.maxMassKg) return ruledOut('bayMass', left);
        if (massKg + bare > grossKg + ROUNDING_KG) return ruledOut('plate', left);
        if (box.massKg > bay.maxMassKg) {
          ruledOut('bayMass', here);
          continue;
        }
        if (massKg + box.massKg > grossKg + ROUNDING_KG) {
          ruledOut('plate', here);
          continue;
        }
      }
      if (modules + n + room[i + 1]! < fewest) {
        ruledOut('voltage', branch[i + 1]!);
        continue;
      }
      counts[i] = n;
      yield* walk(i + 1, modules + n, massKg + (n > 0 ? boxAt(i, n).massKg : 0));
    }
    counts[i] = 0;
  }
  yield* walk(0, 0, prepared.restKg);
}
