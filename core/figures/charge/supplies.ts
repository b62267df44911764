import { acPower } from '../../charge/acPower.ts';
import { chargeHours } from '../../charge/chargeTime.ts';
import { type Entry, figure, interim, interimAnswer, missing } from '../figure.ts';
import { packUsable } from '../pack/packUsable.ts';
import type { NamedSupply } from '../slots.ts';
import { chargeTime } from './chargeTime.ts';

export interface AtSupply {
  readonly supply: NamedSupply;
  readonly watts: number;
  readonly by: 'charger' | 'inlet' | 'supply';
  readonly hours: number;
}

/** When the vehicle comes home where nobody said, hour of the day. */
export const USUAL_HOME_H = 18;

/** AC charging at every supply the client has, the usual one first. */
export const supplies: Entry<readonly AtSupply[]> = interim({
  id: 'supplies',
  needs: { packUsable },
  reads: ['charge', 'use'],
  compute: ({ packUsable: energy }, { charge, use }) => {
    if (!charge.charger) return missing('noCharger');
    const { powerW, maxAmps, phases, efficiency } = charge.charger.sheet;
    const all: NamedSupply[] = [{ name: 'usual supply', ...use.supply }, ...(use.otherSupplies ?? [])];
    return interimAnswer(
      all.map((supply) => {
        const { watts, by } = acPower({
          chargerW: powerW,
          chargerAmps: maxAmps,
          chargerPhases: phases,
          inletAmps: charge.inletAmps ?? maxAmps,
          supply,
        });
        return { supply, watts, by, hours: chargeHours(energy, watts, efficiency) };
      }),
      'least of charger, inlet and supply',
    );
  },
});

/** Hour of the day at which a pack that came home empty is full again at the usual supply. */
export const fullAt = figure({
  id: 'fullAt',
  name: 'Full again at',
  group: 'charge',
  kind: 'clock',
  needs: { chargeTime },
  reads: ['use'],
  compute: ({ chargeTime: hours }, { use }) => {
    const home = use.homeAtH ?? USUAL_HOME_H;
    return {
      value: home + hours,
      formula: 'home and empty + charging time',
      terms: [
        { symbol: 'home and empty at', value: home, kind: 'clock' },
        { symbol: 'charge, empty to full', value: hours, kind: 'hours' },
      ],
      source: 'the usual supply; plugged in at once',
    };
  },
});
