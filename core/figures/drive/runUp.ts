import { accelerate, type RunUp } from '../../drive/accelerate.ts';
import { METRES_PER_MILE } from '../../quantity/units.ts';
import { type Entry, interim, interimAnswer } from '../figure.ts';
import { roadVehicle } from '../road/roadVehicle.ts';
import { pull } from './pull.ts';

const KMH_PER_MPH = METRES_PER_MILE / 1000;
export const FIFTY_MPH_KMH = 50 * KMH_PER_MPH;
export const SIXTY_MPH_KMH = 60 * KMH_PER_MPH;
/** A quarter of a mile, m. */
const QUARTER_MILE_M = METRES_PER_MILE / 4;

/** Full-throttle run from rest, with the usual load, through the gears where they are changed. */
export const runUp: Entry<RunUp> = interim({
  id: 'runUp',
  cost: 60,
  needs: { pull, roadVehicle },
  reads: ['drive'],
  compute: ({ pull: p, roadVehicle: vehicle }, { drive }) =>
    interimAnswer(
      accelerate(vehicle, p.engaged.at, [20, 50, FIFTY_MPH_KMH, SIXTY_MPH_KMH, 100], {
        upper: p.upper.map((gear) => gear.at),
        shiftTimeS: drive.shiftTimeS,
        distanceM: QUARTER_MILE_M,
      }),
      'step-by-step integration, fourth order',
    ),
});
