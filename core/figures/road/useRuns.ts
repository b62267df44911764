import { CYCLE_R83 } from '../../road/cycleR83.ts';
import { type DriveLine, driveOver, type UseResult } from '../../road/driveOver.ts';
import type { RoadVehicle } from '../../road/roadLoad.ts';
import { roundLeg } from '../../road/statedRound.ts';
import type { Trace } from '../../road/trace.ts';
import { type Entry, interim, interimAnswer, type Missing, missing, type SlotName } from '../figure.ts';
import type { Slots } from '../slots.ts';
import { driveLine, driveLineFrost } from './driveLine.ts';
import { roadVehicle, roadVehicleFrost } from './roadVehicle.ts';

/** The runs over one trace: as the use is, and on a day at freezing. */
export interface UseRuns {
  readonly mild: Entry<UseRun>;
  readonly frost: Entry<UseRun>;
}

/** A use as it was driven, and as it was asked: what it takes is told of the latter, or a weak drive would seem thrifty. */
export interface UseRun extends UseResult {
  /** The same run without any limit of the drive; null where none was met. */
  readonly asked: UseResult | null;
}

const unlimited = ({ pullN: _, ...drive }: DriveLine): DriveLine => ({
  ...drive,
  maxPowerW: Number.POSITIVE_INFINITY,
});

function runs(
  id: string,
  reads: readonly SlotName[],
  trace: (slots: Slots) => Trace | Missing,
  source: string,
): UseRuns {
  const over = (suffix: string, vehicle: Entry<RoadVehicle>, line: Entry<DriveLine>) =>
    interim({
      id: `${id}${suffix}`,
      cost: 25,
      needs: { vehicle, line },
      reads,
      compute: ({ vehicle: road, line: drive }, slots) => {
        const way = trace(slots);
        if ('missing' in way) return way;
        const run = driveOver(way, road, drive);
        const asked = run.limited ? driveOver(way, road, unlimited(drive)) : null;
        return interimAnswer<UseRun>({ ...run, asked }, source);
      },
    });
  return {
    mild: over('', roadVehicle, driveLine),
    frost: over('Frost', roadVehicleFrost, driveLineFrost),
  };
}

const cycleRuns = runs('cycleRun', [], () => CYCLE_R83, 'UN R83 / R101');
const roundRuns = runs(
  'roundRun',
  ['use'],
  ({ use }) => {
    if (!use.round) return missing('noRound');
    const leg = roundLeg(use.round);
    return typeof leg === 'string' ? missing(leg === 'noLength' ? 'noRound' : leg) : leg;
  },
  'the round as the client states it',
);
const routeRuns = runs('routeRun', ['route'], ({ route }) => route?.trace ?? missing('noRoute'), 'the recorded route');

/** Every use that is driven second by second. One leg of the stated round stands for all of them: they are alike. */
export const USE_RUNS = { round: roundRuns, route: routeRuns, cycle: cycleRuns } as const;
export type DrivenUse = keyof typeof USE_RUNS;

export const cycleRun = cycleRuns.mild;
export const roundRun = roundRuns.mild;
export const routeRun = routeRuns.mild;

/** Share of a use that a vehicle may be left behind in before no range is told for it. */
const BEHIND_SHARE = 0.05;

/** Why nothing is told of a use that the drive does not follow, with the speed that it falls behind at; null where it does. */
export function leftBehind({ shortS, durationS, distanceKm, behind }: UseResult): Missing | null {
  if (distanceKm > 0 && shortS <= durationS * BEHIND_SHARE) return null;
  return missing('cannotKeepUp', { value: behind?.askedKmh ?? 0, kind: 'speed' });
}

export interface NamedRun {
  readonly use: DrivenUse;
  readonly run: UseRun;
}

/** The use that speaks for the vehicle: the stated round, else the recorded route, else the cycle. */
export const mainRun: Entry<NamedRun> = interim({
  id: 'mainRun',
  needs: { cycle: cycleRun },
  maybe: { round: roundRun, route: routeRun },
  compute: ({ cycle, round, route }) =>
    interimAnswer(
      round ? { use: 'round', run: round } : route ? { use: 'route', run: route } : { use: 'cycle', run: cycle },
      'the stated round, else the recorded route, else the R83 cycle',
    ),
});

/** The use that asks most of pack and cable: highest rms power of those there are. */
export const hardestRun: Entry<NamedRun> = interim({
  id: 'hardestRun',
  needs: { cycle: cycleRun },
  maybe: { round: roundRun, route: routeRun },
  compute: ({ cycle, round, route }) => {
    const all: NamedRun[] = [{ use: 'cycle', run: cycle }];
    if (round) all.push({ use: 'round', run: round });
    if (route) all.push({ use: 'route', run: route });
    return interimAnswer(
      all.reduce((a, b) => (b.run.rmsPowerW > a.run.rmsPowerW ? b : a)),
      'highest rms power of the uses there are',
    );
  },
});
