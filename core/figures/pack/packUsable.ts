import { temperatureIn, type Weather } from '../../road/weather.ts';
import { type FigureAbout, figure, interim, interimAnswer } from '../figure.ts';
import { packFacts, packFactsFrost } from './packFacts.ts';

function usableIn(about: FigureAbout, weather: Weather) {
  return figure({
    ...about,
    kind: 'energy',
    needs: { facts: weather === 'frost' ? packFactsFrost : packFacts },
    reads: ['pack', 'use'],
    compute: ({ facts: p }, { pack, use }) => ({
      value: p.givesWh * pack.usableShare,
      formula: 'E usable = E × what the cells give at this temperature × usable share',
      terms: [
        { symbol: 'E', value: p.energyWh, kind: 'energy' },
        { symbol: 'the cells give', value: p.givesWh / p.energyWh, kind: 'share' },
        { symbol: 'at', value: temperatureIn(weather, use.ambientC), kind: 'temperature' },
        { symbol: 'usable share', value: pack.usableShare, kind: 'share' },
      ],
      source: 'common practice: a tenth is kept back at the two ends; cold by module sheet or chemistry',
    }),
  });
}

export const packUsable = usableIn({ id: 'packUsable', name: 'Energy, usable', group: 'pack' }, 'mild');

/** Usable energy on a day at freezing: ranges read it. */
export const packUsableFrost = usableIn({ id: 'packUsableFrost', name: 'Energy, usable, frost', group: null }, 'frost');

/** Energy between the two ends that are kept back, Wh, whatever the temperature: what a charge has to bring. */
export const packEnergyUsed = interim({
  id: 'packEnergyUsed',
  needs: { facts: packFacts },
  reads: ['pack'],
  compute: ({ facts }, { pack }) => interimAnswer(facts.energyWh * pack.usableShare, 'module sheet'),
});
