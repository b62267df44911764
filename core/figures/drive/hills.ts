import { steepestHeld } from '../../drive/limits.ts';
import { figure } from '../figure.ts';
import { roadVehicle } from '../road/roadVehicle.ts';
import { pull } from './pull.ts';

const HELD_KMH = 50;

/** Steepest grade on which 50 km/h is held with the usual load. */
export const gradeHeld50 = figure({
  id: 'gradeHeld50',
  name: 'Steepest grade at 50 km/h',
  group: 'road',
  kind: 'grade',
  needs: { pull, roadVehicle },
  compute: ({ pull: p, roadVehicle: vehicle }) => {
    const force = p.at(HELD_KMH / 3.6);
    return {
      value: steepestHeld(vehicle, force, HELD_KMH / 3.6),
      formula: 'pull at 50 km/h = tyres + air + m·g·sin θ; grade = tan θ',
      terms: [
        { symbol: 'pull at 50 km/h', value: force, kind: 'force' },
        { symbol: 'm, laden', value: vehicle.massKg, kind: 'mass' },
      ],
      source: 'balance of forces',
    };
  },
});
