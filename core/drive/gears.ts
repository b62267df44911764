import type { DriveSheet } from '../component/sheets.ts';
import type { Gearbox } from '../vehicle/variant.ts';
import type { Gearing } from './pull.ts';

/** Efficiency of one pair of gears or a chain of joints, common practice. */
const MESH = 0.98;

/** One way from motor to wheel: a gear of the kept box, or the single reduction. */
export interface GearWay extends Gearing {
  /** 1-based gear of the kept gearbox; null with a single reduction. */
  readonly gear: number | null;
  /** Reducer or gear, with the transfer case. */
  readonly reducer: number;
  readonly final: number;
  readonly hub: number;
}

export interface GearChoice {
  readonly sheet: Pick<DriveSheet, 'output' | 'ownRatio'>;
  readonly gearbox: Gearbox;
  /** Typed single reduction; null, or not above zero: the unit's own. */
  readonly reduction: number | null;
  readonly transferLow: boolean;
  readonly wheelRadiusM: number;
}

/**
 * Every way from motor to wheel, slowest gear first, by what the drive turns: half shafts, propeller shaft, or the
 * input of the kept gearbox. Never a ratio of zero: a typed one is passed over.
 */
export function gearWays({ sheet, gearbox, reduction, transferLow, wheelRadiusM }: GearChoice): GearWay[] {
  const own = reduction !== null && reduction > 0 ? reduction : sheet.ownRatio > 0 ? sheet.ownRatio : 1;
  const halfShafts = sheet.output === 'halfShafts';
  const transfer = halfShafts ? 1 : (transferLow && gearbox.transferLow) || gearbox.transfer || 1;
  const final = halfShafts ? 1 : gearbox.finalDrive || 1;
  const hub = gearbox.hub || 1;
  const kept = sheet.output === 'gearboxInput' ? gearbox.ratios : [];
  const passesTransfer = !halfShafts && (gearbox.transferLow !== undefined || (gearbox.transfer || 1) !== 1);
  const meshes =
    (own > 1 ? 2 : 0) + (kept.length > 0 ? 2 : 0) + (passesTransfer ? 1 : 0) + (final > 1 ? 1 : 0) + (hub > 1 ? 1 : 0);
  const way = (ratio: number, gear: number | null): GearWay => {
    const reducer = own * ratio * transfer;
    return {
      gear,
      reducer,
      final,
      hub,
      ratio: reducer * final * hub,
      efficiency: MESH ** Math.max(1, meshes),
      wheelRadiusM,
    };
  };
  return kept.length > 0 ? kept.map((ratio, i) => way(ratio > 0 ? ratio : 1, i + 1)) : [way(1, null)];
}
