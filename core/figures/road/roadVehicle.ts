import { airDensity } from '../../road/airDensity.ts';
import type { RoadVehicle } from '../../road/roadLoad.ts';
import { rollingAt, temperatureIn, type Weather } from '../../road/weather.ts';
import { ladenLoads } from '../balance/ladenLoads.ts';
import { type Entry, interim, interimAnswer } from '../figure.ts';

/** Wheels, motor and gears that spin up with the vehicle, as a factor on its mass; common practice. */
export const ROTATION_FACTOR = 1.05;

function vehicleIn(id: string, weather: Weather): Entry<RoadVehicle> {
  return interim({
    id,
    needs: { ladenLoads },
    reads: ['use'],
    compute: ({ ladenLoads: loads }, { use: how }, read) => {
      const temperatureC = temperatureIn(weather, how.ambientC);
      return interimAnswer<RoadVehicle>(
        {
          // What of a trailer does not rest on the ball rolls behind, on tyres like the vehicle's.
          massKg: loads.totalKg + (how.trailer ? how.trailer.massKg - how.trailer.ballKg : 0),
          rollingCoefficient: read('rollingCoefficient') * rollingAt(temperatureC),
          dragAreaM2: read('frontalArea') * read('dragCoefficient') + (how.trailer?.dragAreaM2 ?? 0),
          airDensity: airDensity(temperatureC, how.altitudeM),
          rotationFactor: ROTATION_FACTOR,
          headwindMs: how.headwindMs,
        },
        'library or measured; cold tyres, common practice',
      );
    },
  });
}

export const roadVehicle = vehicleIn('roadVehicle', 'mild');
export const roadVehicleFrost = vehicleIn('roadVehicleFrost', 'frost');
