import { greatCircleM } from './geo.ts';
import type { TrackPoints } from './readGpx.ts';
import { type SpeedLimit, speedsUnderLimits } from './speedsUnderLimits.ts';
import type { Trace } from './trace.ts';

/** What was wrong with a recording and what was assumed instead; `count` says how often. */
export type RouteNoteCode =
  | 'badPositions'
  | 'duplicates'
  | 'jumps'
  | 'noElevation'
  | 'elevationGaps'
  | 'noTimes'
  | 'timesOutOfOrder'
  | 'timeGaps'
  | 'parked';

export interface RouteNote {
  readonly code: RouteNoteCode;
  readonly count: number;
}

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

/** Faster than this between two points is a slip of the receiver, m/s. */
const JUMP_MS = 60;
/** Longer than this without moving is parked: switched off, not part of the use, s. */
const PARKED_S = 300;
/** Longer than this without a point while moving is bridged at a steady speed and said, s. */
const GAP_S = 30;
/** Heights are smoothed over this length of road, m: receivers wander by metres from point to point. */
const SMOOTH_M = 120;
const SMOOTH_SPEED_S = 5;
/** Twelve hours: a longer recording is more than a day of work. */
export const LONGEST_ROUTE_S = 43_200;
const TRACK_POINTS = 400;
/** Nothing on wheels climbs steeper for long; the rest is noise of the receiver. */
const STEEPEST = 0.35;

interface Cleaned {
  readonly lat: Float64Array;
  readonly lon: Float64Array;
  readonly height: Float64Array;
  readonly time: Float64Array;
  /** Metres from the start. */
  readonly along: Float64Array;
  readonly timed: boolean;
  readonly notes: RouteNote[];
}

/**
 * A route from recorded points: drops what cannot be (positions off the globe, repeated points, jumps), bridges gaps,
 * smooths heights over 120 m and speeds over 5 s, and resamples to one second (trade §5.3). Without times it is driven
 * under speed limits. Linear in the number of points.
 */
export function routeFrom(points: TrackPoints, { limits = [] }: RouteOptions = {}): Route | RouteProblem {
  const cleaned = clean(points);
  if (typeof cleaned === 'string') return cleaned;
  const { along, height, notes } = cleaned;
  const length = along.at(-1)!;
  if (length < 50) return 'noLength';
  const smooth = smoothHeights(along, height);
  const way = cleaned.timed ? timedWay(cleaned) : null;
  if (way === 'tooLong') return 'tooLong';
  const speedMs = way
    ? speedsOf(way)
    : speedsUnderLimits(length, limits.length > 0 ? limits : [{ fromM: 0, limitKmh: 50 }]);
  if (speedMs.length > LONGEST_ROUTE_S) return 'tooLong';
  const { elevationM, grade } = profile(speedMs, along, smooth, length);
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

function clean(points: TrackPoints): Cleaned | RouteProblem {
  const n = points.lat.length;
  const lat = new Float64Array(n);
  const lon = new Float64Array(n);
  const height = new Float64Array(n);
  const time = new Float64Array(n);
  const along = new Float64Array(n);
  let timedCount = 0;
  for (let i = 0; i < n; i++) if (Number.isFinite(points.timeS[i]!)) timedCount++;
  // A few lost times are dropped with their points; mostly untimed recordings are driven by limits.
  const timed = timedCount >= 2 && timedCount >= 0.8 * n;
  const counts: Partial<Record<RouteNoteCode, number>> = {};
  const note = (code: RouteNoteCode) => {
    counts[code] = (counts[code] ?? 0) + 1;
  };
  let kept = 0;
  for (let i = 0; i < n; i++) {
    const la = points.lat[i]!;
    const lo = points.lon[i]!;
    const t = points.timeS[i]!;
    if (!(Math.abs(la) <= 90) || !(Math.abs(lo) <= 180)) {
      note('badPositions');
      continue;
    }
    if (timed && !Number.isFinite(t)) {
      note('noTimes');
      continue;
    }
    if (kept > 0) {
      const metres = greatCircleM(lat[kept - 1]!, lon[kept - 1]!, la, lo);
      const seconds = t - time[kept - 1]!;
      if (timed && seconds < 0) {
        note('timesOutOfOrder');
        continue;
      }
      if ((timed && seconds === 0) || (!timed && metres === 0)) {
        note('duplicates');
        continue;
      }
      if (timed && metres / seconds > JUMP_MS) {
        note('jumps');
        continue;
      }
      along[kept] = along[kept - 1]! + metres;
    }
    lat[kept] = la;
    lon[kept] = lo;
    height[kept] = points.elevationM[i]!;
    time[kept] = t;
    kept++;
  }
  if (kept < 2) return 'tooFewPoints';
  if (!timed) counts.noTimes = n;
  const cut = (all: Float64Array) => all.subarray(0, kept);
  const missing = fillHeights(cut(height), cut(along));
  if (missing === kept) counts.noElevation = kept;
  else if (missing > 0) counts.elevationGaps = missing;
  const result: Cleaned = {
    lat: cut(lat),
    lon: cut(lon),
    height: cut(height),
    time: cut(time),
    along: cut(along),
    timed,
    notes: [],
  };
  if (timed) countPauses(result, note);
  for (const [code, count] of Object.entries(counts)) result.notes.push({ code: code as RouteNoteCode, count });
  return result;
}

/** Bridges missing heights by straight lines along the way; all missing: level. Returns how many were missing. */
function fillHeights(height: Float64Array, along: Float64Array): number {
  let missing = 0;
  let last = -1;
  for (let i = 0; i < height.length; i++) {
    if (!Number.isFinite(height[i]!)) {
      missing++;
      continue;
    }
    if (last < 0) height.fill(height[i]!, 0, i);
    for (let j = last + 1; last >= 0 && j < i; j++) {
      const span = along[i]! - along[last]!;
      const share = span > 0 ? (along[j]! - along[last]!) / span : 0;
      height[j] = height[last]! + share * (height[i]! - height[last]!);
    }
    last = i;
  }
  if (last < 0) height.fill(0);
  else height.fill(height[last]!, last);
  return missing;
}

function countPauses({ time, along }: Cleaned, note: (code: RouteNoteCode) => void): void {
  for (let i = 1; i < time.length; i++) {
    const seconds = time[i]! - time[i - 1]!;
    if (seconds <= GAP_S) continue;
    const metres = along[i]! - along[i - 1]!;
    if (metres < seconds && seconds > PARKED_S) note('parked');
    else if (metres >= seconds) note('timeGaps');
  }
}

interface Way {
  /** Seconds from the start without parking, at each point. */
  readonly time: Float64Array;
  readonly along: Float64Array;
}

function timedWay({ time, along }: Cleaned): Way | 'tooLong' {
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

/** Heights averaged over a window of road about each point, by running sums. */
function smoothHeights(along: Float64Array, height: Float64Array): Float64Array {
  const n = along.length;
  const area = new Float64Array(n);
  for (let i = 1; i < n; i++)
    area[i] = area[i - 1]! + ((height[i]! + height[i - 1]!) / 2) * (along[i]! - along[i - 1]!);
  const smooth = new Float64Array(n);
  let a = 0;
  let b = 0;
  for (let i = 0; i < n; i++) {
    // The window shrinks towards the ends, so that they keep their own height.
    const reach = Math.min(SMOOTH_M / 2, along[i]! - along[0]!, along[n - 1]! - along[i]!);
    while (along[a]! < along[i]! - reach) a++;
    while (b < n - 1 && along[b + 1]! <= along[i]! + reach) b++;
    const span = along[b]! - along[a]!;
    smooth[i] = span > 0 ? (area[b]! - area[a]!) / span : height[i]!;
  }
  return smooth;
}

function profile(speedMs: Float64Array, along: Float64Array, smooth: Float64Array, length: number) {
  const n = speedMs.length;
  const elevationM = new Float64Array(n);
  const grade = new Float64Array(n);
  let total = 0;
  for (let s = 1; s < n; s++) total += (speedMs[s - 1]! + speedMs[s]!) / 2;
  // Smoothing shortens the way a little; heights are read at the same share of it.
  const scale = total > 0 ? length / total : 1;
  let way = 0;
  let j = 1;
  for (let s = 0; s < n; s++) {
    if (s > 0) way += ((speedMs[s - 1]! + speedMs[s]!) / 2) * scale;
    while (j < along.length - 1 && along[j]! < way) j++;
    const span = along[j]! - along[j - 1]!;
    const share = span > 0 ? Math.min(1, Math.max(0, (way - along[j - 1]!) / span)) : 1;
    elevationM[s] = smooth[j - 1]! + share * (smooth[j]! - smooth[j - 1]!);
  }
  for (let s = 0; s < n - 1; s++) {
    const step = (speedMs[s]! + speedMs[s + 1]!) / 2;
    const rise = elevationM[s + 1]! - elevationM[s]!;
    grade[s] = step > 0.2 ? Math.min(STEEPEST, Math.max(-STEEPEST, rise / step)) : 0;
  }
  return { elevationM, grade };
}

/** Metres climbed, counting only rises of over a metre from the last low. */
function climbOf(height: Float64Array): number {
  let climb = 0;
  let low = height[0] ?? 0;
  for (const h of height) {
    if (h < low) low = h;
    else if (h - low >= 1) {
      climb += h - low;
      low = h;
    }
  }
  return climb;
}

function thin(lat: Float64Array, lon: Float64Array): (readonly [number, number])[] {
  const step = Math.max(1, Math.ceil(lat.length / TRACK_POINTS));
  const track: (readonly [number, number])[] = [];
  for (let i = 0; i < lat.length; i += step) track.push([lat[i]!, lon[i]!]);
  track.push([lat.at(-1)!, lon.at(-1)!]);
  return track;
}
