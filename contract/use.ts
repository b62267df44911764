import Joi from 'joi';
import type { VehicleUse } from '../core/figures/slots.ts';
import { number, version, whole } from './fields.ts';

const round = Joi.object<NonNullable<VehicleUse['round']>, true>({
  lengthKm: number('Length of the round', 0.5, 1000).required(),
  stops: whole('Stops', 0, 500).required(),
  meanKmh: number('Mean speed', 2, 120).required(),
  climbM: number('Climb', 0, 10_000).required(),
}).label('Round');

export const useSchema = Joi.object<VehicleUse, true>({
  round: round.allow(null).required(),
  constantKmh: number('Steady speed', 5, 160).required(),
  payloadKg: number('Load', 0, 20_000).required(),
  ambientC: number('Air temperature', -40, 55).required(),
  altitudeM: number('Altitude', -400, 5000).required(),
  headwindMs: number('Wind against', -30, 30).required(),
  auxiliaryW: number('Accessories', 0, 10_000).required(),
  heaterW: number('Heater', 0, 20_000).required(),
  supply: Joi.object<VehicleUse['supply'], true>({
    volts: number('Supply voltage', 90, 500).required(),
    amps: number('Supply current', 1, 400).required(),
    phases: Joi.number().valid(1, 3).label('Phases').required(),
  })
    .label('Supply')
    .required(),
}).label('Use');

export interface UseChange {
  readonly use: VehicleUse;
  readonly version: number;
}
export const useChangeSchema = Joi.object<UseChange, true>({ use: useSchema.required(), version });

/** What a new job starts from until somebody asks the client: a mild day, the level, an ordinary socket. */
export const USUAL_USE: VehicleUse = {
  round: null,
  constantKmh: 60,
  payloadKg: 150,
  ambientC: 15,
  altitudeM: 0,
  headwindMs: 0,
  auxiliaryW: 250,
  heaterW: 0,
  supply: { volts: 230, amps: 16, phases: 1 },
};
