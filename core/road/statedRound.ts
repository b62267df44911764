import type { Trace } from './trace.ts';

/** A daily round told in words and numbers: how long, how many stops, how fast on the whole, how much it climbs. */
export interface StatedRound {
  readonly lengthKm: number;
  readonly stops: number;
  /** Mean speed while under way, stops not counted. */
  readonly meanKmh: number;
  /** Metres climbed on the round; the same is come down again. */
  readonly climbM: number;
}

/** Gentle driving with a load; common practice. */
export const ROUND_ACCELERATION = 0.8;
export const ROUND_DECELERATION = 1.0;
/** Grade at which the climbing of a round is taken to happen; roads over hills, common practice. */
const ROUND_GRADE = 0.06;
/** Standing time at each stop in the trace, s: only auxiliaries run. */
const ROUND_STOP_S = 10;

export type RoundProblem = 'noLength' | 'meanTooFast';

/**
 * Cruising speed (m/s) which gives the wished mean over a leg with a start and a stop:
 * leg time = d/v + v/2·(1/a + 1/b), solved for the smaller root; NaN when the leg is too short for that mean.
 */
export function cruiseSpeed(legM: number, meanMs: number): number {
  const k = 0.5 * (1 / ROUND_ACCELERATION + 1 / ROUND_DECELERATION);
  const time = legM / meanMs;
  const discriminant = time * time - 4 * k * legM;
  return discriminant < 0 ? Number.NaN : (time - Math.sqrt(discriminant)) / (2 * k);
}

/**
 * One leg of the round as a one-second trace: start, cruise, stop, stand; a stretch at 6 % rises, as much falls at its
 * end, and the way between is level; a round that climbs more than that gets steeper stretches. All legs are alike, so a round is `stops + 1` times this leg.
 */
export function roundLeg(round: StatedRound): Trace | RoundProblem {
  if (!(round.lengthKm > 0) || !(round.meanKmh > 0)) return 'noLength';
  const legM = (round.lengthKm * 1000) / (round.stops + 1);
  const cruise = cruiseSpeed(legM, round.meanKmh / 3.6);
  if (!Number.isFinite(cruise)) return 'meanTooFast';
  const upTo = cruise / ROUND_ACCELERATION;
  const braking = cruise / ROUND_DECELERATION;
  const steady = (legM - 0.5 * cruise * (upTo + braking)) / cruise;
  const total = Math.round(upTo + steady + braking);
  const speeds = new Float64Array(total + 1 + ROUND_STOP_S);
  for (let s = 0; s <= total; s++) {
    speeds[s] = Math.max(0, Math.min(s * ROUND_ACCELERATION, cruise, (total - s) * ROUND_DECELERATION));
  }
  const grade = new Float64Array(speeds.length);
  const climbM = round.climbM / (round.stops + 1);
  const rising = Math.min(climbM / ROUND_GRADE, legM / 2);
  const slope = rising > 0 ? climbM / rising : 0;
  let way = 0;
  for (let s = 0; s < speeds.length; s++) {
    way += speeds[s]!;
    grade[s] = way <= rising ? slope : way > legM - rising ? -slope : 0;
  }
  return { speedMs: speeds, grade };
}
