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
import type { LvLoad } from '../core/lowvoltage/loads.ts';
import { type Mutable, number, slug, text, version, whole } from './fields.ts';

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

const box = Joi.object<BoxChoice, true>({
  bay: text('Bay', 60).required(),
  modules: whole('Modules in this bay', 0, 400).required(),
  shiftMm: number('Shift', -2000, 2000).required(),
  shiftYMm: number('Shift to the side', -2000, 2000),
  shiftZMm: number('Shift up', -2000, 2000),
  moduleId: slug('Module of this box').allow(null),
  parallel: whole('Modules in parallel', 1, 20).allow(null),
  pack: Joi.number().valid(1, 2).label('Pack'),
});
const other = Joi.object<OtherChoice, true>({
  componentId: slug('Component').required(),
  quantity: whole('Quantity', 1, 500).required(),
  xMm: number('Place', -3000, 15_000).allow(null).required(),
  yMm: number('Place across', -2000, 2000).allow(null),
});
const item = Joi.object<ItemChoice, true>({
  name: text('Item', 60).required(),
  massKg: number('Mass of the item', -2000, 2000).required(),
  xMm: number('Place of the item', -3000, 15_000).required(),
  yMm: number('Place of the item across', -2000, 2000).required(),
});
const point = Joi.object<CurvePoint, true>({
  rpm: number('Speed', 0, 40_000).required(),
  peakNm: number('Peak torque', 0, 10_000).required(),
  continuousNm: number('Continuous torque', 0, 10_000).required(),
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
const drive = Joi.object<Mutable<Partial<DriveChoice>>, true>({
  motors: Joi.number().valid(1, 2).label('Motors'),
  reduction: number('Reduction', 0.2, 60).allow(null),
  shifting: Joi.boolean().label('Changing gear'),
  shiftTimeS: number('Time to change gear', 0, 10),
  transferLow: Joi.boolean().label('Low ratio'),
  powerCapW: number('Power cap', 500, 2_000_000).allow(null),
  efficiency: number('Efficiency', 0.2, 0.99).allow(null),
  curve: curve.allow(null),
  regenShare: number('Share of braking', 0, 1),
  regenPowerW: number('Regeneration power', 0, 1_000_000).allow(null),
  regenCeiling: number('Regeneration ceiling', 0, 1),
}).label('Drive');
const load = Joi.object<LvLoad, true>({
  name: text('Load', 60).required(),
  watts: number('Watts', 0, 5000).required(),
  day: number('Share by day', 0, 1).required(),
  nightWet: number('Share on a wet night', 0, 1).required(),
  worst: number('Share in the worst case', 0, 1).required(),
});
const electric = Joi.object<Mutable<Partial<ElectricChoice>>, true>({
  prechargeS: number('Precharge time', 0.05, 30),
  prechargeShare: number('Precharge share', 0.5, 0.999),
  cableLengthM: number('Cable length', 0.1, 50),
  cableDrop: number('Voltage drop', 0.001, 0.2),
  cableC: number('Conductor temperature', -40, 150),
  bendFactor: number('Bend factor', 1, 20),
  ampacity: Joi.object()
    .pattern(slug('Cable'), number('What a cable carries', 1, 2000))
    .max(60)
    .label('Ampacity') as unknown as Joi.ObjectSchema<Record<string, number>>,
  lvLoads: Joi.array().items(load).max(40).allow(null).label('Loads'),
}).label('Electrics');

export const designInputsSchema = Joi.object<Mutable<DesignInputs>, true>({
  format: Joi.number().valid(1).label('Format').required(),
  moduleId: slug('Module').allow(null).required(),
  measuredAh: number('Measured capacity', 1, 2000).allow(null),
  packs: Joi.string().valid('one', 'series', 'parallel').label('Packs'),
  packCooling: Joi.string().valid('air', 'liquid').label('Cooling of the pack'),
  strings: whole('Strings', 1, 20).required(),
  boxes: Joi.array().items(box).max(12).label('Boxes').required(),
  usableShare: number('Usable share', 0.3, 1).required(),
  driveId: slug('Drive').allow(null).required(),
  inverterId: slug('Inverter').allow(null).required(),
  gear: whole('Gear', 1, 12).allow(null).required(),
  torqueCapNm: number('Torque cap', 1, 5000).allow(null).required(),
  drive,
  chargerId: slug('Charger').allow(null).required(),
  inletId: slug('Inlet').allow(null).required(),
  dcMaxW: number('DC power', 1000, 1_000_000).allow(null),
  electric,
  items: Joi.array().items(item).max(60).label('Items'),
  others: Joi.array().items(other).max(120).label('Other parts').required(),
}).label('Design');

export interface NewDesign {
  readonly name: string;
  readonly inputs: DesignInputs;
}
const name = text('Name of the design', 60).required();
export const newDesignSchema = Joi.object<Mutable<NewDesign>, true>({ name, inputs: designInputsSchema.required() });
export const designChangeSchema = Joi.object<Mutable<NewDesign> & { version: number }, true>({
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
