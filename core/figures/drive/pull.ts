import type { MotorLimits } from '../../drive/motor.ts';
import { motorPull } from '../../drive/pull.ts';
import { GRIP_DRY, gripLimit, type Stance } from '../../drive/traction.ts';
import { ladenLoads } from '../balance/ladenLoads.ts';
import { missing, step } from '../figure.ts';
import { drivePower } from './drivePower.ts';
import { gearing } from './gearing.ts';

export interface Pull {
  /** Force at the road by speed, N, on the level with dry grip. */
  readonly at: (speedMs: number) => number;
  /** The same standing on a grade. */
  readonly atRest: (grade: number) => number;
  readonly motor: MotorLimits;
  readonly stance: Stance;
  readonly maxSpeedMs: number;
}

/** Pull at the wheels with every limit in it: motor and its caps, pack power, grip with weight transfer. */
export const pull = step({
  id: 'pull',
  needs: { gearing, drivePower, ladenLoads },
  reads: ['drive', 'vehicle'],
  compute: ({ gearing: g, drivePower: power, ladenLoads: loads }, { drive, vehicle }, use) => {
    if (!drive.unit) return missing('noDrive');
    const { sheet } = drive.unit;
    const motor: MotorLimits = {
      peakTorqueNm: Math.min(sheet.peakTorqueNm, drive.torqueCapNm ?? Number.POSITIVE_INFINITY),
      peakPowerW: Math.min(sheet.peakPowerW, power * sheet.efficiency),
      maxRpm: sheet.maxRpm,
    };
    const stance: Stance = {
      frontAxleKg: loads.frontKg,
      rearAxleKg: loads.rearKg,
      wheelbaseM: use('wheelbase') / 1000,
      massCentreHeightM: use('massCentreHeight') / 1000,
      drivenAxle: vehicle.variant.drivenAxle,
    };
    const grip = gripLimit(stance, GRIP_DRY);
    const value: Pull = {
      at: (v) => Math.min(motorPull(motor, g, v), grip),
      atRest: (grade) => Math.min(motorPull(motor, g, 0), gripLimit(stance, GRIP_DRY, grade)),
      motor,
      stance,
      maxSpeedMs: ((sheet.maxRpm / g.ratio) * 2 * Math.PI * g.wheelRadiusM) / 60,
    };
    return { value, formula: '', terms: [], source: 'drive sheet; grip 0.8, common practice' };
  },
});
