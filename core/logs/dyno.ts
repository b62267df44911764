import { type CurvePoint, type MotorLimits, motorTorque } from '../drive/motorCurve.ts';
import type { Log } from './readLog.ts';

/** A torque curve as a dynamometer shows it, and how it compares with the one computed. */
export interface DynoCurve {
  readonly points: readonly CurvePoint[];
  /** Mean of measured ÷ computed − 1 over the points; null where nothing is computed there. */
  readonly against: number | null;
}
export type DynoProblem = 'noTorque' | 'tooNarrowSpeeds';

const RPM_TO_RAD = (2 * Math.PI) / 60;
/** Points a curve is gathered into: a design keeps sixty at most. */
const MOST_POINTS = 40;
const FEWEST_POINTS = 3;

/**
 * Torque at the motor shaft by speed from a dynamometer's sheet: rpm with N·m, or rpm with power (T = P/ω). Samples are
 * gathered into up to forty stretches of speed and averaged, so that runs up and down may both be in it. Measured at the
 * wheels, the gears' losses are added back. What the motor stands for good cannot be seen here: it stays what it was.
 *
 * @param gearEfficiency of what lies between motor and where it was measured; 1 at the shaft
 * @param now peak and continuous as computed until now
 */
export function dynoCurve(
  { columns }: Log,
  gearEfficiency: number,
  now: { readonly peak: MotorLimits; readonly continuous: MotorLimits } | null,
): DynoCurve | DynoProblem {
  const { rpm, torque, power } = columns;
  if (!rpm || (!torque && !power)) return 'noTorque';
  const samples = [...rpm]
    .map((n, i) => ({ n, nm: (torque ? torque[i]! : power![i]! / Math.max(1e-9, n * RPM_TO_RAD)) / gearEfficiency }))
    .filter(({ n, nm }) => n > 0 && nm >= 0);
  const least = Math.min(...samples.map(({ n }) => n));
  const most = Math.max(...samples.map(({ n }) => n));
  if (samples.length < FEWEST_POINTS || !(most > least * 1.2)) return 'tooNarrowSpeeds';
  const width = (most - least) / Math.min(MOST_POINTS, samples.length);
  const bins = new Map<number, { n: number; nm: number; count: number }>();
  for (const { n, nm } of samples) {
    const k = Math.min(MOST_POINTS - 1, Math.floor((n - least) / width));
    const bin = bins.get(k) ?? { n: 0, nm: 0, count: 0 };
    bins.set(k, { n: bin.n + n, nm: bin.nm + nm, count: bin.count + 1 });
  }
  const points = [...bins]
    .sort(([a], [b]) => a - b)
    .map(([, { n, nm, count }]): CurvePoint => {
      const at = n / count;
      const peakNm = nm / count;
      const lasts = now ? motorTorque(now.continuous, at) : peakNm / 2;
      return { rpm: Math.round(at), peakNm: round(peakNm), continuousNm: round(Math.min(peakNm, lasts)) };
    })
    .filter((point, i, all) => i === 0 || point.rpm > all[i - 1]!.rpm);
  const ratios = points.flatMap(({ rpm: n, peakNm }) => {
    const computed = now ? motorTorque(now.peak, n) : 0;
    return computed > 0 ? [peakNm / computed - 1] : [];
  });
  return { points, against: ratios.length > 0 ? ratios.reduce((sum, x) => sum + x, 0) / ratios.length : null };
}

const round = (nm: number) => Math.round(nm * 10) / 10;
