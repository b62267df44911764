import { chargeHours } from '../../charge/chargeTime.ts';
import { figure, missing } from '../figure.ts';
import { packUsable } from '../pack/packUsable.ts';
import { chargePower } from './chargePower.ts';

function chargeTimeBetween(id: string, from: number, to: number) {
  return figure({
    id,
    kind: 'hours',
    needs: { packUsable, chargePower },
    reads: ['charge'],
    compute: ({ packUsable: energy, chargePower: power }, { charge }) => {
      if (!charge.charger) return missing('noCharger');
      const { efficiency } = charge.charger.sheet;
      return {
        value: chargeHours(energy, power, efficiency, from, to),
        formula: 't = E ÷ (P·η), easing to half power above 90 %',
        terms: [
          { symbol: 'E usable', value: energy, kind: 'energy' },
          { symbol: 'P', value: power, kind: 'power' },
          { symbol: 'η', value: efficiency, kind: 'share' },
          { symbol: 'from', value: from, kind: 'share' },
          { symbol: 'to', value: to, kind: 'share' },
        ],
        source: 'charger sheet; easing off, common practice',
      };
    },
  });
}

export const chargeTime = chargeTimeBetween('chargeTime', 0, 1);
export const chargeTime20to80 = chargeTimeBetween('chargeTime20to80', 0.2, 0.8);
