import { clampEta, type EfficiencyMap } from '../../drive/efficiency.ts';
import type { MotorLimits } from '../../drive/motorCurve.ts';
import { type Entry, interim, interimAnswer, missing } from '../figure.ts';
import { chainContinuous, chainPeak } from './chain.ts';

export interface MotorNow {
  readonly peak: MotorLimits;
  readonly continuous: MotorLimits;
  /** Pack voltage at full throttle. */
  readonly volts: number;
  readonly efficiency: number;
  readonly map: EfficiencyMap | null;
}

/** What the motor does at the voltage this pack really has under load, peak and continuous, with every limit before it. */
export const motorNow: Entry<MotorNow> = interim({
  id: 'motorNow',
  needs: { chainPeak, chainContinuous },
  reads: ['drive'],
  compute: ({ chainPeak: peak, chainContinuous: continuous }, { drive }) => {
    if (!drive.unit) return missing('noDrive');
    const { sheet } = drive.unit;
    return interimAnswer(
      {
        peak: peak.motor,
        continuous: continuous.motor,
        volts: peak.full.volts,
        efficiency: clampEta(drive.efficiency ?? sheet.efficiency),
        map: drive.efficiency === null ? (sheet.efficiencyMap ?? null) : null,
      },
      'drive sheet at the pack voltage under load, every link before it asked',
    );
  },
});
