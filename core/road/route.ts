import { type CleanTrack, cleanTrack, PARKED_S, type RouteNote } from './cleanTrack.ts';
import { climbOf, profileOf, smoothHeights } from './heightProfile.ts';
import type { TrackPoints } from './readGpx.ts';
import { type SpeedLimit, speedsUnderLimits } from './speedsUnderLimits.ts';
import type { Trace } from './trace.ts';

export type RouteProblem = 'tooFewPoints' | 'noLength' | 'tooLong';

/** A recorded route as a one-second trace with its profile and a thinned track to draw. */
export interface Route {
  readonly name: string;
  readonly trace: Trace;
  /** Height at each sample, m, smoothed; zero throughout where the file has none. */
  readonly elevationM: Float64Array;
  readonly distanceM: number;
  readonly climbM: number;
  /** Thinned positions, degrees. */
  readonly track: readonly (readonly [lat: number, lon: number])[];
  readonly notes: readonly RouteNote[];
}

export interface RouteOptions {
  /** Speed limits by distance where the recording has no times. @default 50 km/h throughout */
  readonly limits?: readonly SpeedLimit[];
}

const SMOOTH_SPEED_S = 5;
/** Twelve hours: a longer recording is more than a day of work. */
export const LONGEST_ROUTE_S = 43_200;
const TRACK_POINTS = 400;

/**
 * A route from recorded points: drops what cannot be (positions off the globe, repeated points, jumps), bridges gaps,
 * smooths heights over 120 m and speeds over 5 s, and resamples to one second (trade §5.3). Without times it is driven
 * under speed limits. Linear in the number of points.
 */
export function routeFrom(points: TrackPoints, { limits = [] }: RouteOptions = {}): Route | RouteProblem {
  const cleaned = cleanTrack(points);
  if (typeof cleaned === 'string') return cleaned;
  const { along, height, notes } = cleaned;
  const length = along.at(-1)!;
  if (length < 50) return 'noLength';
  const way = cleaned.timed ? timedWay(cleaned) : null;
  if (way === 'tooLong') return 'tooLong';
  const under = limits.length > 0 ? limits : [{ fromM: 0, limitKmh: 50 }];
  // Across half the globe nothing needs to be worked out to know that it takes too long.
  const fastest = Math.max(1, ...under.map(({ limitKmh }) => limitKmh)) / 3.6;
  if (!way && length / fastest > LONGEST_ROUTE_S) return 'tooLong';
  const smooth = smoothHeights(along, height);
  const speedMs = way ? speedsOf(way) : speedsUnderLimits(length, under);
  if (speedMs.length > LONGEST_ROUTE_S) return 'tooLong';
  const { elevationM, grade } = profileOf(speedMs, along, smooth, length);
  return {
    name: points.name,
    trace: { speedMs, grade },
    elevationM,
    distanceM: length,
    climbM: climbOf(smooth),
    track: thin(cleaned.lat, cleaned.lon),
    notes,
  };
}

interface Way {
  /** Seconds from the start without parking, at each point. */
  readonly time: Float64Array;
  readonly along: Float64Array;
}

function timedWay({ time, along }: CleanTrack): Way | 'tooLong' {
  const driven = new Float64Array(time.length);
  for (let i = 1; i < time.length; i++) {
    const seconds = time[i]! - time[i - 1]!;
    const parked = seconds > PARKED_S && along[i]! - along[i - 1]! < seconds;
    driven[i] = driven[i - 1]! + (parked ? 1 : seconds);
  }
  return driven.at(-1)! > LONGEST_ROUTE_S ? 'tooLong' : { time: driven, along };
}

/** Speeds at whole seconds: way by straight lines between points, differences, then a mean over five seconds. */
function speedsOf({ time, along }: Way): Float64Array {
  const n = Math.max(2, Math.floor(time.at(-1)!) + 1);
  const raw = new Float64Array(n);
  let before = 0;
  let j = 1;
  for (let s = 1; s < n; s++) {
    while (j < time.length - 1 && time[j]! < s) j++;
    const span = time[j]! - time[j - 1]!;
    const share = span > 0 ? Math.min(1, Math.max(0, (s - time[j - 1]!) / span)) : 1;
    const at = along[j - 1]! + share * (along[j]! - along[j - 1]!);
    raw[s] = Math.max(0, at - before);
    before = at;
  }
  const half = (SMOOTH_SPEED_S - 1) / 2;
  const speeds = new Float64Array(n);
  for (let s = 0; s < n; s++) {
    let sum = 0;
    let count = 0;
    for (let k = Math.max(0, s - half); k <= Math.min(n - 1, s + half); k++) {
      sum += raw[k]!;
      count++;
    }
    const mean = sum / count;
    // Under a slow walk the receiver wanders while the vehicle stands.
    speeds[s] = mean < 0.4 ? 0 : mean;
  }
  speeds[0] = 0;
  speeds[n - 1] = 0;
  return speeds;
}

function thin(lat: Float64Array, lon: Float64Array): (readonly [number, number])[] {
  const step = Math.max(1, Math.ceil(lat.length / TRACK_POINTS));
  const track: (readonly [number, number])[] = [];
  for (let i = 0; i < lat.length; i += step) track.push([lat[i]!, lon[i]!]);
  track.push([lat.at(-1)!, lon.at(-1)!]);
  return track;
}
