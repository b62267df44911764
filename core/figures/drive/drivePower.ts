import { figure, missing } from '../figure.ts';
import { packPower } from '../pack/packPower.ts';

/** Battery power the drive may take at most: its own peak or what the pack gives, whichever is less. */
export const drivePower = figure({
  id: 'drivePower',
  kind: 'power',
  needs: { packPower },
  reads: ['drive'],
  compute: ({ packPower: pack }, { drive }) => {
    if (!drive.unit) return missing('noDrive');
    const wanted = drive.unit.sheet.peakPowerW / drive.unit.sheet.efficiency;
    return {
      value: Math.min(wanted, pack),
      formula: 'P = min(drive peak power ÷ efficiency, pack power)',
      terms: [
        { symbol: 'drive peak power', value: drive.unit.sheet.peakPowerW, kind: 'power' },
        { symbol: 'efficiency', value: drive.unit.sheet.efficiency, kind: 'share' },
        { symbol: 'pack power', value: pack, kind: 'power' },
      ],
      source: 'drive sheet',
    };
  },
});
