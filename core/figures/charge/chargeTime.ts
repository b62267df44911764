import { chargeHours } from '../../charge/chargeTime.ts';
import { type FigureAbout, figure, missing } from '../figure.ts';
import { packEnergyUsed } from '../pack/packUsable.ts';
import { chargePower } from './chargePower.ts';

function chargeTimeBetween(about: FigureAbout, from: number, to: number) {
  return figure({
    ...about,
    kind: 'hours',
    needs: { packEnergyUsed, chargePower },
    reads: ['charge'],
    compute: ({ packEnergyUsed: energy, chargePower: power }, { charge }) => {
      if (!charge.charger) return missing('noCharger');
      const { efficiency } = charge.charger.sheet;
      return {
        value: chargeHours(energy, power, efficiency, from, to),
        formula: 't = E ÷ (P·η), easing to half power above 90 %',
        terms: [
          { symbol: 'E between the two ends', value: energy, kind: 'energy' },
          { symbol: 'P', value: power, kind: 'electricPower' },
          { symbol: 'η', value: efficiency, kind: 'share' },
          { symbol: 'from', value: from, kind: 'share' },
          { symbol: 'to', value: to, kind: 'share' },
        ],
        source: 'charger sheet; easing off, common practice',
      };
    },
  });
}

export const chargeTime = chargeTimeBetween({ id: 'chargeTime', name: 'Charge, empty to full', group: 'charge' }, 0, 1);
export const chargeTime20to80 = chargeTimeBetween(
  { id: 'chargeTime20to80', name: 'Charge, 20 to 80 %', group: 'charge' },
  0.2,
  0.8,
);
