import { type RoadVehicle, roadForces } from '../road/roadLoad.ts';

export interface RunUp {
  /** Seconds to each asked speed (km/h); null where it was not reached in this run: `ended` says why. */
  readonly secondsTo: ReadonlyMap<number, number | null>;
  readonly endKmh: number;
  /** Seconds to the asked distance, and the speed there; null without one. */
  readonly distance: { readonly seconds: number; readonly kmh: number } | null;
  readonly shifts: number;
  /**
   * How it ended: with everything reached, with pull and resistance in balance below the last target, or given up
   * while still gaining speed. Only after `stuck` is a target that has no time one that is never reached.
   */
  readonly ended: 'reached' | 'stuck' | 'tooLong';
  /** Speed every tenth of a second, m/s: what a chart shows. */
  readonly speeds: readonly number[];
}

export interface RunUpOptions {
  /** Further gears in order, each with its own pull; changed up where the next one pulls more. @default [] */
  readonly upper?: readonly ((speedMs: number) => number)[];
  /** Seconds without pull at each change of gear. @default 0 */
  readonly shiftTimeS?: number;
  /** A distance to be timed from rest, m. @default null */
  readonly distanceM?: number | null;
}

const STEP_S = 0.05;
/** How often the speed is kept for a chart, s. */
export const SAMPLE_S = 0.1;
/** A vehicle that needs longer than this for anything asked here is not one for the road. */
const LONGEST_S = 600;
/** Looked at then, and at the end, whether what is still asked lies beyond a balance of forces. */
const LOOK_AFTER_S = 120;

/**
 * Full-throttle run on the level from rest: fourth-order Runge–Kutta on m·k·dv/dt = pull(v) − resistance(v), step
 * 0.05 s, crossing times by linear interpolation inside a step, distance by Simpson's rule on the same steps. `pull`
 * gives the force at the road, N, with every limit already in it. Ends at the last target, when nothing changes, or
 * after two minutes when forces balance below the next target, since it only creeps towards that balance for ever.
 */
export function accelerate(
  vehicle: RoadVehicle,
  pull: (speedMs: number) => number,
  targetsKmh: readonly number[],
  { upper = [], shiftTimeS = 0, distanceM = null }: RunUpOptions = {},
): RunUp {
  const inertia = vehicle.massKg * vehicle.rotationFactor;
  let now = pull;
  let gear = 0;
  let coastLeft = 0;
  let shifts = 0;
  const slope = (v: number) => {
    const { tyresN, airN } = roadForces(vehicle, Math.max(v, 1e-9), 0);
    return ((coastLeft > 0 ? 0 : now(v)) - tyresN - airN) / inertia;
  };
  /** The most force left over at a speed, in this gear or one above. */
  const netInBest = (at: number) => {
    const { tyresN, airN } = roadForces(vehicle, Math.max(at, 1e-9), 0);
    return Math.max(now(at), ...upper.slice(gear).map((pullIn) => pullIn(at))) - tyresN - airN;
  };
  const secondsTo = new Map<number, number | null>(targetsKmh.map((kmh) => [kmh, null]));
  const last = targetsKmh.length > 0 ? Math.max(...targetsKmh) / 3.6 : 0;
  let distance: RunUp['distance'] = null;
  const speeds = [0];
  let t = 0;
  let v = 0;
  let x = 0;
  let nextLook = LOOK_AFTER_S;
  let ended: RunUp['ended'] = 'tooLong';
  while (t < LONGEST_S) {
    if (v >= last && (distanceM === null || distance !== null)) {
      ended = 'reached';
      break;
    }
    const next = upper[gear];
    if (coastLeft <= 0 && next && v > 0 && next(v) > now(v)) {
      now = next;
      gear++;
      shifts++;
      coastLeft = shiftTimeS;
    }
    // A step ends where the clutch closes again, so that a change takes its time and no more.
    const dt = coastLeft > 0 ? Math.min(STEP_S, coastLeft) : STEP_S;
    const k1 = slope(v);
    const k2 = slope(v + (dt / 2) * k1);
    const k3 = slope(v + (dt / 2) * k2);
    const k4 = slope(v + dt * k3);
    const after = Math.max(0, v + (dt / 6) * (k1 + 2 * k2 + 2 * k3 + k4));
    const middle = v + (dt / 4) * (k1 + k2);
    const way = (dt / 6) * (v + 4 * middle + after);
    if (distanceM !== null && distance === null && x + way >= distanceM) {
      const share = way > 0 ? (distanceM - x) / way : 0;
      distance = { seconds: t + dt * share, kmh: (v + share * (after - v)) * 3.6 };
    }
    for (const kmh of targetsKmh) {
      const target = kmh / 3.6;
      if (secondsTo.get(kmh) === null && v < target && after >= target)
        secondsTo.set(kmh, t + (dt * (target - v)) / (after - v));
    }
    while (speeds.length * SAMPLE_S <= t + dt + 1e-9)
      speeds.push(v + ((after - v) * (speeds.length * SAMPLE_S - t)) / dt);
    let stuck = coastLeft <= 0 && after - v < 1e-7;
    if (t >= nextLook) {
      nextLook += LOOK_EVERY_S;
      // The next target decides: one beyond the balance does not end the way to one before it.
      const goal = Math.min(...targetsKmh.filter((kmh) => secondsTo.get(kmh) === null).map((kmh) => kmh / 3.6), last);
      stuck ||= balancesBetween(after, goal, netInBest);
    }
    coastLeft -= dt;
    t += dt;
    v = after;
    x += way;
    if (stuck) {
      ended = 'stuck';
      if (distanceM !== null && distance === null && v > 1e-3)
        distance = { seconds: t + (distanceM - x) / v, kmh: v * 3.6 };
      break;
    }
  }
  return { secondsTo, endKmh: v * 3.6, distance, shifts, ended, speeds };
}

const LOOK_MS = 0.1;
const LOOK_EVERY_S = 5;

/** Does the net force vanish somewhere on the way from one speed to another, so that the way ends there? */
function balancesBetween(fromMs: number, toMs: number, netN: (speedMs: number) => number): boolean {
  for (let v = fromMs; v < toMs; v += LOOK_MS) if (netN(v) <= 0) return true;
  return netN(toMs) <= 0;
}
