import { figure } from '../figure.ts';
import { supplies } from './supplies.ts';

export const chargePower = figure({
  id: 'chargePower',
  name: 'Charging power',
  group: 'charge',
  kind: 'electricPower',
  needs: { supplies },
  reads: ['charge'],
  compute: ({ supplies: [usual] }, { charge }) => {
    const { supply, watts, by, phases } = usual!;
    const sheet = charge.charger!.sheet;
    return {
      value: watts,
      formula: `P = min(charger, inlet, supply, pack): the ${by} decides`,
      terms: [
        { symbol: 'charger', value: sheet.powerW, kind: 'electricPower' },
        { symbol: 'inlet', value: charge.inletAmps ?? sheet.maxAmps, kind: 'current' },
        { symbol: 'supply volts', value: supply.volts, kind: 'voltage' },
        { symbol: 'supply amps', value: supply.amps, kind: 'current' },
        { symbol: 'phases that all three have', value: phases, kind: 'count' },
      ],
      source: 'volts × amps × phases; what the pack takes at this temperature',
    };
  },
});
