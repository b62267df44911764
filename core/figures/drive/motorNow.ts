import { clampEta, type EfficiencyMap } from '../../drive/efficiency.ts';
import { cleanCurve, type MotorLimits } from '../../drive/motorCurve.ts';
import { loadedVoltage } from '../../pack/loadedVoltage.ts';
import { type Entry, interim, interimAnswer, missing } from '../figure.ts';
import { packFacts } from '../pack/packFacts.ts';
import { drivePower } from './drivePower.ts';

export interface MotorNow {
  readonly peak: MotorLimits;
  readonly continuous: MotorLimits;
  /** Pack voltage under the drive's full power. */
  readonly volts: number;
  readonly efficiency: number;
  readonly map: EfficiencyMap | null;
}

/** What the motor does at the voltage this pack really has under load, peak and continuous, with every cap. */
export const motorNow: Entry<MotorNow> = interim({
  id: 'motorNow',
  needs: { packFacts, drivePower },
  reads: ['drive'],
  compute: ({ packFacts: pack, drivePower: power }, { drive }) => {
    if (!drive.unit) return missing('noDrive');
    const { sheet } = drive.unit;
    const { motors } = drive;
    const efficiency = clampEta(drive.efficiency ?? sheet.efficiency);
    const { volts } = loadedVoltage(pack.nominalV, pack.resistanceOhm, power);
    const scale = sheet.ratedV ? volts / sheet.ratedV : 1;
    const stated = drive.curve ?? sheet.curve;
    const curve = stated ? cleanCurve(stated).curve : null;
    const cap = drive.torqueCapNm ?? Number.POSITIVE_INFINITY;
    const powerCap = Math.min(drive.powerCapW ?? Number.POSITIVE_INFINITY, power * efficiency);
    // Without a curve constant power falls with the voltage; with one, its speeds move instead.
    const byVoltage = curve ? 1 : Math.min(1, scale);
    const limits = (torqueNm: number, powerW: number, column: 'peakNm' | 'continuousNm'): MotorLimits => ({
      peakTorqueNm: Math.min(curve ? Math.max(...curve.map((p) => p[column])) * motors : torqueNm * motors, cap),
      peakPowerW: Math.min(powerW * motors * byVoltage, powerCap),
      maxRpm: sheet.maxRpm,
      curve,
      voltageScale: scale,
      column,
      motors,
    });
    return interimAnswer(
      {
        peak: limits(sheet.peakTorqueNm, sheet.peakPowerW, 'peakNm'),
        continuous: limits(sheet.continuousTorqueNm, sheet.continuousPowerW, 'continuousNm'),
        volts,
        efficiency,
        map: drive.efficiency === null ? (sheet.efficiencyMap ?? null) : null,
      },
      'drive sheet at the loaded pack voltage',
    );
  },
});
