import { coolantFlow } from '../../cooling/coolant.ts';
import { lvWatts } from '../../lowvoltage/loads.ts';
import { chargePower } from '../charge/chargePower.ts';
import { lvSide } from '../electric/lowVoltage.ts';
import { figure, missing } from '../figure.ts';

/** Coolant warms by this much through a charger, K; common practice. */
const CHARGER_RISE_K = 5;

/** Heat while charging: the vehicle stands, pump and fan must run for it. */
export const chargeHeat = figure({
  id: 'chargeHeat',
  name: 'Heat while charging',
  group: 'cooling',
  kind: 'watts',
  needs: { chargePower, lvSide },
  reads: ['charge'],
  compute: ({ chargePower: watts, lvSide: side }, { charge }) => {
    if (!charge.charger) return missing('noCharger');
    const { efficiency } = charge.charger.sheet;
    const loads = lvWatts(side.loads, 'charging');
    return {
      value: watts * (1 - efficiency) + loads,
      formula: 'Q = P·(1 − η) + what the low-voltage side draws while charging',
      terms: [
        { symbol: 'P', value: watts, kind: 'electricPower' },
        { symbol: 'η of the charger', value: efficiency, kind: 'share' },
        { symbol: 'loads while charging', value: loads, kind: 'watts' },
      ],
      source: `charger sheet; ${side.usual ? 'usual loads, common practice' : 'loads as listed for this design'}`,
    };
  },
});

export const chargeFlow = figure({
  id: 'chargeFlow',
  name: 'Coolant flow while charging',
  group: 'cooling',
  kind: 'flow',
  needs: { chargeHeat },
  compute: ({ chargeHeat: heat }) => ({
    value: coolantFlow(heat, CHARGER_RISE_K),
    formula: 'm·c_p·ΔT = Q; 50 % glycol, c_p 3.4 kJ/kgK, 1.07 kg/l',
    terms: [
      { symbol: 'Q', value: heat, kind: 'watts' },
      { symbol: 'ΔT', value: CHARGER_RISE_K, kind: 'warming' },
    ],
    source: 'heat balance; glycol figures common practice',
  }),
});
