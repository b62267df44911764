/** What somebody says a number of modules does in this kind of vehicle. */
export interface RangeClaim {
  readonly modules: number;
  readonly km: number;
  /** Who or what says so. */
  readonly says: string;
}

/** Two claims that cannot both hold, with what the second could be if the first is right. */
export interface ClaimClash {
  readonly fewer: RangeClaim;
  readonly more: RangeClaim;
  readonly leastKm: number;
  readonly mostKm: number;
}

/** Ranges are told in round numbers: off by this share they may still agree; common practice. */
const ROUND_NUMBERS = 0.03;

/**
 * Claims of range with different numbers of modules, held against each other by mass alone. What a module adds is its own
 * energy and its own mass: use over a distance never falls with mass, and rises at most in proportion to it. So of
 * n₁ < n₂ modules the range a module may only fall, and by no more than m(n₁)/m(n₂):
 * R₁·n₂/n₁·m₁/m₂ ≤ R₂ ≤ R₁·n₂/n₁. Claims of one number of modules must agree. Each clash is told once, fewer modules first.
 *
 * @param massWith laden mass of the vehicle with so many modules, kg
 */
export function claimClashes(claims: readonly RangeClaim[], massWith: (modules: number) => number): ClaimClash[] {
  const inOrder = [...claims].sort((a, b) => a.modules - b.modules || a.km - b.km);
  return inOrder.flatMap((fewer, i) =>
    inOrder.slice(i + 1).flatMap((more) => {
      const mostKm = (fewer.km * more.modules) / fewer.modules;
      const leastKm = (mostKm * massWith(fewer.modules)) / massWith(more.modules);
      const holds = more.km <= mostKm * (1 + ROUND_NUMBERS) && more.km >= leastKm * (1 - ROUND_NUMBERS);
      return holds ? [] : [{ fewer, more, leastKm, mostKm }];
    }),
  );
}
