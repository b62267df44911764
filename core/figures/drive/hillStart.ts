import { steepestStart } from '../../drive/limits.ts';
import { figure } from '../figure.ts';
import { roadVehicle } from '../road/roadVehicle.ts';
import { heldWords } from './held.ts';
import { pull } from './pull.ts';

export const hillStart = figure({
  id: 'hillStart',
  name: 'Steepest start, laden',
  group: 'road',
  kind: 'grade',
  needs: { pull, roadVehicle },
  compute: ({ pull: p, roadVehicle: vehicle }) => {
    const value = steepestStart(vehicle, (grade) => p.onGrade(0, grade));
    return {
      value,
      formula: 'pull at rest = m·g·(C_rr·cos θ + sin θ); grade = tan θ',
      terms: [
        { symbol: 'pull at rest', value: p.onGrade(0, value), kind: 'force' },
        { symbol: 'm, laden', value: vehicle.massKg, kind: 'mass' },
        { symbol: 'C_rr', value: vehicle.rollingCoefficient, kind: 'coefficient' },
      ],
      source: 'balance of forces; grip 0.8 dry, common practice',
      held: heldWords(p.heldBy(0, value)),
    };
  },
});
