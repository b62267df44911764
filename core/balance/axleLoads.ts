/**
 * A mass somewhere in the vehicle; removed parts count negative. x rearwards from the front axle line, y to the right
 * of the middle, mm.
 */
export interface MassItem {
  /** A battery box, which moving modules changes. @default false */
  readonly box?: true;
  /** The drive unit. @default false */
  readonly drive?: true;
  readonly name: string;
  readonly massKg: number;
  readonly xMm: number;
  /** @default 0 */
  readonly yMm?: number;
}

export interface AxleLoads {
  readonly frontKg: number;
  readonly rearKg: number;
  readonly totalKg: number;
  /** front ÷ total. */
  readonly frontShare: number;
  /** Mass centre behind the front axle, mm. */
  readonly centreXMm: number;
  /** Mass centre right of the middle, mm. */
  readonly centreYMm: number;
}

/** Rear axle = Σ m·x / wheelbase, front = Σ m − rear (moments about the front axle line; trade §5.7). */
export function axleLoads(items: readonly MassItem[], wheelbaseMm: number): AxleLoads {
  let totalKg = 0;
  let moment = 0;
  let across = 0;
  for (const { massKg, xMm, yMm = 0 } of items) {
    totalKg += massKg;
    moment += massKg * xMm;
    across += massKg * yMm;
  }
  const rearKg = moment / wheelbaseMm;
  const frontKg = totalKg - rearKg;
  return {
    frontKg,
    rearKg,
    totalKg,
    frontShare: frontKg / totalKg,
    centreXMm: moment / totalKg,
    centreYMm: across / totalKg,
  };
}

/** Load on the right-hand wheels, kg: moments about the left wheels' line, Σ m·(y + track/2) / track. */
export const rightLoad = (loads: AxleLoads, trackMm: number): number =>
  loads.totalKg * (0.5 + loads.centreYMm / trackMm);
