import { type RoadVehicle, roadForces } from '../road/roadLoad.ts';

export interface RunUp {
  /** Seconds to each asked speed (km/h); null where the vehicle never gets there. */
  readonly secondsTo: ReadonlyMap<number, number | null>;
  readonly endKmh: number;
}

const STEP_S = 0.05;
const LONGEST_S = 120;

/**
 * Full-throttle run on the level from rest: fourth-order Runge–Kutta on m·k·dv/dt = pull(v) − resistance(v), step
 * 0.05 s, crossing times by linear interpolation inside a step. `pull` gives the force at the road, N, with every limit
 * already in it.
 */
export function accelerate(
  vehicle: RoadVehicle,
  pull: (speedMs: number) => number,
  targetsKmh: readonly number[],
): RunUp {
  const inertia = vehicle.massKg * vehicle.rotationFactor;
  const slope = (v: number) => {
    const { tyresN, airN } = roadForces(vehicle, Math.max(v, 1e-9), 0);
    return (pull(v) - tyresN - airN) / inertia;
  };
  const secondsTo = new Map<number, number | null>(targetsKmh.map((kmh) => [kmh, null]));
  const last = Math.max(...targetsKmh) / 3.6;
  let v = 0;
  for (let step = 0; step * STEP_S < LONGEST_S && v < last; step++) {
    const k1 = slope(v);
    const k2 = slope(v + (STEP_S / 2) * k1);
    const k3 = slope(v + (STEP_S / 2) * k2);
    const k4 = slope(v + STEP_S * k3);
    const next = v + (STEP_S / 6) * (k1 + 2 * k2 + 2 * k3 + k4);
    if (next - v < 1e-7) break;
    for (const kmh of targetsKmh) {
      const target = kmh / 3.6;
      if (v < target && next >= target) secondsTo.set(kmh, STEP_S * (step + (target - v) / (next - v)));
    }
    v = next;
  }
  return { secondsTo, endKmh: v * 3.6 };
}
