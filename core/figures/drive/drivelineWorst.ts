import { drivelineLoads, type PartLoad } from '../../drive/driveline.ts';
import { interim, missing } from '../figure.ts';
import { gearing } from './gearing.ts';
import { motorNow } from './motorNow.ts';

/** Rated parts of the driveline that are really kept, weakest first. Half-shaft drives bypass gearbox and final drive. */
export const drivelineWorst = interim({
  id: 'drivelineWorst',
  needs: { gearing, motorNow },
  reads: ['drive', 'vehicle'],
  compute: ({ gearing: g, motorNow: motor }, { drive, vehicle }) => {
    if (!drive.unit) return missing('noDrive');
    const { output } = drive.unit.sheet;
    const kept = vehicle.variant.driveline.filter((part) => {
      if (output === 'halfShafts') return part.after === 'final' || part.after === 'hub';
      if (output === 'propShaft') return part.after !== 'motor';
      return true;
    });
    const motorNm = motor.peak.peakTorqueNm;
    const loads = drivelineLoads(kept, { gearbox: g.reducer, final: g.final, hub: g.hub }, motorNm);
    if (loads.length === 0) return missing('noDrive');
    return { value: loads as readonly PartLoad[], formula: '', terms: [], source: 'library limits' };
  },
});
