import Joi from 'joi';
import { SOURCES, type Sourced } from '../core/quantity/sourced.ts';
import {
  type Bay,
  type DrivelinePart,
  type DriveMode,
  type Gearbox,
  INSTRUMENT_DRIVES,
  type Instrument,
  type MountingPoint,
  type Opening,
  type PassThrough,
  type RemovedItem,
  type Variant,
} from '../core/vehicle/variant.ts';
import { type VariantBody, type VariantProblem, variantProblems } from '../core/vehicle/variantProblems.ts';
import { VEHICLE_FIGURE_IDS, VEHICLE_FIGURES, type VehicleFigureId } from '../core/vehicle/vehicleFigures.ts';
import { A_FILE, address, answers } from './address.ts';
import {
  faultAt,
  type Made,
  type Mutable,
  number,
  quantity,
  slug,
  text,
  type Versioned,
  version,
  whole,
} from './fields.ts';
import { type TakenIn, tableSchema, tableSize } from './tableIn.ts';
import { SPAN } from './vehicle.ts';

/** What a figure of a variant is called in its schema; pages and papers have their own names. */
const source = Joi.string()
  .valid(...SOURCES)
  .label('Source')
  .required();
const choice = <V extends string>(label: string, ...values: V[]) =>
  Joi.string<V>()
    .valid(...values)
    .label(label)
    .required();
const at = (label: string) => quantity(label, 'length', -5000, 20_000).required();
const position = { xMm: at('Behind the front axle'), yMm: at('Right of the middle'), zMm: at('Above the ground') };
const size = (label: string) => quantity(label, 'length', 10, 20_000).required();

const figures = Joi.object(
  Object.fromEntries(
    VEHICLE_FIGURE_IDS.map((id) => {
      const [least, most] = SPAN[VEHICLE_FIGURES[id]];
      return [
        id,
        Joi.object({ value: quantity('Value', VEHICLE_FIGURES[id], least, most).required(), source }).required(),
      ];
    }),
  ),
) as unknown as Joi.ObjectSchema<Record<VehicleFigureId, Sourced>>;

const bay = Joi.object<Bay, true>({
  key: slug('Key').required(),
  name: text('Name of the bay', 60).required(),
  ...position,
  lengthMm: size('Length'),
  widthMm: size('Width'),
  heightMm: size('Height'),
  maxMassKg: quantity('Bears', 'mass', 0, 5000).required(),
  inside: Joi.boolean().label('Inside').required(),
  access: text('Reached by', 60).allow('').required(),
  source,
});
const mountingPoint = Joi.object<MountingPoint, true>({
  key: slug('Key').required(),
  name: text('Name of the point', 60).required(),
  ...position,
  thread: text('Thread', 30).allow('').required(),
  usedFor: text('Used for', 80).allow('').required(),
  loadN: quantity('Load', 'force', 0, 1_000_000).required(),
  source,
});
const pass = Joi.object<PassThrough, true>({
  name: text('Name of the pass', 60).required(),
  diameterMm: quantity('Diameter', 'length', 1, 500).required(),
  from: text('From', 60).allow('').required(),
  to: text('To', 60).allow('').required(),
  usedFor: text('Used for', 80).allow('').required(),
});
const opening = Joi.object<Opening, true>({
  name: text('Name of the opening', 60).required(),
  ...position,
  diameterMm: quantity('Diameter', 'length', 1, 500).required(),
  usedFor: text('Used for', 80).allow('').required(),
});
const instrument = Joi.object<Instrument, true>({
  name: text('Name of the instrument', 60).required(),
  drivenBy: choice('Driven by', ...INSTRUMENT_DRIVES),
  from: text('From', 60).allow('').required(),
});
const removed = Joi.object<RemovedItem, true>({
  name: text('What comes out', 60).required(),
  massKg: quantity('Mass', 'mass', 0.1, 5000).required(),
  xMm: at('Behind the front axle'),
  yMm: quantity('Right of the middle', 'length', -3000, 3000),
});
const drivelinePart = Joi.object<DrivelinePart, true>({
  part: text('Part', 60).required(),
  limitNm: quantity('Limit', 'torque', 1, 100_000).required(),
  after: choice('After', 'motor', 'gearbox', 'final', 'hub'),
  axle: Joi.string().valid('front', 'rear').label('Axle'),
  oneOfTwo: Joi.boolean().label('One of two'),
  lasts: Joi.string().valid('moment', 'good').label('Lasts'),
  powerOnlyW: quantity('Known by power alone', 'shaftPower', 1, 5_000_000),
});
const driveMode = Joi.object<DriveMode, true>({
  key: slug('Key').required(),
  name: text('Name of the mode', 60).required(),
  frontShare: quantity('Front share', 'share', 0, 1).required(),
  rearShare: quantity('Rear share', 'share', 0, 1).required(),
});
const gearbox = Joi.object<Mutable<Gearbox>, true>({
  ratios: Joi.array()
    .items(number('Gear', 0.2, 30))
    .max(12)
    .label('Gears')
    .required(),
  finalDrive: quantity('Final drive', 'ratio', 0.5, 30).required(),
  transfer: quantity('Transfer case', 'ratio', 0.3, 10).required(),
  transferLow: quantity('Its low ratio', 'ratio', 0.3, 10),
  hub: quantity('Hub reduction', 'ratio', 0.5, 10).required(),
  spline: text('Input spline', 40).allow('').required(),
  shaftSpline: text('Half-shaft spline', 40).allow('').required(),
  boltPattern: text('Bolt pattern', 40).allow('').required(),
}).label('Gearbox');

const SENTENCE: Record<VariantProblem['problem'], string> = {
  yearsTurned: 'is before the first year',
  tyreUnreadable: 'cannot be read: write it like 165/80 R 13, 5.20 x 13 or 6.00-16',
  wheelbaseTooLong: 'does not go into the length of the vehicle',
  axlesOverGross: 'is less than the vehicle weighs empty',
  outOfBody: 'lies outside the body',
  sameKey: 'has the key of another one',
  ratiosNotFalling: 'must be less than the gear before it',
};

const own = {
  makerName: text('Maker', 60).required(),
  modelName: text('Model', 60).required(),
  name: text('Variant', 60).required(),
  yearFrom: whole('First year', 1880, 2100).required(),
  yearTo: whole('Last year', 1880, 2100).required(),
  layout: choice('Engine', 'front', 'mid', 'rear'),
  drivenAxle: choice('Driven', 'front', 'rear', 'both'),
  cooling: choice('Cooling', 'radiator', 'air'),
  brakeServo: choice('Brake servo', 'none', 'engineVacuum', 'other'),
  steering: choice('Steering', 'manual', 'enginePump'),
  systemVoltage: Joi.number<12 | 24>().valid(12, 24).label('Low voltage').required(),
  tyre: text('Tyre', 40).required(),
  liftPads: Joi.object({ frontMm: at('Front pads'), rearMm: at('Rear pads') }),
  travel: Joi.object({
    droopMm: quantity('Wheel down to full droop', 'length', 0, 500).required(),
    bumpMm: quantity('Wheel up to full bump', 'length', 0, 500).required(),
  }),
  towing: Joi.object({
    massKg: quantity('May tow', 'mass', 0, 20_000).required(),
    ballKg: quantity('On the ball', 'mass', 0, 2000).required(),
  }),
  steeringSide: Joi.string().valid('left', 'right').label('Driven from'),
  frontBrakeShare: quantity('Front share of the brakes', 'share', 0.05, 0.95),
  shape: Joi.object({
    style: choice('Body', 'van', 'bus', 'lorry', 'fourByFour', 'tug', 'open'),
    frontOverhangMm: size('Front overhang'),
    bonnetMm: quantity('Bonnet', 'length', 0, 5000).required(),
    bonnetHeightMm: size('Height of the bonnet'),
    screenRunMm: quantity('Run of the screen', 'length', 0, 3000).required(),
    cabEndMm: size('End of the cab'),
  }).required(),
  figures: figures.required(),
  gearbox: gearbox.required(),
  driveline: Joi.array().items(drivelinePart).max(20).label('Driveline').required(),
  driveModes: Joi.array().items(driveMode).max(8).label('Drive modes'),
  removed: Joi.array().items(removed).max(40).label('What comes out').required(),
  mountingPoints: Joi.array().items(mountingPoint).max(80).label('Points').required(),
  bays: Joi.array().items(bay).max(20).label('Bays').required(),
  passThroughs: Joi.array().items(pass).max(40).label('Passes').required(),
  openings: Joi.array().items(opening).max(20).label('Openings'),
  instruments: Joi.array().items(instrument).max(30).label('Instruments'),
  moving: Joi.array()
    .items(
      Joi.object({
        name: text('What moves', 60).required(),
        xMm: quantity('Aft', 'length', -3000, 20_000).required(),
        yMm: quantity('To the right', 'length', -3000, 3000).required(),
        zMm: quantity('Up', 'length', 0, 5000).required(),
        lengthMm: quantity('Length', 'length', 1, 3000).required(),
        widthMm: quantity('Width', 'length', 1, 3000).required(),
        heightMm: quantity('Height', 'length', 1, 3000).required(),
        droopMm: quantity('Down at full droop', 'length', 0, 1000).required(),
        bumpMm: quantity('Up at full bump', 'length', 0, 1000).required(),
      }),
    )
    .max(40)
    .label('What moves'),
  luggage: Joi.array()
    .items(
      Joi.object({
        name: text('Luggage goes', 60).required(),
        litres: quantity('Room', 'volume', 1, 100_000).required(),
        bay: text('Bay', 60),
      }),
    )
    .max(12)
    .label('Luggage'),
  displaced: Joi.array()
    .items(
      Joi.object({
        name: text('What stands there', 60).required(),
        bay: text('Bay', 60).required(),
        spareWheel: Joi.boolean().label('Spare wheel'),
      }),
    )
    .max(40)
    .label('What stands in the bays'),
};

/** Joi tells one fault of a custom rule; the others follow once it is mended. */
const holds = (body: VariantBody, helpers: Joi.CustomHelpers) => {
  const [first] = variantProblems(body);
  if (!first) return body;
  return faultAt(helpers, first.path, fieldName(body, first.path), SENTENCE[first.problem]);
};
function fieldName(body: VariantBody, path: string): string {
  const [list, index] = path.split('.');
  if (list === 'bays') return `The bay “${body.bays[Number(index)]?.name}”`;
  if (list === 'openings') return `The opening “${body.openings?.[Number(index)]?.name}”`;
  if (list === 'mountingPoints') return `The point “${body.mountingPoints[Number(index)]?.name}”`;
  if (path === 'yearTo') return 'Last year';
  if (path === 'tyre') return 'This tyre size';
  if (path.startsWith('gearbox')) return `Gear ${Number(path.split('.')[2]) + 1}`;
  return path.includes('wheelbase') ? 'Wheelbase' : 'Gross mass';
}

export const variantSchema = Joi.object(own).custom(holds) as unknown as Joi.ObjectSchema<Mutable<VariantBody>>;

/** Format of vehicle models as a file; docs/model.schema.json describes it. */
export const MODEL_FILE = { format: 'dajo models', version: 1 } as const;
const format = Joi.string().valid(MODEL_FILE.format).label('Format').required();
const fileVersion = Joi.number()
  .valid(MODEL_FILE.version)
  .label('Version')
  .messages({ 'any.only': 'This file is of a newer Dajo than this one. Ask for one of version 1, or update.' })
  .required();
/** The file itself; its models are held against their schema one by one, so that each fault is told at its own. */
export const modelFileHeadSchema = Joi.object({
  format,
  version: fileVersion,
  variants: Joi.array().items(Joi.any()).label('Models').required(),
});
export const modelFileSchema = Joi.object({
  format,
  version: fileVersion,
  variants: Joi.array().items(variantSchema).label('Models').required(),
});
const LARGEST_MODELS = 8_000_000;

export interface VariantChange {
  readonly variant: VariantBody;
  readonly version: number;
}
const changeSchema = Joi.object<Mutable<VariantChange>, true>({ variant: variantSchema.required(), version } as never);

/** Another revision of the vehicle's own variant, taken for this vehicle. */
export interface RevisionTaken {
  readonly variantId: string;
  /** The one it has until now, as the person saw it. */
  readonly was: string;
}

export const variantAddress = {
  list: address({ method: 'get', path: '/variants', may: 'viewer', answer: answers<readonly Variant[]>() }),
  /** One of them, with all its revisions. */
  family: address({ method: 'get', path: '/variants/:variant', may: 'viewer', answer: answers<readonly Variant[]>() }),
  add: address({
    method: 'post',
    path: '/variants',
    may: 'technician',
    body: variantSchema,
    answer: answers<Made>(),
  }),
  change: address({
    method: 'put',
    path: '/variants/:variant',
    may: 'technician',
    body: changeSchema,
    /** Its id is another one where vehicles have the old one: they keep it. */
    answer: answers<Made & Versioned>(),
  }),
  csv: address({ method: 'get', path: '/models/table.csv', may: 'viewer', answer: A_FILE }),
  file: address({ method: 'get', path: '/models/file.json', may: 'viewer', answer: A_FILE }),
  takeIn: address({
    method: 'post',
    path: '/models/table',
    may: 'technician',
    body: tableSchema(LARGEST_MODELS),
    size: tableSize(LARGEST_MODELS),
    answer: answers<TakenIn>(),
  }),
  undo: address({
    method: 'post',
    path: '/models/taken-in/:id/undo',
    may: 'technician',
    answer: answers<{ readonly undone: number }>(),
  }),
  take: address({
    method: 'put',
    path: '/jobs/:number/vehicle-variant',
    act: 'measure',
    body: Joi.object<RevisionTaken, true>({
      variantId: slug('Variant').required(),
      was: slug('Variant until now').required(),
    }),
    answer: answers<Made>(),
  }),
} as const;
