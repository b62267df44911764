import { fitTwoTerms } from './leastSquares.ts';
import type { Log } from './readLog.ts';

/** What a road log shows: use, and the pack behind it as a voltage and a resistance. */
export interface RoadLog {
  readonly distanceKm: number | null;
  readonly takenWh: number;
  readonly backWh: number;
  readonly whPerKm: number | null;
  readonly packV: number;
  readonly packOhm: number;
  readonly packOhmError: number;
}
export type RoadLogProblem = 'noElectrics' | 'steadyCurrent';

/** Longest step that is still summed over, s: a longer one is a gap, and nobody knows what happened in it. */
const LONGEST_STEP_S = 10;

/**
 * Energy by trapezoids over time, distance over speed, and V = V0 − R·I by least squares. Amperes of either sign are
 * understood: the sign that takes more energy than it gives is taken as discharge. Null distance without a speed.
 */
export function readRoadLog({ columns }: Log): RoadLog | RoadLogProblem {
  const { time, volts, amps, speed } = columns;
  if (!time || !volts || !amps) return 'noElectrics';
  const powers = Array.from(volts, (v, i) => v * amps[i]!);
  let plus = 0;
  let minus = 0;
  let metres = 0;
  for (let i = 1; i < time.length; i++) {
    const dt = time[i]! - time[i - 1]!;
    if (dt > LONGEST_STEP_S) continue;
    const watts = (powers[i]! + powers[i - 1]!) / 2;
    if (watts > 0) plus += watts * dt;
    else minus -= watts * dt;
    if (speed) metres += ((speed[i]! + speed[i - 1]!) / 2 / 3.6) * dt;
  }
  const turned = minus > plus;
  const [taken, back] = turned ? [minus, plus] : [plus, minus];
  const discharge = Array.from(amps, (a) => (turned ? -a : a));
  const fit = fitTwoTerms(new Array<number>(volts.length).fill(1), discharge, [...volts]);
  if (!fit || !(fit.b < 0)) return 'steadyCurrent';
  const km = metres / 1000;
  return {
    distanceKm: speed ? km : null,
    takenWh: taken / 3600,
    backWh: back / 3600,
    whPerKm: speed && km > 0 ? (taken - back) / 3600 / km : null,
    packV: fit.a,
    packOhm: -fit.b,
    packOhmError: fit.bError,
  };
}
