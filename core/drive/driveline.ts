import type { DrivelinePart } from '../vehicle/variant.ts';

/** Reductions met on the way out from the motor shaft, each a factor. */
export interface Reductions {
  /** Reducer of the drive or the gear left engaged, with transfer case. */
  readonly gearbox: number;
  readonly final: number;
  readonly hub: number;
}

export interface PartLoad {
  readonly part: string;
  readonly torqueNm: number;
  readonly limitNm: number;
  /** limit ÷ torque; under 1 the part is overloaded. */
  readonly margin: number;
  /** Motor torque that stays within the limit, in whole N·m as a cap is set. */
  readonly capNm: number;
}

/** Torque on each rated part at a motor torque, weakest first (trade §5.6). Parts on the motor shaft see it bare. */
export function drivelineLoads(parts: readonly DrivelinePart[], reductions: Reductions, motorNm: number): PartLoad[] {
  const factor = {
    motor: 1,
    gearbox: reductions.gearbox,
    final: reductions.gearbox * reductions.final,
    hub: reductions.gearbox * reductions.final * reductions.hub,
  };
  return parts
    .map(({ part, limitNm, after }) => {
      const torqueNm = motorNm * factor[after];
      return { part, torqueNm, limitNm, margin: limitNm / torqueNm, capNm: Math.floor(limitNm / factor[after] + 1e-9) };
    })
    .sort((a, b) => a.margin - b.margin);
}
