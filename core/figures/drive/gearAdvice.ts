import { type GearReach, suggestGear } from '../../drive/gears.ts';
import { topSpeed } from '../../drive/limits.ts';
import { type FigureAbout, figure, interim, interimAnswer, missing } from '../figure.ts';
import { roadVehicle } from '../road/roadVehicle.ts';
import { pull } from './pull.ts';

/** What a town asks of a gear left engaged, km/h. */
const TOWN_KMH = 60;
/** The open road asks a little more than the steady speed of the brief. */
const OPEN_ROAD_MARGIN = 1.1;
const OPEN_ROAD_KMH = 80;

/** How fast each gear goes with the usual load on the level, and how hard it pulls from rest. */
export const gearReach = interim({
  id: 'gearReach',
  needs: { pull, roadVehicle },
  compute: ({ pull: p, roadVehicle: vehicle }) =>
    interimAnswer(
      p.gears.map(
        (gear): GearReach => ({
          gear: gear.way.gear,
          topKmh: topSpeed(vehicle, gear.at, gear.maxSpeedMs).kmh,
          pullAtRestN: gear.at(0),
        }),
      ),
      'balance of forces on the level, in each gear',
    ),
});

function advised(about: FigureAbout, cover: (constantKmh: number) => number) {
  return figure({
    ...about,
    kind: 'count',
    needs: { gearReach },
    reads: ['use'],
    compute: ({ gearReach: reach }, { use }) => {
      if (reach.length < 2) return missing('noGearbox');
      const wanted = cover(use.constantKmh);
      const best = suggestGear(reach, wanted);
      if (!best || best.gear === null) return missing('noGearbox');
      return {
        value: best.gear,
        formula: 'of the gears that reach the speed, the one that pulls most from rest',
        terms: [
          { symbol: 'speed to cover', value: wanted, kind: 'speed' },
          ...reach.map((gear) => ({ symbol: `gear ${gear.gear} reaches`, value: gear.topKmh, kind: 'speed' as const })),
        ],
        source: 'balance of forces in each gear; speeds to cover, common practice',
      };
    },
  });
}

export const gearTown = advised({ id: 'gearTown', name: 'Gear for town', group: 'driveline' }, () => TOWN_KMH);
export const gearOpenRoad = advised({ id: 'gearOpenRoad', name: 'Gear for the open road', group: 'driveline' }, (kmh) =>
  Math.max(OPEN_ROAD_KMH, kmh * OPEN_ROAD_MARGIN),
);
