import type { RouteNote } from './cleanTrack.ts';
import type { Route } from './route.ts';

/** A route as it is stored and sent: whole numbers, so that an hour is a few ten kilobytes. */
export interface PackedRoute {
  readonly name: string;
  /** Speed each second, cm/s. */
  readonly speedCms: readonly number[];
  /** Rise ÷ run each second, in ten-thousandths. */
  readonly gradeE4: readonly number[];
  readonly startM: number;
  readonly distanceM: number;
  readonly climbM: number;
  readonly track: readonly (readonly [lat: number, lon: number])[];
  readonly notes: readonly RouteNote[];
}

export function packRoute(route: Route): PackedRoute {
  return {
    name: route.name,
    speedCms: Array.from(route.trace.speedMs, (v) => Math.round(v * 100)),
    gradeE4: Array.from(route.trace.grade, (g) => Math.round(g * 10_000)),
    startM: Math.round((route.elevationM[0] ?? 0) * 10) / 10,
    distanceM: Math.round(route.distanceM),
    climbM: Math.round(route.climbM),
    track: route.track.map(([lat, lon]) => [Number(lat.toFixed(6)), Number(lon.toFixed(6))] as const),
    notes: route.notes,
  };
}

/** The inverse, to the rounding: heights are summed up again from the grades. */
export function unpackRoute(packed: PackedRoute): Route {
  const speedMs = Float64Array.from(packed.speedCms, (v) => v / 100);
  const grade = Float64Array.from(packed.gradeE4, (g) => g / 10_000);
  const elevationM = new Float64Array(speedMs.length);
  elevationM[0] = packed.startM;
  for (let s = 1; s < speedMs.length; s++)
    elevationM[s] = elevationM[s - 1]! + (grade[s - 1]! * (speedMs[s - 1]! + speedMs[s]!)) / 2;
  return {
    name: packed.name,
    trace: { speedMs, grade },
    elevationM,
    distanceM: packed.distanceM,
    climbM: packed.climbM,
    track: packed.track,
    notes: packed.notes,
  };
}
