import { adviseGear, type GearTrial, neighbourWords } from '../../drive/gearAdvice.ts';
import type { GearWay } from '../../drive/gears.ts';
import { topSpeed } from '../../drive/limits.ts';
import { rpmAt } from '../../drive/pull.ts';
import { CYCLE_R83_URBAN } from '../../road/cycleR83.ts';
import { type DriveLine, driveOver, steadyBatteryPower } from '../../road/driveOver.ts';
import { GRAVITY, type RoadVehicle, roadForces } from '../../road/roadLoad.ts';
import { type Entry, type FigureAbout, figure, interim, interimAnswer, missing } from '../figure.ts';
import { driveLine } from '../road/driveLine.ts';
import { roadVehicle } from '../road/roadVehicle.ts';
import { type GearPull, pull } from './pull.ts';

/** What a town asks: a start on this grade where the brief names none, with so much to spare, and this speed. */
const USUAL_GRADE = 0.12;
const START_SPARE = 1.1;
const TOWN_KMH = 60;
const TOWN_REVOLUTIONS = 0.85;
/** What the open road asks where the brief names no speed, and the rise it is held on. */
const USUAL_OPEN_KMH = 90;
const OPEN_RISE = 0.02;

/** How fast each gear goes with the usual load on the level, and how hard it pulls from rest. */
export const gearReach = interim({
  id: 'gearReach',
  needs: { pull, roadVehicle },
  compute: ({ pull: p, roadVehicle: vehicle }) =>
    interimAnswer(
      p.gears.map((gear) => ({
        gear: gear.way.gear,
        topKmh: topSpeed(vehicle, gear.at, gear.maxSpeedMs).kmh,
        pullAtRestN: gear.at(0),
      })),
      'balance of forces on the level, in each gear',
    ),
});

/** The drive line with another gear engaged. */
function inGear(line: DriveLine, way: GearWay, gear: GearPull, motors: number): DriveLine {
  return {
    ...line,
    gearEfficiency: way.efficiency,
    pullN: gear.at,
    map: line.map
      ? {
          map: line.map.map,
          rpmPerMs: (60 * way.ratio) / (2 * Math.PI * way.wheelRadiusM),
          nmPerN: way.wheelRadiusM / (way.ratio * way.efficiency) / motors,
        }
      : null,
  };
}

interface Trial {
  readonly gear: GearPull;
  readonly line: DriveLine;
  readonly vehicle: RoadVehicle;
}

/** The load at rest on a grade, N. */
function startN(vehicle: RoadVehicle, grade: number): number {
  const cos = 1 / Math.sqrt(1 + grade * grade);
  return vehicle.massKg * GRAVITY * (vehicle.rollingCoefficient * cos + grade * cos);
}

const townTrial = (
  { gear, line, vehicle }: Trial,
  grade: number,
  maxRpm: number,
): Omit<GearTrial, 'gear' | 'ratio'> => {
  if (gear.motorN(0) < START_SPARE * startN(vehicle, grade)) return { refused: 'doesNotStart', whPerKm: null };
  if (rpmAt(gear.way, TOWN_KMH / 3.6) > TOWN_REVOLUTIONS * maxRpm) return { refused: 'overRevolutions', whPerKm: null };
  const { airN, tyresN } = roadForces(vehicle, TOWN_KMH / 3.6, 0);
  if (gear.at(TOWN_KMH / 3.6) < airN + tyresN) return { refused: 'doesNotHold', whPerKm: null };
  const run = driveOver(CYCLE_R83_URBAN, vehicle, line);
  return { refused: null, whPerKm: run.batteryWh / run.distanceKm };
};

const openTrial = ({ gear, line, vehicle }: Trial, kmh: number): Omit<GearTrial, 'gear' | 'ratio'> => {
  const { airN, tyresN, hillN } = roadForces(vehicle, kmh / 3.6, OPEN_RISE);
  if (gear.continuousN(kmh / 3.6) < airN + tyresN + hillN) return { refused: 'doesNotHold', whPerKm: null };
  return { refused: null, whPerKm: steadyBatteryPower(vehicle, line, kmh, 0) / kmh };
};

function trials(id: string, which: 'town' | 'open'): Entry<readonly GearTrial[]> {
  return interim({
    id,
    needs: { pull, roadVehicle, driveLine },
    reads: ['drive', 'wishes'],
    compute: ({ pull: p, roadVehicle: vehicle, driveLine: line }, { drive, wishes }) => {
      if (p.gears.length < 2) return missing('noGearbox');
      return interimAnswer(
        p.gears.map((gear) => {
          const trial = { gear, vehicle, line: inGear(line, gear.way, gear, drive.motors) };
          const result =
            which === 'town'
              ? townTrial(trial, wishes.startGrade ?? USUAL_GRADE, p.motor.maxRpm)
              : openTrial(trial, wishes.speedKmh ?? USUAL_OPEN_KMH);
          return { gear: gear.way.gear!, ratio: gear.way.ratio, ...result };
        }),
        'each gear tried',
      );
    },
  });
}

const townTrials = trials('gearTownTrials', 'town');
const openTrials = trials('gearOpenTrials', 'open');

function advised(about: FigureAbout, tried: Entry<readonly GearTrial[]>, which: 'town' | 'open') {
  return figure({
    ...about,
    kind: 'count',
    needs: { tried },
    reads: ['wishes'],
    compute: ({ tried: all }, { wishes }) => {
      const best = adviseGear(all);
      if (!best) return missing('noGearDoes');
      return {
        value: best.gear,
        formula:
          which === 'town'
            ? 'of the gears that start laden on the grade with a tenth to spare and reach 60 km/h at 85 % of the top revolutions or less, the one that uses least on the urban part of R83; within 1 % the taller'
            : 'of the gears that hold the speed up 2 % within the continuous curve, the one that uses least at that speed on the level; within 1 % the taller',
        terms: [
          which === 'town'
            ? { symbol: 'grade', value: wishes.startGrade ?? USUAL_GRADE, kind: 'grade' as const }
            : { symbol: 'speed', value: wishes.speedKmh ?? USUAL_OPEN_KMH, kind: 'speed' as const },
          ...all.flatMap((trial) =>
            trial.whPerKm === null
              ? []
              : [{ symbol: `gear ${trial.gear} uses`, value: trial.whPerKm, kind: 'consumption' as const }],
          ),
        ],
        source: `${neighbourWords(all, best) || 'no other gear'}; what town and open road ask, common practice`,
      };
    },
  });
}

export const gearTown = advised({ id: 'gearTown', name: 'Gear for town', group: 'driveline' }, townTrials, 'town');
export const gearOpenRoad = advised(
  { id: 'gearOpenRoad', name: 'Gear for the open road', group: 'driveline' },
  openTrials,
  'open',
);
