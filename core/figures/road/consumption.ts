import { steadyBatteryPower } from '../../road/driveOver.ts';
import { roadForces } from '../../road/roadLoad.ts';
import type { Weather } from '../../road/weather.ts';
import { pull, pullFrost } from '../drive/pull.ts';
import { type Answer, type FigureAbout, figure, type Missing, missing } from '../figure.ts';
import { driveLine, driveLineFrost } from './driveLine.ts';
import { roadVehicle, roadVehicleFrost } from './roadVehicle.ts';
import { cycleRun, leftBehind, roundRun, routeRun, type UseRun } from './useRuns.ts';

function perKm(driven: UseRun, source: string): Answer<number> | Missing {
  const behind = leftBehind(driven);
  if (behind) return behind;
  const run = driven.asked ?? driven;
  const per100Km = (wh: number) => (wh / run.distanceKm) * 100;
  const part = (symbol: string, wh: number) => ({
    symbol: `${symbol}, per 100 km`,
    value: per100Km(wh),
    kind: 'energy' as const,
  });
  return {
    value: run.batteryWh / run.distanceKm,
    formula: 'air + tyres + hills + brakes + drive losses + accessories = E from the pack; E ÷ distance',
    terms: [
      part('air', run.airWh),
      part('tyres', run.tyresWh),
      part('hills and speed, net', run.hillsWh),
      part('friction brakes', run.brakesWh),
      part('drive losses', run.driveLossWh),
      part('accessories and heating', run.auxiliaryWh),
      part('E from the pack', run.batteryWh),
    ],
    source,
  };
}

export const consumptionCycle = figure({
  id: 'consumptionCycle',
  name: 'Use on the R83 cycle',
  group: 'range',
  kind: 'consumption',
  needs: { cycleRun },
  compute: ({ cycleRun: run }) => perKm(run, 'UN R83 / R101 speeds, road load, one-second steps'),
});

export const consumptionRound = figure({
  id: 'consumptionRound',
  name: 'Use on the round',
  group: 'range',
  kind: 'consumption',
  needs: { roundRun },
  compute: ({ roundRun: run }) => perKm(run, 'the stated round as alike legs, road load, one-second steps'),
});

export const consumptionRoute = figure({
  id: 'consumptionRoute',
  name: 'Use on the recorded route',
  group: 'range',
  kind: 'consumption',
  needs: { routeRun },
  compute: ({ routeRun: run }) => perKm(run, 'the recorded route, heights smoothed, road load, one-second steps'),
});

/** Use at the steady speed of the brief on the level; refused where the drive cannot hold it. */
export function steadyIn(about: FigureAbout, weather: Weather) {
  return figure({
    ...about,
    kind: 'consumption',
    needs:
      weather === 'frost'
        ? { vehicle: roadVehicleFrost, drive: driveLineFrost, pull: pullFrost }
        : { vehicle: roadVehicle, drive: driveLine, pull },
    reads: ['use'],
    compute: ({ vehicle, drive, pull: p }, { use: how }) => {
      const v = how.constantKmh / 3.6;
      const { airN, tyresN } = roadForces(vehicle, v, 0);
      const power = steadyBatteryPower(vehicle, drive, how.constantKmh, 0);
      if (airN + tyresN > p.at(v) || power - drive.auxiliaryW > drive.maxPowerW)
        return missing('cannotHold', { value: how.constantKmh, kind: 'speed' });
      return {
        value: power / how.constantKmh,
        formula: 'P ÷ v, with P = (tyres + air)·v ÷ (η gear · η motor) + accessories',
        terms: [
          { symbol: 'v', value: how.constantKmh, kind: 'speed' },
          { symbol: 'tyres', value: tyresN, kind: 'force' },
          { symbol: 'air', value: airN, kind: 'force' },
          { symbol: 'η gear · η motor', value: drive.gearEfficiency * drive.motorEfficiency, kind: 'share' },
          { symbol: 'accessories and heating', value: drive.auxiliaryW, kind: 'electricPower' },
          { symbol: 'P', value: power, kind: 'electricPower' },
        ],
        source: 'road load on the level; cold tyres and heating at the temperature of the use',
      };
    },
  });
}

export const consumptionConstant = steadyIn(
  { id: 'consumptionConstant', name: 'Use at steady speed', group: 'range' },
  'mild',
);
