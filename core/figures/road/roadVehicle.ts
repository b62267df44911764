import { airDensity } from '../../road/airDensity.ts';
import { FROST_C, FROST_ROLLING } from '../../road/frost.ts';
import type { RoadVehicle } from '../../road/roadLoad.ts';
import { ladenLoads } from '../balance/ladenLoads.ts';
import { type Entry, interim, interimAnswer } from '../figure.ts';

/** Wheels, motor and gears that spin up with the vehicle, as a factor on its mass; common practice. */
const ROTATION_FACTOR = 1.05;

/** Days a use is driven on: as the brief says, or at freezing. */
export type Weather = 'mild' | 'frost';

function vehicleIn(id: string, weather: Weather): Entry<RoadVehicle> {
  return interim({
    id,
    needs: { ladenLoads },
    reads: ['use'],
    compute: ({ ladenLoads: loads }, { use: how }, read) =>
      interimAnswer<RoadVehicle>(
        {
          massKg: loads.totalKg,
          rollingCoefficient: read('rollingCoefficient') * (weather === 'frost' ? FROST_ROLLING : 1),
          dragAreaM2: read('frontalArea') * read('dragCoefficient'),
          airDensity: airDensity(weather === 'frost' ? Math.min(FROST_C, how.ambientC) : how.ambientC, how.altitudeM),
          rotationFactor: ROTATION_FACTOR,
          headwindMs: how.headwindMs,
        },
        'library or measured',
      ),
  });
}

export const roadVehicle = vehicleIn('roadVehicle', 'mild');
export const roadVehicleFrost = vehicleIn('roadVehicleFrost', 'frost');
