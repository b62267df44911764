import Joi from 'joi';
import type { CostInputs } from '../core/charge/runningCost.ts';
import type { NamedSupply, VehicleUse } from '../core/figures/slots.ts';
import { type Mutable, number, text, version, whole } from './fields.ts';

const round = Joi.object<NonNullable<VehicleUse['round']>, true>({
  lengthKm: number('Length of the round', 0.5, 1000).required(),
  stops: whole('Stops', 0, 500).required(),
  meanKmh: number('Mean speed', 2, 120).required(),
  climbM: number('Climb', 0, 10_000).required(),
}).label('Round');

const supplyFields = {
  volts: number('Supply voltage', 90, 500).required(),
  amps: number('Supply current', 1, 400).required(),
  phases: Joi.number<1 | 3>().valid(1, 3).label('Phases').required(),
};

const cost = Joi.object<CostInputs, true>({
  centsPerKwh: number('Price of a kWh', 0, 1000).required(),
  litresPer100Km: number('Fuel before', 0, 100).required(),
  centsPerLitre: number('Price of fuel', 0, 2000).required(),
  kmPerYear: number('Distance a year', 0, 500_000).required(),
  gramsCo2PerKwh: number('CO₂ of electricity', 0, 3000).required(),
  gramsCo2PerLitre: number('CO₂ of fuel', 0, 6000).required(),
}).label('Cost');

export const useSchema = Joi.object<Mutable<VehicleUse>, true>({
  round: round.allow(null).required(),
  roundWords: text('The round in words', 300).allow(''),
  constantKmh: number('Steady speed', 5, 160).required(),
  payloadKg: number('Load', 0, 20_000).required(),
  ambientC: number('Air temperature', -40, 55).required(),
  altitudeM: number('Altitude', -400, 5000).required(),
  headwindMs: number('Wind against', -30, 30).required(),
  auxiliaryW: number('Accessories', 0, 10_000).required(),
  heaterW: number('Heater', 0, 20_000).required(),
  seatsW: number('Heated seats', 0, 2000),
  supply: Joi.object<VehicleUse['supply'], true>(supplyFields).label('Supply').required(),
  otherSupplies: Joi.array()
    .items(Joi.object<NamedSupply, true>({ name: text('Name of the supply', 40).required(), ...supplyFields }))
    .max(8)
    .label('Supplies'),
  dcPostW: number('Rapid charging post', 1000, 1_000_000).allow(null),
  homeAtH: number('Hour of coming home', 0, 24),
  cost,
}).label('Use');

export interface UseChange {
  readonly use: VehicleUse;
  readonly version: number;
}
export const useChangeSchema = Joi.object<Mutable<UseChange>, true>({ use: useSchema.required(), version });

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
