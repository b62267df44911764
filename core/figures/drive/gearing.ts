import type { Gearing } from '../../drive/pull.ts';
import { readTyreSize, rollingRadiusM } from '../../vehicle/tyre.ts';
import { missing, step } from '../figure.ts';

/** Efficiency of one pair of gears or a chain of joints, common practice. */
const MESH = 0.98;

export interface DesignGearing extends Gearing {
  readonly reducer: number;
  readonly final: number;
  readonly hub: number;
}

/** Reductions from motor to wheel, by what the drive turns: half shafts, propeller shaft, or the kept gearbox. */
export const gearing = step<DesignGearing>({
  id: 'gearing',
  reads: ['drive', 'vehicle'],
  compute: (_, { drive, vehicle }) => {
    if (!drive.unit) return missing('noDrive');
    const tyre = readTyreSize(vehicle.variant.tyre);
    if (!tyre) return missing('tyreUnreadable');
    const { gearbox } = vehicle.variant;
    const { output, ownRatio } = drive.unit.sheet;
    const kept = output === 'gearboxInput' ? (gearbox.ratios[(drive.gear ?? 3) - 1] ?? gearbox.ratios.at(-1) ?? 1) : 1;
    const reducer = ownRatio * kept * (output === 'halfShafts' ? 1 : gearbox.transfer);
    const final = output === 'halfShafts' ? 1 : gearbox.finalDrive;
    const meshes =
      (ownRatio > 1 ? 2 : 0) + (output === 'gearboxInput' ? 2 : 0) + (final > 1 ? 1 : 0) + (gearbox.hub > 1 ? 1 : 0);
    return {
      value: {
        reducer,
        final,
        hub: gearbox.hub,
        ratio: reducer * final * gearbox.hub,
        efficiency: MESH ** Math.max(1, meshes),
        wheelRadiusM: rollingRadiusM(tyre),
      },
      formula: '',
      terms: [],
      source: 'drive sheet and library ratios',
    };
  },
});
