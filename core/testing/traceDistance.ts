import type { Trace } from '../road/trace.ts';

/** Distance under a one-second trace by trapezoids, m. */
export function traceDistanceM(trace: Trace): number {
  let metres = 0;
  for (let i = 1; i < trace.speedMs.length; i++) metres += (trace.speedMs[i - 1]! + trace.speedMs[i]!) / 2;
  return metres;
}
