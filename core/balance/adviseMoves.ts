/** A bay as the advice sees it: what it holds, what it could hold, and the mass and middle of its box for any number. */
export interface MovableBay {
  readonly key: string;
  readonly modules: number;
  readonly most: number;
  readonly maxMassKg: number;
  /** Mass of the filled box, kg; 0 for none. */
  readonly massKg: (modules: number) => number;
  readonly xMm: number;
}

export interface Move {
  readonly from: string;
  readonly to: string;
  readonly modules: number;
}

export interface MoveAdvice {
  readonly moves: readonly Move[];
  readonly frontShare: number;
  /** The aim is met within its tolerance. */
  readonly meets: boolean;
}

export interface MoveAim {
  readonly share: number;
  readonly tolerance: number;
}

/** Masses without the battery boxes. */
export interface RestOfVehicle {
  readonly massKg: number;
  /** Σ m·x about the front axle line, kg·mm. */
  readonly momentKgMm: number;
  readonly wheelbaseMm: number;
}

const FEW = 4;

/**
 * "Which modules to move where to meet the aim" (trade §5.7): looks at every single move of 1…n modules between two
 * bays and every pair of such moves, and keeps those that come nearest with the fewest modules moved. Bays keep to
 * their space and mass. First those that meet the aim, fewest modules first; then the nearest that do not.
 */
export function adviseMoves(bays: readonly MovableBay[], rest: RestOfVehicle, aim: MoveAim): MoveAdvice[] {
  const shareOf = (counts: readonly number[]) => {
    let mass = rest.massKg;
    let moment = rest.momentKgMm;
    bays.forEach((bay, i) => {
      const m = bay.massKg(counts[i]!);
      mass += m;
      moment += m * bay.xMm;
    });
    return 1 - moment / rest.wheelbaseMm / mass;
  };
  const start = bays.map((bay) => bay.modules);
  const singles: { moves: Move[]; counts: number[] }[] = [];
  const step = (counts: readonly number[], before: readonly Move[], into: typeof singles) => {
    bays.forEach((from, i) => {
      bays.forEach((to, j) => {
        if (i === j) return;
        for (let k = 1; k <= counts[i]!; k++) {
          const next = counts.map((n, b) => (b === i ? n - k : b === j ? n + k : n));
          if (next[j]! > to.most || to.massKg(next[j]!) > to.maxMassKg) break;
          into.push({ moves: [...before, { from: from.key, to: to.key, modules: k }], counts: next });
        }
      });
    });
  };
  step(start, [], singles);
  const all = [...singles];
  for (const { moves, counts } of singles) if (moves[0]!.modules <= FEW) step(counts, moves, all);
  const moved = (moves: readonly Move[]) => moves.reduce((sum, move) => sum + move.modules, 0);
  const seen = new Set([start.join()]);
  const now = Math.abs(shareOf(start) - aim.share);
  return all
    .sort((a, b) => moved(a.moves) - moved(b.moves) || a.moves.length - b.moves.length)
    .filter(({ counts }) => {
      const key = counts.join();
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    })
    .map(({ moves, counts }) => {
      const frontShare = shareOf(counts);
      return { moves, frontShare, meets: Math.abs(frontShare - aim.share) <= aim.tolerance + 1e-12 };
    })
    .filter(({ frontShare, meets }) => meets || Math.abs(frontShare - aim.share) < now - 1e-9)
    .sort((a, b) => {
      if (a.meets !== b.meets) return a.meets ? -1 : 1;
      const off = (x: MoveAdvice) => Math.abs(x.frontShare - aim.share);
      return a.meets ? moved(a.moves) - moved(b.moves) || off(a) - off(b) : off(a) - off(b);
    })
    .slice(0, FEW);
}
