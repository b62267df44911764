import Joi from 'joi';
import type {
  BoxChoice,
  DesignInputs,
  DriveChoice,
  ElectricChoice,
  ItemChoice,
  OtherChoice,
} from '../core/design/inputs.ts';
import type { CurvePoint } from '../core/drive/motorCurve.ts';
import type { ShaftChoice } from '../core/drive/shafts.ts';
import type { LvLoad } from '../core/lowvoltage/loads.ts';
import { BOLT_GRADES, BOLT_SIZES, type BoxHold, type HoldingG } from '../core/pack/holding.ts';
import { A_FILE, address, answers } from './address.ts';
import type { Made, Versioned } from './fields.ts';
import { componentId, type Mutable, number, quantity, slug, text, version, versionSchema, whole } from './fields.ts';

export interface StoredDesign {
  readonly id: string;
  readonly name: string;
  readonly inputs: DesignInputs;
  readonly version: number;
  /** Instant at which it was sold and frozen; a change then makes a new design that follows it. */
  readonly frozenAt: string | null;
  /** The frozen design this one follows. */
  readonly followsId: string | null;
}

/** One stored change of a design, newest first in a list. */
export interface DesignChange {
  readonly at: string;
  readonly by: string;
  readonly what: string;
  readonly name: string;
  readonly inputs: DesignInputs;
  /** What it was before; null where it was made. */
  readonly before: DesignInputs | null;
}

export const hold = Joi.object<BoxHold, true>({
  bolts: whole('Bolts', 1, 100).required(),
  size: Joi.string()
    .valid(...BOLT_SIZES)
    .label('Size of bolts')
    .required(),
  grade: Joi.string()
    .valid(...BOLT_GRADES)
    .label('Grade of bolts')
    .required(),
  strapsN: quantity('Straps hold', 'force', 1, 10_000_000).allow(null).required(),
  bracketsN: quantity('Brackets hold', 'force', 1, 10_000_000).allow(null).required(),
}).label('What holds the box');
export const holdingG = Joi.object<HoldingG, true>({
  forwards: number('Forwards', 0.5, 100).required(),
  sideways: number('Sideways', 0.5, 100).required(),
  backwards: number('Backwards', 0.5, 100).required(),
  vertical: number('Up and down', 0.5, 100).required(),
}).label('Accelerations');
const box = Joi.object<BoxChoice, true>({
  bay: text('Bay', 60).required(),
  modules: whole('Modules in this bay', 0, 400).required(),
  shiftMm: quantity('Shift', 'length', -2000, 2000).required(),
  shiftYMm: quantity('Shift to the side', 'length', -2000, 2000),
  shiftZMm: quantity('Shift up', 'length', -2000, 2000),
  moduleId: componentId('Module of this box').allow(null),
  parallel: whole('Modules in parallel', 1, 20).allow(null),
  pack: Joi.number().valid(1, 2).label('Pack'),
  hold: hold.allow(null),
});
const other = Joi.object<OtherChoice, true>({
  componentId: componentId('Component').required(),
  quantity: whole('Quantity', 1, 500).required(),
  xMm: quantity('Place', 'length', -3000, 15_000).allow(null).required(),
  yMm: quantity('Place across', 'length', -2000, 2000).allow(null),
});
const item = Joi.object<ItemChoice, true>({
  name: text('Item', 60).required(),
  massKg: quantity('Mass of the item', 'mass', -2000, 2000).required(),
  xMm: quantity('Place of the item', 'length', -3000, 15_000).required(),
  yMm: quantity('Place of the item across', 'length', -2000, 2000).required(),
});
const point = Joi.object<CurvePoint, true>({
  rpm: quantity('Speed', 'rotation', 0, 40_000).required(),
  peakNm: quantity('Peak torque', 'torque', 0, 10_000).required(),
  continuousNm: quantity('Continuous torque', 'torque', 0, 10_000).required(),
});
const curve = Joi.array()
  .items(point)
  .min(2)
  .max(60)
  .custom((points: CurvePoint[], helpers) =>
    points.every((p, i) => i === 0 || p.rpm > points[i - 1]!.rpm)
      ? points
      : helpers.error('string.pattern.name', { name: 'must rise in speed from point to point' }),
  )
  .label('Torque curve');
const shaft = Joi.object<ShaftChoice, true>({
  name: text('Shaft', 60).required(),
  joint: Joi.string().valid('cross', 'ball').label('Joint').required(),
  alongMm: quantity('Between the joints', 'length', 20, 4000).required(),
  restMm: quantity('Offset at rest', 'length', -1000, 1000).required(),
  droopMm: quantity('Offset at full droop', 'length', -1000, 1000).required(),
  bumpMm: quantity('Offset at full bump', 'length', -1000, 1000).required(),
  travelMm: quantity('Travel of the joint', 'length', 0, 500).allow(null).required(),
  limitDeg: number('Angle of the joint', 0.1, 60).allow(null).required(),
});
const drive = Joi.object<Mutable<Partial<DriveChoice>>, true>({
  motors: Joi.number().valid(1, 2).label('Motors'),
  reduction: quantity('Reduction', 'ratio', 0.2, 60).allow(null),
  shifting: Joi.boolean().label('Changing gear'),
  shiftTimeS: quantity('Time to change gear', 'duration', 0, 10),
  transferLow: Joi.boolean().label('Low ratio'),
  powerCapW: quantity('Power cap', 'shaftPower', 500, 2_000_000).allow(null),
  efficiency: quantity('Efficiency', 'share', 0.2, 0.99).allow(null),
  curve: curve.allow(null),
  regenShare: quantity('Share of braking', 'share', 0, 1),
  regenPowerW: quantity('Regeneration power', 'electricPower', 0, 1_000_000).allow(null),
  regenCeiling: quantity('Regeneration ceiling', 'share', 0, 1),
  forbiddenModes: Joi.array().items(slug('Drive mode')).max(8).unique().label('Drive modes locked out'),
  shafts: Joi.array().items(shaft).max(12).label('Shafts'),
}).label('Drive');
const load = Joi.object<LvLoad, true>({
  name: text('Load', 60).required(),
  watts: quantity('Watts', 'watts', 0, 5000).required(),
  day: quantity('Share by day', 'share', 0, 1).required(),
  nightWet: quantity('Share on a wet night', 'share', 0, 1).required(),
  worst: quantity('Share in the worst case', 'share', 0, 1).required(),
  parked: quantity('Share parked', 'share', 0, 1),
  charging: quantity('Share while charging', 'share', 0, 1),
  night: quantity('Share by night', 'share', 0, 1),
  wet: quantity('Share on a wet day', 'share', 0, 1),
});
const electric = Joi.object<Mutable<Partial<ElectricChoice>>, true>({
  prechargeS: quantity('Precharge time', 'duration', 0.05, 30),
  prechargeShare: quantity('Precharge share', 'share', 0.5, 0.999),
  cableLengthM: quantity('Cable length', 'height', 0.1, 50),
  cableDrop: quantity('Voltage drop', 'smallShare', 0.001, 0.2),
  cableC: quantity('Conductor temperature', 'temperature', -40, 150),
  bendFactor: number('Bend factor', 1, 20),
  ampacity: Joi.object()
    .pattern(componentId('Cable'), quantity('What a cable carries', 'current', 1, 2000))
    .max(60)
    .label('Ampacity') as unknown as Joi.ObjectSchema<Record<string, number>>,
  lvLoads: Joi.array().items(load).max(40).allow(null).label('Loads'),
}).label('Electrics');

export const designInputsSchema = Joi.object<Mutable<DesignInputs>, true>({
  format: Joi.number().valid(1).label('Format').required(),
  moduleId: componentId('Module').allow(null).required(),
  measuredAh: quantity('Measured capacity', 'charge', 1, 2000).allow(null),
  measuredOhm: quantity('Measured resistance', 'resistance', 0.0001, 10).allow(null),
  packs: Joi.string().valid('one', 'series', 'parallel').label('Packs'),
  packCooling: Joi.string().valid('air', 'liquid').label('Cooling of the pack'),
  strings: whole('Strings', 1, 20).required(),
  boxes: Joi.array().items(box).max(12).label('Boxes').required(),
  holdingG,
  clearanceMm: quantity('Room round a box', 'length', 0, 200),
  usableShare: quantity('Usable share', 'share', 0.3, 1).required(),
  driveId: componentId('Drive').allow(null).required(),
  inverterId: componentId('Inverter').allow(null).required(),
  gear: whole('Gear', 1, 12).allow(null).required(),
  torqueCapNm: quantity('Torque cap', 'torque', 1, 5000).allow(null).required(),
  drive,
  chargerId: componentId('Charger').allow(null).required(),
  inletId: componentId('Inlet').allow(null).required(),
  dcMaxW: quantity('DC power', 'electricPower', 1000, 1_000_000).allow(null),
  electric,
  items: Joi.array().items(item).max(60).label('Items'),
  others: Joi.array().items(other).max(120).label('Other parts').required(),
}).label('Design');

export interface NewDesign {
  readonly name: string;
  readonly inputs: DesignInputs;
}
const name = text('Name of the design', 60).required();
const newDesignSchema = Joi.object<Mutable<NewDesign>, true>({ name, inputs: designInputsSchema.required() });
const designChangeSchema = Joi.object<Mutable<NewDesign> & { version: number }, true>({
  name,
  inputs: designInputsSchema.required(),
  version,
});

export const DESIGN_FILE = { format: 'workshop-design', formatVersion: 1 } as const;

/** A design as a file: docs/design.schema.json describes it. Components go by their ids in the library. */
export interface DesignFile {
  readonly format: typeof DESIGN_FILE.format;
  readonly formatVersion: typeof DESIGN_FILE.formatVersion;
  readonly name: string;
  /** Variant it was made for, for the reader; a design can be taken to another one. */
  readonly variant: string;
  readonly inputs: DesignInputs;
  /** Figures at the time of export, in base units, for readers without the catalogue; ignored on import. */
  readonly figures?: Readonly<Record<string, number>>;
}

export const designFileSchema = Joi.object<Mutable<DesignFile>, true>({
  format: Joi.string().valid(DESIGN_FILE.format).label('Format').required(),
  formatVersion: Joi.number().valid(DESIGN_FILE.formatVersion).label('Format version').required(),
  name,
  variant: text('Variant', 120).allow('').required(),
  inputs: designInputsSchema.required(),
  figures: Joi.object().pattern(Joi.string().max(60), Joi.number()).label('Figures'),
});

export const designAddress = {
  add: address({
    method: 'post',
    path: '/jobs/:number/designs',
    act: 'design',
    body: newDesignSchema,
    answer: answers<Made>(),
  }),
  change: address({
    method: 'put',
    path: '/designs/:id',
    act: 'design',
    body: designChangeSchema,
    answer: answers<Made & Versioned>(),
  }),
  sell: address({
    method: 'put',
    path: '/designs/:id/sold',
    act: 'sellDesign',
    body: versionSchema,
    answer: answers<Versioned>(),
  }),
  history: address({ method: 'get', path: '/designs/:id/history', may: 'viewer', answer: answers<DesignChange[]>() }),
  takeIn: address({
    method: 'post',
    path: '/jobs/:number/designs/import',
    act: 'design',
    body: designFileSchema,
    answer: answers<Made>(),
  }),
  file: address({ method: 'get', path: '/designs/:id/design.json', may: 'viewer', answer: A_FILE }),
  paper: address({ method: 'get', path: '/designs/:id/sheet.pdf', may: 'viewer', answer: A_FILE }),
} as const;
