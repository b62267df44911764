import { type GearWay, gearWays } from '../../drive/gears.ts';
import { readTyreSize, rollingRadiusM } from '../../vehicle/tyre.ts';
import { type Entry, interim, interimAnswer, missing } from '../figure.ts';

/** Gear that is left engaged when nobody chose one: the third, common practice. */
const USUAL_GEAR = 3;

/** Every way from motor to wheel the design could use, slowest first. */
export const gears: Entry<readonly GearWay[]> = interim({
  id: 'gears',
  reads: ['drive', 'vehicle'],
  compute: (_, { drive, vehicle }) => {
    if (!drive.unit) return missing('noDrive');
    const tyre = readTyreSize(vehicle.variant.tyre);
    if (!tyre) return missing('tyreUnreadable');
    return interimAnswer(
      gearWays({
        sheet: drive.unit.sheet,
        gearbox: vehicle.variant.gearbox,
        reduction: drive.reduction,
        transferLow: drive.transferLow,
        wheelRadiusM: rollingRadiusM(tyre),
      }),
      'drive sheet and library ratios',
    );
  },
});

/** The way engaged: the chosen gear, or the single reduction. */
export const gearing = interim({
  id: 'gearing',
  needs: { gears },
  reads: ['drive'],
  compute: ({ gears: ways }, { drive }) => {
    const wanted = drive.gear ?? USUAL_GEAR;
    return interimAnswer(
      ways.find((way) => way.gear === null || way.gear === wanted) ?? ways.at(-1)!,
      'drive sheet and library ratios',
    );
  },
});
