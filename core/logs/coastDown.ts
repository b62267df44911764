import { GRAVITY, type RoadVehicle } from '../road/roadLoad.ts';
import { fitTwoTerms } from './leastSquares.ts';
import type { Log } from './readLog.ts';

/** Rolling and drag as a coast-down shows them, with their standard errors. */
export interface CoastDown {
  readonly rolling: number;
  readonly rollingError: number;
  readonly dragAreaM2: number;
  readonly dragAreaError: number;
  readonly fromKmh: number;
  readonly toKmh: number;
  readonly windows: number;
  /** Root mean square of what the fit leaves of a second's loss of speed, km/h. */
  readonly residualKmh: number;
}
export type CoastDownProblem = 'noSpeed' | 'tooShort' | 'notSlowing' | 'tooNarrow';

/** Length of a stretch over which the loss of speed is taken, s: long enough to drown the noise of one sample. */
const STRETCH_S = 2;
/** Below this the tyres are all there is; the last metres to a stand are left out. */
const SLOWEST_KMH = 5;
/** Air and tyres can be told apart only over a span of speeds. */
const NARROWEST = 1.5;

/**
 * Fits m·k·dv/dt = −m·g·C_rr − ½·ρ·CdA·(v + w)² to a coast-down in neutral on the level: over stretches of two seconds
 * −Δv = c0·Δt + c2·∫(v + w)²dt, linear in c0 and c2 (least squares), so that speeds are never differentiated. Runs both
 * ways may follow each other in one log: where the speed rises, a new run begins. Mass, k, air and wind are the vehicle's.
 */
export function fitCoastDown(log: Log, vehicle: RoadVehicle): CoastDown | CoastDownProblem {
  const { time, speed } = log.columns;
  if (!time || !speed) return 'noSpeed';
  const dt: number[] = [];
  const square: number[] = [];
  const loss: number[] = [];
  let slowest = Number.POSITIVE_INFINITY;
  let fastest = 0;
  let from = 0;
  while (from < time.length - 1) {
    let to = from;
    let sum = 0;
    let falling = true;
    while (to < time.length - 1 && time[to]! - time[from]! < STRETCH_S - 1e-9) {
      const step = time[to + 1]! - time[to]!;
      const a = speed[to]! / 3.6 + vehicle.headwindMs;
      const b = speed[to + 1]! / 3.6 + vehicle.headwindMs;
      // ∫v² over a straight line: (a² + ab + b²)/3.
      sum += (step * (a * a + a * b + b * b)) / 3;
      if (step > STRETCH_S) falling = false;
      to++;
    }
    const drop = (speed[from]! - speed[to]!) / 3.6;
    if (falling && to > from && drop > 0 && speed[to]! >= SLOWEST_KMH) {
      dt.push(time[to]! - time[from]!);
      square.push(sum);
      loss.push(drop);
      slowest = Math.min(slowest, speed[to]!);
      fastest = Math.max(fastest, speed[from]!);
    }
    from = Math.max(to, from + 1);
  }
  if (dt.length < 4) return speed[0]! <= speed.at(-1)! ? 'notSlowing' : 'tooShort';
  if (fastest < slowest * NARROWEST) return 'tooNarrow';
  const fit = fitTwoTerms(dt, square, loss);
  if (!fit) return 'tooNarrow';
  const rolls = vehicle.rotationFactor / GRAVITY;
  const drags = (2 * vehicle.massKg * vehicle.rotationFactor) / vehicle.airDensity;
  return {
    rolling: fit.a * rolls,
    rollingError: fit.aError * rolls,
    dragAreaM2: fit.b * drags,
    dragAreaError: fit.bError * drags,
    fromKmh: fastest,
    toKmh: slowest,
    windows: dt.length,
    residualKmh: (fit.residual * 3.6) / STRETCH_S,
  };
}
