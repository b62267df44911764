import { GRAVITY, type RoadVehicle, roadForces } from '../road/roadLoad.ts';

/** Halves [low, high] until `holds` changes within 1e-6 of the span; `holds(low)` true, `holds(high)` false. */
function lastWhere(low: number, high: number, holds: (x: number) => boolean): number {
  if (!holds(low)) return low;
  if (holds(high)) return high;
  let a = low;
  let b = high;
  for (let i = 0; i < 40; i++) {
    const mid = (a + b) / 2;
    if (holds(mid)) a = mid;
    else b = mid;
  }
  return a;
}

export interface TopSpeed {
  readonly kmh: number;
  readonly by: 'rotation' | 'roadLoad';
}

/** Top speed on the level: where pull meets road load, or where the motor runs out of revolutions. */
export function topSpeed(vehicle: RoadVehicle, pull: (speedMs: number) => number, maxRpmSpeedMs: number): TopSpeed {
  const surplus = (v: number) => {
    const { tyresN, airN } = roadForces(vehicle, Math.max(v, 1e-9), 0);
    return pull(v) >= tyresN + airN;
  };
  const v = lastWhere(0, maxRpmSpeedMs, surplus);
  return { kmh: v * 3.6, by: v >= maxRpmSpeedMs * (1 - 1e-6) ? 'rotation' : 'roadLoad' };
}

/** Steeper than any road or ramp, rise ÷ run: where the search for a grade ends. */
const STEEPEST = 4;

/**
 * Steepest grade (rise ÷ run) on which the vehicle starts from rest: pull(grade) ≥ m·g·(C_rr·cosθ + sinθ), where the
 * pull may itself depend on the grade through grip. Searched to 400 %; 0 when it does not start on the level.
 */
export function steepestStart(vehicle: RoadVehicle, pullAtRest: (grade: number) => number): number {
  return lastWhere(0, STEEPEST, (grade) => {
    const cos = 1 / Math.sqrt(1 + grade * grade);
    const resist = vehicle.massKg * GRAVITY * (vehicle.rollingCoefficient * cos + grade * cos);
    return pullAtRest(grade) >= resist;
  });
}

/** Steepest grade held at a steady speed, rise ÷ run, with the pull there is on that grade; null when even the level is too much. */
export function steepestHeld(vehicle: RoadVehicle, pullOn: (grade: number) => number, speedMs: number): number | null {
  const holds = (grade: number) => {
    const { tyresN, airN, hillN } = roadForces(vehicle, speedMs, grade);
    return pullOn(grade) >= tyresN + airN + hillN;
  };
  return holds(0) ? lastWhere(0, STEEPEST, holds) : null;
}
