/** A mass somewhere along the vehicle; removed parts count negative. x rearwards from the front axle line. */
export interface MassItem {
  readonly name: string;
  readonly massKg: number;
  readonly xMm: number;
}

export interface AxleLoads {
  readonly frontKg: number;
  readonly rearKg: number;
  readonly totalKg: number;
  /** front ÷ total. */
  readonly frontShare: number;
  /** Mass centre behind the front axle, mm. */
  readonly centreXMm: number;
}

/** Rear axle = Σ m·x / wheelbase, front = Σ m − rear (moments about the front axle line; trade §5.7). */
export function axleLoads(items: readonly MassItem[], wheelbaseMm: number): AxleLoads {
  let totalKg = 0;
  let moment = 0;
  for (const { massKg, xMm } of items) {
    totalKg += massKg;
    moment += massKg * xMm;
  }
  const rearKg = moment / wheelbaseMm;
  const frontKg = totalKg - rearKg;
  return { frontKg, rearKg, totalKg, frontShare: frontKg / totalKg, centreXMm: moment / totalKg };
}
