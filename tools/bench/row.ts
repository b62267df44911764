/** One line of the table of speeds. */
export interface Row {
  readonly what: string;
  readonly figure: string;
  readonly aim: string;
  readonly held: boolean;
}

export const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;

/** Median time of `work` over `runs` goes, ms, after a quarter of them to warm up. */
export function timed(runs: number, work: (i: number) => void): number {
  const times: number[] = [];
  for (let i = 0; i < runs; i++) {
    const start = performance.now();
    work(i);
    times.push(performance.now() - start);
  }
  return median(times.slice(Math.floor(runs / 4)));
}
