import { greatCircleM } from './geo.ts';
import type { TrackPoints } from './readGpx.ts';

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

/** Faster than this between two points is a slip of the receiver, m/s. */
const JUMP_MS = 60;
/** Longer than this without moving is parked: switched off, not part of the use, s. */
export const PARKED_S = 300;
/** Longer than this without a point while moving is bridged at a steady speed and said, s. */
const GAP_S = 30;

/** Points that can be: on the globe, in order of time, each somewhere else or later than the one before. */
export interface CleanTrack {
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
 * Drops what cannot be (positions off the globe, repeated points, jumps, times that run back), bridges missing heights,
 * and notes how often each happened.
 */
export function cleanTrack(points: TrackPoints): CleanTrack | 'tooFewPoints' {
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
  const result: CleanTrack = {
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

function countPauses({ time, along }: CleanTrack, note: (code: RouteNoteCode) => void): void {
  for (let i = 1; i < time.length; i++) {
    const seconds = time[i]! - time[i - 1]!;
    if (seconds <= GAP_S) continue;
    const metres = along[i]! - along[i - 1]!;
    if (metres < seconds && seconds > PARKED_S) note('parked');
    else if (metres >= seconds) note('timeGaps');
  }
}
