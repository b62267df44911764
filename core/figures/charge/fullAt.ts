import { figure } from '../figure.ts';
import { chargeTime } from './chargeTime.ts';
import { USUAL_HOME_H } from './supplies.ts';

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
