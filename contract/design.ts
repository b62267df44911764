import Joi from 'joi';
import type { BoxChoice, DesignInputs, OtherChoice } from '../core/design/inputs.ts';
import { type Mutable, number, slug, text, version, whole } from './fields.ts';

export interface StoredDesign {
  readonly id: string;
  readonly name: string;
  readonly inputs: DesignInputs;
  readonly version: number;
}

const box = Joi.object<BoxChoice, true>({
  bay: text('Bay', 60).required(),
  modules: whole('Modules in this bay', 0, 400).required(),
  shiftMm: number('Shift', -2000, 2000).required(),
});
const other = Joi.object<OtherChoice, true>({
  componentId: slug('Component').required(),
  quantity: whole('Quantity', 1, 500).required(),
  xMm: number('Place', -3000, 15_000).allow(null).required(),
});

export const designInputsSchema = Joi.object<Mutable<DesignInputs>, true>({
  format: Joi.number().valid(1).label('Format').required(),
  moduleId: slug('Module').allow(null).required(),
  strings: whole('Strings', 1, 20).required(),
  boxes: Joi.array().items(box).max(12).label('Boxes').required(),
  usableShare: number('Usable share', 0.3, 1).required(),
  driveId: slug('Drive').allow(null).required(),
  inverterId: slug('Inverter').allow(null).required(),
  gear: whole('Gear', 1, 12).allow(null).required(),
  torqueCapNm: number('Torque cap', 1, 5000).allow(null).required(),
  chargerId: slug('Charger').allow(null).required(),
  inletId: slug('Inlet').allow(null).required(),
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
