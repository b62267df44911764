import Joi from 'joi';
import type { RangeClaim } from '../core/brief/rangeClaims.ts';
import type { CostInputs } from '../core/charge/runningCost.ts';
import type { NamedSupply, RunsUse, Trailer, VehicleUse } from '../core/figures/slots.ts';
import { address, answers } from './address.ts';
import type { Versioned } from './fields.ts';
import { type Mutable, number, quantity, text, version, whole } from './fields.ts';

const round = Joi.object<NonNullable<VehicleUse['round']>, true>({
  lengthKm: quantity('Length of the round', 'distance', 0.5, 1000).required(),
  stops: whole('Stops', 0, 500).required(),
  meanKmh: quantity('Mean speed', 'speed', 2, 120).required(),
  climbM: quantity('Climb', 'height', 0, 10_000).required(),
}).label('Round');

const supplyFields = {
  volts: quantity('Supply voltage', 'voltage', 90, 500).required(),
  amps: quantity('Supply current', 'current', 1, 400).required(),
  phases: Joi.number<1 | 3>().valid(1, 3).label('Phases').required(),
};

const cost = Joi.object<CostInputs, true>({
  centsPerKwh: number('Price of a kWh', 0, 1000).required(),
  litresPer100Km: number('Fuel before', 0, 100).required(),
  centsPerLitre: number('Price of fuel', 0, 2000).required(),
  kmPerYear: quantity('Distance a year', 'distance', 0, 500_000).required(),
  gramsCo2PerKwh: number('CO₂ of electricity', 0, 3000).required(),
  gramsCo2PerLitre: number('CO₂ of fuel', 0, 6000).required(),
}).label('Cost');

export const useSchema = Joi.object<Mutable<VehicleUse>, true>({
  round: round.allow(null).required(),
  roundWords: text('The round in words', 300).allow(''),
  constantKmh: quantity('Steady speed', 'speed', 5, 160).required(),
  payloadKg: quantity('Load', 'mass', 0, 20_000).required(),
  runs: Joi.object<Mutable<RunsUse>, true>({
    distanceM: quantity('Length of a run', 'height', 20, 20_000).required(),
    restS: quantity('Rest between runs', 'duration', 0, 86_400).required(),
    airM3h: quantity('Air through the pack', 'airFlow', 0, 20_000).required(),
  })
    .allow(null)
    .label('Runs'),
  trailer: Joi.object<Mutable<Trailer>, true>({
    massKg: quantity('Mass of the trailer', 'mass', 1, 10_000).required(),
    ballKg: quantity('Load on the tow ball', 'mass', 0, 1000)
      .max(Joi.ref('massKg'))
      .messages({ 'number.max': '{{#label}} cannot be more than the trailer weighs.' })
      .required(),
    dragAreaM2: quantity('Drag area of the trailer', 'area', 0, 20).required(),
  })
    .allow(null)
    .label('Trailer'),
  ambientC: quantity('Air temperature', 'temperature', -40, 55).required(),
  altitudeM: quantity('Altitude', 'height', -400, 5000).required(),
  headwindMs: number('Wind against', -30, 30).required(),
  auxiliaryW: quantity('Accessories', 'watts', 0, 10_000).required(),
  heaterW: quantity('Heater', 'watts', 0, 20_000).required(),
  seatsW: quantity('Heated seats', 'watts', 0, 2000),
  supply: Joi.object<VehicleUse['supply'], true>(supplyFields).label('Supply').required(),
  otherSupplies: Joi.array()
    .items(Joi.object<NamedSupply, true>({ name: text('Name of the supply', 40).required(), ...supplyFields }))
    .max(8)
    .label('Supplies'),
  dcPostW: quantity('Rapid charging post', 'electricPower', 1000, 1_000_000).allow(null),
  dcPostA: quantity('Amperes of the post', 'current', 1, 2000).allow(null),
  homeAtH: quantity('Hour of coming home', 'clock', 0, 24),
  cost,
  rangeClaims: Joi.array()
    .items(
      Joi.object<RangeClaim, true>({
        modules: whole('Modules', 1, 400).required(),
        km: quantity('Range', 'distance', 1, 3000).required(),
        says: text('Who says so', 120).required(),
      }),
    )
    .max(12)
    .label('Ranges others claim'),
}).label('Use');

export interface UseChange {
  readonly use: VehicleUse;
  readonly version: number;
}
const useChangeSchema = Joi.object<Mutable<UseChange>, true>({ use: useSchema.required(), version });

export const vehicleUseAddress = {
  change: address({
    method: 'put',
    path: '/jobs/:number/use',
    act: 'use',
    body: useChangeSchema,
    answer: answers<Versioned>(),
  }),
} as const;
