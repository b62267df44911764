import type { DriveSheet } from '../../component/sheets.ts';
import { drivelineLoads, type PartLoad } from '../../drive/driveline.ts';
import type { DrivelinePart, DriveMode, Variant } from '../../vehicle/variant.ts';
import { interim, missing } from '../figure.ts';
import { gearing } from './gearing.ts';
import { motorNow } from './motorNow.ts';

/** Drive modes of a vehicle that the design allows; all of them where it forbids every one. */
export function allowedModes({ driveModes = [] }: Variant, forbidden: readonly string[]): readonly DriveMode[] {
  const allowed = driveModes.filter((mode) => !forbidden.includes(mode.key));
  return allowed.length > 0 ? allowed : driveModes;
}

/** Parts of the driveline that stay with a drive: one on half shafts passes gearbox and final drive by. */
export const keptDriveline = (
  driveline: readonly DrivelinePart[],
  output: DriveSheet['output'],
): readonly DrivelinePart[] =>
  driveline.filter(({ after }) =>
    output === 'halfShafts' ? after === 'final' || after === 'hub' : output !== 'propShaft' || after !== 'motor',
  );

/** Rated parts of the driveline that are really kept, weakest first. */
export const drivelineWorst = interim({
  id: 'drivelineWorst',
  needs: { gearing, motorNow },
  reads: ['drive', 'vehicle'],
  compute: ({ gearing: g, motorNow: motor }, { drive, vehicle }) => {
    if (!drive.unit) return missing('noDrive');
    const { output } = drive.unit.sheet;
    const kept = keptDriveline(vehicle.variant.driveline, output);
    // A limit that must hold for good is asked at the continuous torque, one for a moment at the peak.
    const ratios = { gearbox: g.reducer, final: g.final, hub: g.hub };
    const modes = allowedModes(vehicle.variant, drive.forbiddenModes);
    const loads = [
      ...drivelineLoads(
        kept.filter((part) => part.lasts !== 'good'),
        ratios,
        motor.peak.peakTorqueNm,
        modes,
      ),
      ...drivelineLoads(
        kept.filter((part) => part.lasts === 'good'),
        ratios,
        motor.continuous.peakTorqueNm,
        modes,
      ),
    ].sort((a, b) => a.margin - b.margin);
    if (loads.length === 0) return missing('noDrive');
    return { value: loads as readonly PartLoad[], formula: '', terms: [], source: 'library limits' };
  },
});
