import { loadedVoltage } from '../../pack/loadedVoltage.ts';
import { drivePower } from '../drive/drivePower.ts';
import { figure } from '../figure.ts';
import { packFacts } from './packFacts.ts';

/** Empty pack under the drive's full power: what every component's lowest voltage is held against. */
export const packSagVoltage = figure({
  id: 'packSagVoltage',
  name: 'Voltage, empty at full load',
  group: 'pack',
  kind: 'voltage',
  needs: { packFacts, drivePower },
  compute: ({ packFacts: p, drivePower: power }) => {
    const { volts, amps } = loadedVoltage(p.emptyV, p.resistanceOhm, power);
    const limited = Math.min(amps, p.peakA);
    return {
      value: limited < amps ? p.emptyV - limited * p.resistanceOhm : volts,
      formula: 'V = V empty − I·R, with I such that V·I = full power, held to the modules’ ten-second current',
      terms: [
        { symbol: 'V empty', value: p.emptyV, kind: 'voltage' },
        { symbol: 'I', value: limited, kind: 'current' },
        { symbol: 'R', value: p.resistanceOhm, kind: 'resistance' },
        { symbol: 'full power', value: power, kind: 'electricPower' },
      ],
      source: 'Ohm; module sheet',
    };
  },
});
