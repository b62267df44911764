import { steadyBatteryPower, type UseResult } from '../../road/driveOver.ts';
import { roadForces } from '../../road/roadLoad.ts';
import { type Answer, figure, missing } from '../figure.ts';
import { driveLine } from './driveLine.ts';
import { roadVehicle } from './roadVehicle.ts';
import { cycleRun, roundRun } from './useRuns.ts';

function perKm(run: UseResult, source: string): Answer<number> {
  return {
    value: run.batteryWh / run.distanceKm,
    formula: 'E from the pack ÷ distance',
    terms: [
      { symbol: 'air', value: run.airWh, kind: 'energy' },
      { symbol: 'tyres', value: run.tyresWh, kind: 'energy' },
      { symbol: 'hills and speed, net', value: run.hillsWh, kind: 'energy' },
      { symbol: 'friction brakes', value: run.brakesWh, kind: 'energy' },
      { symbol: 'drive losses', value: run.driveLossWh, kind: 'energy' },
      { symbol: 'accessories and heating', value: run.auxiliaryWh, kind: 'energy' },
      { symbol: 'E from the pack', value: run.batteryWh, kind: 'energy' },
      { symbol: 'distance', value: run.distanceKm, kind: 'distance' },
    ],
    source,
  };
}

export const consumptionCycle = figure({
  id: 'consumptionCycle',
  kind: 'consumption',
  needs: { cycleRun },
  compute: ({ cycleRun: run }) => perKm(run, 'UN R83 / R101 speeds, road load, one-second steps'),
});

export const consumptionRound = figure({
  id: 'consumptionRound',
  kind: 'consumption',
  needs: { roundRun },
  compute: ({ roundRun: run }) => perKm(run, 'the stated round as alike legs, road load, one-second steps'),
});

export const consumptionConstant = figure({
  id: 'consumptionConstant',
  kind: 'consumption',
  needs: { roadVehicle, driveLine },
  reads: ['use'],
  compute: ({ roadVehicle: vehicle, driveLine: drive }, { use: how }) => {
    const power = steadyBatteryPower(vehicle, drive, how.constantKmh, 0);
    if (power > drive.maxPowerW + drive.auxiliaryW) return missing('tooWeak');
    const { airN, tyresN } = roadForces(vehicle, how.constantKmh / 3.6, 0);
    return {
      value: power / how.constantKmh,
      formula: 'P ÷ v, with P = (tyres + air)·v ÷ (η gear · η motor) + accessories',
      terms: [
        { symbol: 'v', value: how.constantKmh, kind: 'speed' },
        { symbol: 'tyres', value: tyresN, kind: 'force' },
        { symbol: 'air', value: airN, kind: 'force' },
        { symbol: 'η gear · η motor', value: drive.gearEfficiency * drive.motorEfficiency, kind: 'share' },
        { symbol: 'accessories and heating', value: drive.auxiliaryW, kind: 'power' },
        { symbol: 'P', value: power, kind: 'power' },
      ],
      source: 'road load on the level',
    };
  },
});
