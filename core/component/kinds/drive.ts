import { choice, flag, grid, group, number, optional, rows, series, text } from '../field.ts';
import { BUSES } from './shared.ts';

/** Drive unit: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const drive = {
  minV: number('Least voltage', 'voltage', 0, 1500),
  maxV: number('Highest voltage', 'voltage', 1, 1500),
  peakTorqueNm: number('Peak torque', 'torque', 0.1, 20_000),
  continuousTorqueNm: number('Continuous torque', 'torque', 0, 20_000),
  peakPowerW: number('Peak power', 'shaftPower', 1, 2_000_000),
  continuousPowerW: number('Continuous power', 'shaftPower', 0, 2_000_000),
  peakS: optional(
    number('Peak lasts', 'duration', 0.1, 3600, { meaning: 'before it falls back to what it gives for good' }),
  ),
  maxRpm: number('Highest revolutions', 'rotation', 1, 60_000),
  ownRatio: number('Own reduction', 'ratio', 0.01, 200, { meaning: 'inside the unit; 1 for a bare motor', start: 1 }),
  efficiency: number('Efficiency', 'share', 0.01, 1, { meaning: 'motor and inverter together' }),
  maxCurrentA: number('Battery current, most', 'current', 0.1, 10_000, { meaning: 'on the battery side' }),
  nmPerPhaseA: optional(
    number('Torque an ampere', 'torque', 0.001, 1000, { meaning: 'for each ampere of phase current, rms' }),
  ),
  hasInverter: flag('Inverter built in'),
  output: choice('Turns', ['halfShafts', 'propShaft', 'gearboxInput'], {
    meaning: 'half shafts (own differential), the propeller shaft, or the input of the kept gearbox',
  }),
  spline: text('Spline'),
  boltPattern: text('Bolt pattern'),
  ratedV: optional(
    number('Voltage of the curve', 'voltage', 1, 1500, {
      meaning:
        'pack voltage at which curve and peak power are stated; without it they hold at any voltage in the window',
    }),
  ),
  curve: optional(
    rows(
      'Torque curve',
      {
        rpm: number('Revolutions', 'rotation', 0, 60_000),
        peakNm: number('Peak torque', 'torque', -20_000, 20_000),
        continuousNm: number('Continuous torque', 'torque', -20_000, 20_000),
      },
      0,
      400,
    ),
  ),
  efficiencyMap: optional(
    group('Efficiency map', {
      rpm: series('Revolutions', 'rotation', 0, 60_000, 200),
      torqueNm: series('Torque', 'torque', 0, 20_000, 200),
      eta: grid('Efficiency', 'share', -10, 10, 200),
    }),
  ),
  linkUf: optional(
    number('Link capacitance', 'capacitance', 0, 1_000_000, { meaning: 'where the inverter is built in' }),
  ),
  prechargeMaxV: optional(
    number('Own precharge up to', 'voltage', 1, 1500, { meaning: 'highest pack voltage its own precharge stands' }),
  ),
  buses: optional(BUSES),
} as const;
