import { GRAVITY } from '../road/roadLoad.ts';
import type { MountingPoint } from '../vehicle/variant.ts';

export interface MountLoad {
  readonly point: string;
  readonly forceN: number;
  readonly ratedN: number;
  /** rated ÷ force. */
  readonly margin: number;
}

/**
 * Load on each mounting point a unit hangs on (trade §5.6): the points furthest apart along the vehicle take the
 * reaction to the wheel torque as a couple over that distance, shared by the points in the same line; the rest only
 * steady. Each carries its share of the weight. Forward and reverse load alternate sides, so the worse sum is shown.
 * Null with fewer than two points or with all of them in one line.
 */
export function mountLoads(
  points: readonly MountingPoint[],
  wheelTorqueNm: number,
  massKg: number,
): MountLoad[] | null {
  if (points.length < 2) return null;
  const front = Math.min(...points.map((p) => p.xMm));
  const rear = Math.max(...points.map((p) => p.xMm));
  const leverM = (rear - front) / 1000;
  if (leverM < 0.05) return null;
  const near = (x: number, end: number) => Math.abs(x - end) < 30;
  const inLine = (x: number) =>
    near(x, front)
      ? points.filter((p) => near(p.xMm, front)).length
      : near(x, rear)
        ? points.filter((p) => near(p.xMm, rear)).length
        : 0;
  const weightN = (massKg * GRAVITY) / points.length;
  return points
    .map((p) => {
      const sharers = inLine(p.xMm);
      const forceN = weightN + (sharers > 0 ? wheelTorqueNm / leverM / sharers : 0);
      return { point: p.name, forceN, ratedN: p.loadN, margin: p.loadN / forceN };
    })
    .sort((a, b) => a.margin - b.margin);
}
