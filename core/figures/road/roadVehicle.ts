import { airDensity } from '../../road/airDensity.ts';
import type { RoadVehicle } from '../../road/roadLoad.ts';
import { ladenLoads } from '../balance/ladenLoads.ts';
import { step } from '../figure.ts';

/** Wheels, motor and gears that spin up with the vehicle, as a factor on its mass; common practice. */
const ROTATION_FACTOR = 1.05;

export const roadVehicle = step<RoadVehicle, { ladenLoads: typeof ladenLoads }>({
  id: 'roadVehicle',
  needs: { ladenLoads },
  reads: ['use'],
  compute: ({ ladenLoads: loads }, { use: how }, use) => ({
    value: {
      massKg: loads.totalKg,
      rollingCoefficient: use('rollingCoefficient'),
      dragAreaM2: use('frontalArea') * use('dragCoefficient'),
      airDensity: airDensity(how.ambientC, how.altitudeM),
      rotationFactor: ROTATION_FACTOR,
      headwindMs: how.headwindMs,
    },
    formula: '',
    terms: [],
    source: 'library or measured',
  }),
});
