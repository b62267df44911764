import { CYCLE_R83 } from '../../road/cycleR83.ts';
import { driveOver } from '../../road/driveOver.ts';
import { roundLeg } from '../../road/statedRound.ts';
import { missing, step } from '../figure.ts';
import { driveLine } from './driveLine.ts';
import { roadVehicle } from './roadVehicle.ts';

/** The whole UN R83 cycle, 1180 s. */
export const cycleRun = step({
  id: 'cycleRun',
  needs: { roadVehicle, driveLine },
  compute: ({ roadVehicle: vehicle, driveLine: drive }) => ({
    value: driveOver(CYCLE_R83, vehicle, drive),
    formula: '',
    terms: [],
    source: 'UN R83 / R101',
  }),
});

/** One leg of the stated round; all its legs are alike. */
export const roundRun = step({
  id: 'roundRun',
  needs: { roadVehicle, driveLine },
  reads: ['use'],
  compute: ({ roadVehicle: vehicle, driveLine: drive }, { use: how }) => {
    if (!how.round) return missing('noRound');
    const trace = roundLeg(how.round);
    if (typeof trace === 'string') return missing(trace === 'noLength' ? 'noRound' : trace);
    return {
      value: driveOver(trace, vehicle, drive),
      formula: '',
      terms: [],
      source: 'the round as the client states it',
    };
  },
});
