import { topSpeed as top } from '../../drive/limits.ts';
import { figure } from '../figure.ts';
import { roadVehicle } from '../road/roadVehicle.ts';
import { heldWords } from './held.ts';
import { pull } from './pull.ts';

export const topSpeed = figure({
  id: 'topSpeed',
  cost: 40,
  name: 'Top speed',
  group: 'road',
  kind: 'speed',
  needs: { pull, roadVehicle },
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
