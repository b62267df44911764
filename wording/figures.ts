import type { Result } from '../core/figures/evaluate.ts';
import type { MissingReason } from '../core/figures/figure.ts';
import { formatQuantity } from '../core/quantity/format.ts';
import type { Source } from '../core/quantity/sourced.ts';
import type { UnitSet } from '../core/quantity/units.ts';
import type { VehicleFigureId } from '../core/vehicle/vehicleFigures.ts';

export { FIGURE_NAME } from '../core/figures/names.ts';

export const MISSING: Record<MissingReason, string> = {
  noVehicle: 'no vehicle',
  noModule: 'choose a module',
  noModules: 'put modules in a bay',
  unequalStrings: 'strings are unequal',
  boxTooFull: 'a box does not fit its bay',
  noDrive: 'choose a drive',
  noInverter: 'choose an inverter',
  mixedChemistry: 'cells of different chemistry in one pack',
  cannotHold: 'cannot hold',
  cannotKeepUp: 'cannot keep up at',
  tooCold: 'too cold to charge',
  noCharger: 'choose a charger',
  noRound: 'state the round',
  meanTooFast: 'mean too fast for that many stops',
  tyreUnreadable: 'tyre size unreadable',
  neverReached: 'never reached',
  tooSlow: 'over ten minutes',
  noKit: 'take a kit in Match',
  noPrices: 'nothing chosen yet',
  noStages: 'no stages yet',
  notPlannable: 'cannot be planned: see Plan',
  noLuggage: 'the model does not say where luggage goes',
  boxUneven: 'modules of a box do not divide into its strings',
  secondPackEmpty: 'the second pack has no box',
  packsDiffer: 'two packs in parallel must be alike in voltage',
  noAirFlow: 'no air flows through the pack',
  noRuns: 'no runs stated',
  noRoute: 'no recorded route yet',
  noDcInlet: 'the inlet has no DC contacts',
  noDcPost: 'no rapid charging post stated',
  noHolding: 'say in Balance what holds the boxes',
  noCradle: 'no cradle among the parts',
  mountsInLine: 'mounts lie in one line',
  noGearbox: 'one gear only',
  noGearDoes: 'no gear does both',
  noPairFits: 'no fuse fits a cable that is big enough',
  noCableFits: 'no cable of the catalogue is enough',
  noFuseFits: 'no fuse is big enough',
  noParkedLoad: 'nothing runs while it is parked',
  lvDiffers: 'batteries do not make the vehicle’s voltage',
  noLvBattery: 'no low-voltage battery among the parts',
  noStock: 'stock not known',
  neverWarm: 'never gets warm',
};

/** Why a result has no value, with the amount it speaks of: "cannot hold 90 km/h". */
export function reasonText({ reason, reasonAt }: Pick<Result<unknown>, 'reason' | 'reasonAt'>, set: UnitSet): string {
  if (reason === null) return '';
  return reasonAt ? `${MISSING[reason]} ${formatQuantity(reasonAt.value, reasonAt.kind, set)}` : MISSING[reason];
}

export const VEHICLE_FIGURE_NAME: Record<VehicleFigureId, string> = {
  frontAxleMass: 'Front axle mass',
  rearAxleMass: 'Rear axle mass',
  grossMass: 'Gross mass, plate',
  frontAxleRating: 'Front axle rating',
  rearAxleRating: 'Rear axle rating',
  wheelbase: 'Wheelbase',
  track: 'Track',
  length: 'Length',
  width: 'Width',
  height: 'Height',
  groundClearance: 'Ground clearance',
  massCentreHeight: 'Height of mass centre',
  frontalArea: 'Frontal area',
  dragCoefficient: 'Drag coefficient',
  rollingCoefficient: 'Rolling coefficient',
  seatsPayload: 'Payload, maker',
};

export const HOW_TO_MEASURE: Partial<Record<VehicleFigureId, string>> = {
  frontAxleMass: 'weigh the four corners',
  rearAxleMass: 'weigh the four corners',
  massCentreHeight: 'weigh again with one axle raised',
  dragCoefficient: 'coast down on a level road, both ways',
  rollingCoefficient: 'pull slowly with a spring balance, or coast down',
  frontalArea: 'photograph from far ahead against a rule',
  groundClearance: 'measure under the lowest point',
  height: 'measure to the highest fixed point',
  track: 'measure between tyre middles',
};

export const SOURCE_NAME: Record<Source | 'sheet' | 'design' | 'plate', string> = {
  measured: 'measured',
  library: 'library',
  drawing: 'drawing',
  assumed: 'assumed',
  sheet: 'component sheet',
  design: 'this design',
  plate: 'plate',
};
