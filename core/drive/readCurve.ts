import type { CurvePoint } from './motorCurve.ts';

/**
 * Reads a torque curve typed as lines "rpm peak continuous" (spaces, tabs, commas or semicolons between; the last may
 * be left out and is then half the peak). Empty lines are passed over; others that cannot be read are told by number,
 * from one. Points are given as they stand: out of order and negative ones are for `cleanCurve` to judge.
 */
export function readCurve(text: string): { points: CurvePoint[]; badLines: number[] } {
  const points: CurvePoint[] = [];
  const badLines: number[] = [];
  text.split(/\r?\n/).forEach((line, i) => {
    const words = line
      .trim()
      .split(/[\s,;]+/)
      .filter(Boolean);
    if (words.length === 0) return;
    const [rpm, peakNm, continuousNm = (peakNm ?? Number.NaN) / 2] = words.map(Number);
    const good = words.length <= 3 && [rpm, peakNm, continuousNm].every((n) => n !== undefined && Number.isFinite(n));
    if (good) points.push({ rpm: rpm!, peakNm: peakNm!, continuousNm });
    else badLines.push(i + 1);
  });
  return { points, badLines };
}
