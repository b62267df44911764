import { drivelineLoads, type PartLoad } from '../../drive/driveline.ts';
import { missing, step } from '../figure.ts';
import { gearing } from './gearing.ts';

/** Rated parts of the driveline that are really kept, weakest first. Half-shaft drives bypass gearbox and final drive. */
export const drivelineWorst = step({
  id: 'drivelineWorst',
  needs: { gearing },
  reads: ['drive', 'vehicle'],
  compute: ({ gearing: g }, { drive, vehicle }) => {
    if (!drive.unit) return missing('noDrive');
    const { output, peakTorqueNm } = drive.unit.sheet;
    const kept = vehicle.variant.driveline.filter((part) => {
      if (output === 'halfShafts') return part.after === 'final' || part.after === 'hub';
      if (output === 'propShaft') return part.after !== 'motor';
      return true;
    });
    const motorNm = Math.min(peakTorqueNm, drive.torqueCapNm ?? Number.POSITIVE_INFINITY);
    const loads = drivelineLoads(kept, { gearbox: g.reducer, final: g.final, hub: g.hub }, motorNm);
    if (loads.length === 0) return missing('noDrive');
    return { value: loads as readonly PartLoad[], formula: '', terms: [], source: 'library limits' };
  },
});
