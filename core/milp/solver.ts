/** What a solver of mixed-integer programmes answers: HiGHS in `highs.ts`, anything else in a test. */
export interface Solved {
  /** `none`: nothing satisfies the programme. `stopped`: time ran out before any was found. */
  readonly state: 'optimal' | 'feasible' | 'none' | 'stopped';
  readonly value: (name: string) => number;
  readonly objective: number;
  /** How much better another could be at most, as a share of the objective; 0 where it is proved the best. */
  readonly gap: number;
}
export type Solver = (lp: string, limitS: number) => Solved;

/** "+ 2 x - 3 y", as CPLEX LP text has sums; terms of nought are left out. */
export const lpSum = (terms: readonly (readonly [factor: number, name: string])[]): string =>
  terms
    .filter(([factor]) => factor !== 0)
    .map(([factor, name]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`)
    .join(' ');
