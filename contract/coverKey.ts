import Joi from 'joi';
import { COMPANION_KEY } from '../core/fit/cover.ts';
import { VEHICLE_FUNCTIONS } from '../core/fit/functions.ts';

/** What is settled in a cover: a function of the vehicle, or what a part needs beside it. */
export const coverKey = Joi.string()
  .pattern(new RegExp(`^(${VEHICLE_FUNCTIONS.join('|')})$|${COMPANION_KEY.source}`))
  .messages({ 'string.pattern.base': '{{#label}} is no function of a vehicle, nor what a part needs' });
