import { clampEta } from '../../drive/efficiency.ts';
import { figure, missing } from '../figure.ts';
import { packPower } from '../pack/packPower.ts';

/** Battery power the drive may take at most: its own peak or what the pack gives, whichever is less. */
export const drivePower = figure({
  id: 'drivePower',
  name: 'Battery power at full throttle',
  group: 'road',
  kind: 'electricPower',
  needs: { packPower },
  reads: ['drive'],
  compute: ({ packPower: pack }, { drive }) => {
    if (!drive.unit) return missing('noDrive');
    const { sheet } = drive.unit;
    const efficiency = clampEta(drive.efficiency ?? sheet.efficiency);
    const shaft = Math.min(sheet.peakPowerW * drive.motors, drive.powerCapW ?? Number.POSITIVE_INFINITY);
    return {
      value: Math.min(shaft / efficiency, pack),
      formula: 'P = min(peak power at the shaft ÷ efficiency, pack power)',
      terms: [
        { symbol: 'peak power at the shaft', value: shaft, kind: 'shaftPower' },
        { symbol: 'efficiency', value: efficiency, kind: 'share' },
        { symbol: 'pack power', value: pack, kind: 'electricPower' },
      ],
      source: 'drive sheet',
    };
  },
});
