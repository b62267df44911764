/** Heights are smoothed over this length of road, m: receivers wander by metres from point to point. */
const SMOOTH_M = 120;
/** Nothing on wheels climbs steeper for long; the rest is noise of the receiver. */
const STEEPEST = 0.35;

/** Heights averaged over a window of road about each point, by running sums. */
export function smoothHeights(along: Float64Array, height: Float64Array): Float64Array {
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

/** Heights and grades second by second along speeds, from heights along the way. */
export function profileOf(speedMs: Float64Array, along: Float64Array, smooth: Float64Array, length: number) {
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
export function climbOf(height: Float64Array): number {
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
