import type { UseResult } from './driveOver.ts';
import type { Route } from './route.ts';

/** One stretch of a recorded route with what it took from the pack. */
export interface RoutePart {
  readonly fromKm: number;
  readonly toKm: number;
  readonly climbM: number;
  readonly seconds: number;
  readonly batteryWh: number;
}

/**
 * The route in `count` stretches of equal length: time, climb (rises only) and net energy of each. The energies add up
 * to the whole run's.
 */
export function routeParts(route: Route, run: Pick<UseResult, 'powersW'>, count: number): RoutePart[] {
  const { speedMs } = route.trace;
  const n = run.powersW.length;
  let total = 0;
  for (let s = 0; s < n; s++) total += (speedMs[s]! + speedMs[s + 1]!) / 2;
  if (!(total > 0)) return [];
  const parts = Array.from({ length: count }, (_, i) => ({
    fromKm: (i * total) / count / 1000,
    toKm: ((i + 1) * total) / count / 1000,
    climbM: 0,
    seconds: 0,
    batteryWh: 0,
  }));
  let way = 0;
  for (let s = 0; s < n; s++) {
    const part = parts[Math.min(count - 1, Math.floor((way / total) * count))]!;
    way += (speedMs[s]! + speedMs[s + 1]!) / 2;
    part.climbM += Math.max(0, route.elevationM[s + 1]! - route.elevationM[s]!);
    part.seconds++;
    part.batteryWh += run.powersW[s]! / 3600;
  }
  return parts;
}
