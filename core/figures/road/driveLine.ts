import type { DriveLine } from '../../road/driveOver.ts';
import { drivePower } from '../drive/drivePower.ts';
import { gearing } from '../drive/gearing.ts';
import { missing, step } from '../figure.ts';

/** Share of the drive's power it may put back when slowing; common practice for old brakes and light vehicles. */
const REGEN_POWER_SHARE = 0.4;
/** Share of braking that the driven axle's motor does; the rest stays with the friction brakes. */
const REGEN_SHARE = 0.5;

export const driveLine = step({
  id: 'driveLine',
  needs: { gearing, drivePower },
  reads: ['drive', 'use'],
  compute: ({ gearing: g, drivePower: power }, { drive, use: how }) => {
    if (!drive.unit) return missing('noDrive');
    const value: DriveLine = {
      gearEfficiency: g.efficiency,
      motorEfficiency: drive.unit.sheet.efficiency,
      maxPowerW: power,
      regenPowerW: drive.unit.sheet.peakPowerW * REGEN_POWER_SHARE,
      regenShare: REGEN_SHARE,
      auxiliaryW: how.auxiliaryW + how.heaterW,
    };
    return { value, formula: '', terms: [], source: 'drive sheet; regeneration half of braking, common practice' };
  },
});
