/** Speeds along a use of the vehicle, one sample a second, with the grade it drives on. Speeds in m/s. */
export interface Trace {
  readonly speedMs: Float64Array;
  /** Rise ÷ run at each sample. */
  readonly grade: Float64Array;
}

/** Distance under a one-second trace by trapezoids, m. */
export function traceDistanceM(trace: Trace): number {
  let metres = 0;
  for (let i = 1; i < trace.speedMs.length; i++) metres += (trace.speedMs[i - 1]! + trace.speedMs[i]!) / 2;
  return metres;
}
