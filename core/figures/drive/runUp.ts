import { accelerate, type RunUp } from '../../drive/accelerate.ts';
import { step } from '../figure.ts';
import { roadVehicle } from '../road/roadVehicle.ts';
import { pull } from './pull.ts';

/** Full-throttle run from rest, with the usual load. */
export const runUp = step({
  id: 'runUp',
  needs: { pull, roadVehicle },
  compute: ({ pull: p, roadVehicle: vehicle }) => ({
    value: accelerate(vehicle, p.at, [20, 50, 100]) as RunUp,
    formula: '',
    terms: [],
    source: 'step-by-step integration, fourth order',
  }),
});
