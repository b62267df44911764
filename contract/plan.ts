import Joi from 'joi';
import { PLACE_KINDS, type Plan, type PlannedPlace } from '../core/floor/plan.ts';
import { address, answers } from './address.ts';
import { type Mutable, number, slug, text, type Versioned, version, whole } from './fields.ts';

/** The building and its places, saved together. Places that are left out are given up. */
export interface PlanBody extends Plan {
  readonly version: number;
}
const metres = (label: string, least: number, most: number) => number(label, least, most);
const place = Joi.object<Mutable<PlannedPlace>, true>({
  id: slug('Place').allow(null).required(),
  name: text('Name', 60).required(),
  kind: Joi.string()
    .valid(...PLACE_KINDS)
    .label('Kind')
    .required(),
  lift: Joi.boolean().label('Lift').required(),
  alignment: Joi.boolean().label('Alignment').required(),
  xM: metres('From the left', -200, 200).required(),
  yM: metres('From the top', -200, 200).required(),
  widthM: metres('Width', 0.5, 200).required(),
  lengthM: metres('Length', 0.5, 200).required(),
  slots: whole('Vehicles at a time', 1, 50).allow(null).default(null),
  slotDays: Joi.array()
    .items(whole('Day of the week', 1, 7))
    .unique()
    .label('Days of the week')
    .default([]) as never,
});
const planSchema = Joi.object<Mutable<PlanBody>, true>({
  building: Joi.object<Plan['building'], true>({
    widthM: metres('Width of the building', 3, 200).required(),
    lengthM: metres('Length of the building', 3, 200).required(),
  }).required(),
  places: Joi.array()
    .items(place)
    .max(80)
    .unique(
      (a: Partial<PlannedPlace> | null, b: Partial<PlannedPlace> | null) => typeof a?.id === 'string' && a.id === b?.id,
    )
    .label('Places')
    .required(),
  version,
});

export const planAddress = {
  change: address({
    method: 'put',
    path: '/floor/plan',
    may: 'manager',
    body: planSchema,
    answer: answers<Versioned>(),
  }),
} as const;
