/** What the tests use of odex, whose own types are its sources and do not hold under our checks. */
export declare class Solver {
  absoluteTolerance: number;
  relativeTolerance: number;
  maxStepSize: number;
  constructor(dimension: number);
  solve(
    slope: (x: number, y: number[]) => number[],
    from: number,
    start: number[],
    to: number,
  ): { readonly y: number[] };
}
