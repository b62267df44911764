import { steepestHeld } from '../../drive/limits.ts';
import { figure, missing } from '../figure.ts';
import { roadVehicle } from '../road/roadVehicle.ts';
import { heldWords } from './held.ts';
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
    const v = HELD_KMH / 3.6;
    const value = steepestHeld(vehicle, (grade) => p.onGrade(v, grade), v);
    if (value === null) return missing('cannotHold', { value: HELD_KMH, kind: 'speed' });
    return {
      value,
      formula: 'pull at 50 km/h = tyres + air + m·g·sin θ; grade = tan θ',
      terms: [
        { symbol: 'pull at 50 km/h', value: p.onGrade(v, value), kind: 'force' },
        { symbol: 'm, laden', value: vehicle.massKg, kind: 'mass' },
      ],
      source: 'balance of forces; grip on the grade 0.8 dry, common practice',
      held: heldWords(p.heldBy(v, value)),
    };
  },
});
