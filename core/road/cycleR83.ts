import type { Trace } from './trace.ts';

/** Segment: from speed, to speed (km/h), seconds. */
type Segment = readonly [from: number, to: number, seconds: number];

/** Urban part of UN R83 / R101 (from memory; check values in trade §15). */
const URBAN: readonly Segment[] = [
  [0, 0, 11],
  [0, 15, 4],
  [15, 15, 8],
  [15, 10, 2],
  [10, 0, 3],
  [0, 0, 21],
  [0, 15, 5],
  [15, 15, 2],
  [15, 32, 5],
  [32, 32, 24],
  [32, 10, 8],
  [10, 0, 3],
  [0, 0, 21],
  [0, 15, 5],
  [15, 15, 2],
  [15, 35, 9],
  [35, 35, 2],
  [35, 50, 8],
  [50, 50, 12],
  [50, 35, 8],
  [35, 35, 13],
  [35, 32, 2],
  [32, 10, 7],
  [10, 0, 3],
  [0, 0, 7],
];

const EXTRA_URBAN: readonly Segment[] = [
  [0, 0, 20],
  [0, 15, 5],
  [15, 15, 2],
  [15, 35, 9],
  [35, 35, 2],
  [35, 50, 8],
  [50, 50, 2],
  [50, 70, 13],
  [70, 70, 50],
  [70, 50, 8],
  [50, 50, 69],
  [50, 70, 13],
  [70, 70, 50],
  [70, 100, 35],
  [100, 100, 30],
  [100, 120, 20],
  [120, 120, 10],
  [120, 80, 16],
  [80, 50, 8],
  [50, 0, 10],
  [0, 0, 20],
];

function samples(segments: readonly Segment[]): number[] {
  const speeds: number[] = [];
  for (const [from, to, seconds] of segments) {
    for (let s = 1; s <= seconds; s++) speeds.push((from + ((to - from) * s) / seconds) / 3.6);
  }
  return speeds;
}

function flat(segments: readonly Segment[]): Trace {
  const speedMs = Float64Array.from([0, ...samples(segments)]);
  return { speedMs, grade: new Float64Array(speedMs.length) };
}

/** Four urban parts and the extra-urban part: 1180 s, 1181 samples. */
export const CYCLE_R83: Trace = flat([...URBAN, ...URBAN, ...URBAN, ...URBAN, ...EXTRA_URBAN]);
export const CYCLE_R83_URBAN: Trace = flat(URBAN);
export const CYCLE_R83_EXTRA_URBAN: Trace = flat(EXTRA_URBAN);
