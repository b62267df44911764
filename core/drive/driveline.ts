import type { DrivelinePart, DriveMode } from '../vehicle/variant.ts';

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
  /** Drive mode in which it is loaded so; null where there is only one. */
  readonly mode: string | null;
  readonly lasts: 'moment' | 'good';
}

/** All torque to every axle that is driven: what holds where no modes are named. */
const PLAIN: DriveMode = { key: '', name: '', frontShare: 1, rearShare: 1 };

/** Share of the torque that reaches a part in a mode: by axle, and half of it behind an open differential. */
function shareOf(part: DrivelinePart, mode: DriveMode): number {
  const axle = part.axle === 'front' ? mode.frontShare : part.axle === 'rear' ? mode.rearShare : 1;
  return axle * (part.oneOfTwo ? 0.5 : 1);
}

/**
 * Torque on each rated part at a motor torque, weakest first (trade §5.6). Parts on the motor shaft see it bare; behind a
 * transfer case a part sees its axle's share, behind an open differential half of that. Each part is judged in every drive
 * mode given and told of the worst; no modes: all torque passes. Parts known by power alone are left out.
 */
export function drivelineLoads(
  parts: readonly DrivelinePart[],
  reductions: Reductions,
  motorNm: number,
  modes: readonly DriveMode[] = [],
): PartLoad[] {
  const factor = {
    motor: 1,
    gearbox: reductions.gearbox,
    final: reductions.gearbox * reductions.final,
    hub: reductions.gearbox * reductions.final * reductions.hub,
  };
  const driven = modes.length > 0 ? modes : [PLAIN];
  return parts
    .filter((part) => part.powerOnlyW === undefined)
    .map((part) => {
      const worst = driven.reduce((most, mode) => (shareOf(part, mode) > shareOf(part, most) ? mode : most));
      const by = factor[part.after] * shareOf(part, worst);
      const torqueNm = motorNm * by;
      const { limitNm } = part;
      return {
        part: part.part,
        torqueNm,
        limitNm,
        margin: torqueNm > 0 ? limitNm / torqueNm : Number.POSITIVE_INFINITY,
        capNm: by > 0 ? Math.floor(limitNm / by + 1e-9) : Number.POSITIVE_INFINITY,
        // Where every mode loads it alike, none is to blame.
        mode: driven.some((mode) => shareOf(part, mode) < shareOf(part, worst)) ? worst.name : null,
        lasts: part.lasts ?? ('moment' as const),
      };
    })
    .filter((load) => Number.isFinite(load.margin))
    .sort((a, b) => a.margin - b.margin);
}

/** Parts known by power alone: to be measured before anything is said of them. */
export const measureFirst = (parts: readonly DrivelinePart[]): readonly DrivelinePart[] =>
  parts.filter((part) => part.powerOnlyW !== undefined);
