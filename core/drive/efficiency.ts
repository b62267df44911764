/**
 * Efficiency of motor with inverter over shaft speed and torque. `eta[i][j]` belongs to `rpm[i]` and `torqueNm[j]`;
 * both axes rise.
 */
export interface EfficiencyMap {
  readonly rpm: readonly number[];
  readonly torqueNm: readonly number[];
  readonly eta: readonly (readonly number[])[];
}

/** A map read outside this band is taken to be a slip of the pen, not physics. */
export const ETA_LOW = 0.2;
export const ETA_HIGH = 0.99;

/** Keeps an efficiency inside what a machine can do; not finite gives the low end. */
export const clampEta = (eta: number): number =>
  Number.isFinite(eta) ? Math.min(ETA_HIGH, Math.max(ETA_LOW, eta)) : ETA_LOW;

/** Efficiency at a shaft speed (rpm) and torque (N·m, taken positive): bilinear inside the map, its edge outside. */
export const mapEta = (map: EfficiencyMap, rpm: number, torqueNm: number): number => etaReader(map)(rpm, torqueNm);

const readers = new WeakMap<EfficiencyMap, (rpm: number, torqueNm: number) => number>();

/**
 * A reader of one map for many points: values clamped once and laid out flat, and the interval of the last point tried
 * first, since a drive seldom jumps about its map. A map with an empty axis reads as the low end everywhere.
 */
export function etaReader(map: EfficiencyMap): (rpm: number, torqueNm: number) => number {
  const known = readers.get(map);
  if (known) return known;
  const speeds = Float64Array.from(map.rpm);
  const torques = Float64Array.from(map.torqueNm);
  const width = torques.length;
  const flat = new Float64Array(speeds.length * width);
  for (let a = 0; a < speeds.length; a++)
    for (let b = 0; b < width; b++) flat[a * width + b] = clampEta(map.eta[a]?.[b] ?? Number.NaN);
  const lastI = speeds.length - 1;
  const lastJ = width - 1;
  let i = 0;
  let j = 0;
  const reader = (rpm: number, torqueNm: number): number => {
    if (lastI < 0 || lastJ < 0) return ETA_LOW;
    const torque = Math.abs(torqueNm);
    while (i > 0 && rpm < speeds[i]!) i--;
    while (i < lastI - 1 && rpm >= speeds[i + 1]!) i++;
    while (j > 0 && torque < torques[j]!) j--;
    while (j < lastJ - 1 && torque >= torques[j + 1]!) j++;
    const i2 = Math.min(i + 1, lastI);
    const j2 = Math.min(j + 1, lastJ);
    const u = i2 > i ? Math.min(1, Math.max(0, (rpm - speeds[i]!) / (speeds[i2]! - speeds[i]!))) : 0;
    const w = j2 > j ? Math.min(1, Math.max(0, (torque - torques[j]!) / (torques[j2]! - torques[j]!))) : 0;
    const low = flat[i * width + j]! * (1 - w) + flat[i * width + j2]! * w;
    const high = flat[i2 * width + j]! * (1 - w) + flat[i2 * width + j2]! * w;
    return low * (1 - u) + high * u;
  };
  readers.set(map, reader);
  return reader;
}

/** Entries of a map that no machine reaches: above one, or not above zero. */
export function impossibleEtas(map: EfficiencyMap): number {
  return map.eta.flat().filter((eta) => !(eta > 0 && eta <= 1)).length;
}
