import { loadedVoltage } from '../../pack/loadedVoltage.ts';
import { chainPeak } from '../drive/chain.ts';
import { drivePower } from '../drive/drivePower.ts';
import { figure } from '../figure.ts';
import { packFacts } from './packFacts.ts';

/** Empty pack under the drive's full power: what every component's lowest voltage is held against. */
export const packSagVoltage = figure({
  id: 'packSagVoltage',
  name: 'Voltage, empty at full load',
  group: 'pack',
  kind: 'voltage',
  needs: { packFacts, drivePower, chainPeak },
  compute: ({ packFacts: p, drivePower: power, chainPeak: chain }) => {
    const { volts, amps } = loadedVoltage(p.emptyV, p.resistanceOhm, power + chain.ask.besideA * p.emptyV);
    // Lowest voltages are what this figure is held against: only currents hold it.
    const limits = chain.ask.battery.filter((one) => one.quantity === 'batteryCurrent' && one.limit !== null);
    const limited = Math.min(amps, ...limits.map((one) => one.limit! + (one.whole ? 0 : chain.ask.besideA)));
    return {
      value: limited < amps ? p.emptyV - limited * p.resistanceOhm : volts,
      formula:
        'V = V empty − I·R, with I such that V·I = full power and accessories, held to the least current any part allows',
      terms: [
        { symbol: 'V empty', value: p.emptyV, kind: 'voltage' },
        { symbol: 'I', value: limited, kind: 'current' },
        { symbol: 'R', value: p.resistanceOhm, kind: 'resistance' },
        { symbol: 'full power', value: power, kind: 'electricPower' },
        { symbol: 'I of the accessories', value: chain.ask.besideA, kind: 'current' },
      ],
      source: 'Ohm; module sheet',
    };
  },
});
