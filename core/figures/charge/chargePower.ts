import { acPower } from '../../charge/acPower.ts';
import { figure, missing } from '../figure.ts';

export const chargePower = figure({
  id: 'chargePower',
  name: 'Charging power',
  group: 'charge',
  kind: 'electricPower',
  reads: ['charge', 'use'],
  compute: (_, { charge, use: { supply } }) => {
    if (!charge.charger) return missing('noCharger');
    const { powerW, maxAmps, phases } = charge.charger.sheet;
    const inletAmps = charge.inletAmps ?? maxAmps;
    const { watts, by } = acPower({ chargerW: powerW, chargerAmps: maxAmps, chargerPhases: phases, inletAmps, supply });
    return {
      value: watts,
      formula: `P = min(charger, inlet, supply): the ${by} decides`,
      terms: [
        { symbol: 'charger', value: powerW, kind: 'electricPower' },
        { symbol: 'inlet', value: inletAmps, kind: 'current' },
        { symbol: 'supply volts', value: supply.volts, kind: 'voltage' },
        { symbol: 'supply amps', value: supply.amps, kind: 'current' },
        { symbol: 'phases used', value: Math.min(phases, supply.phases), kind: 'count' },
      ],
      source: 'volts × amps × phases',
    };
  },
});
