import { topSpeed as top } from '../../drive/limits.ts';
import { type Entry, type FigureAbout, figure } from '../figure.ts';
import { roadVehicle } from '../road/roadVehicle.ts';
import { heldWords } from './held.ts';
import { type Pull, pull, pullLow } from './pull.ts';

function fastest(about: FigureAbout, pulls: Entry<Pull>) {
  return figure({
    ...about,
    cost: 40,
    kind: 'speed',
    needs: { pull: pulls, roadVehicle },
    compute: ({ pull: p, roadVehicle: vehicle }) => {
      const { kmh, by } = top(vehicle, p.at, p.maxSpeedMs);
      return {
        value: kmh,
        formula: by === 'rotation' ? 'v at the motor’s highest revolutions' : 'v where pull meets tyres and air',
        terms: [
          { symbol: 'v at highest revolutions', value: p.maxSpeedMs * 3.6, kind: 'speed' },
          { symbol: 'pull there', value: p.at(kmh / 3.6), kind: 'force' },
        ],
        source: 'balance of forces on the level',
        held: heldWords(by === 'rotation' ? { link: 'revolutions', part: p.motorPart } : p.heldBy(kmh / 3.6)),
      };
    },
  });
}

export const topSpeed = fastest({ id: 'topSpeed', name: 'Top speed', group: 'road' }, pull);
/** The same with a fifth of the charge left. */
export const topSpeedLow = fastest(
  { id: 'topSpeedLow', name: 'Top speed, a fifth of the charge left', group: 'road' },
  pullLow,
);
