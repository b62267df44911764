import Joi from 'joi';
import { TAX_RULES } from '../core/money/tax.ts';
import {
  type ForeignPrice,
  type HoursEstimate,
  LINE_GROUPS,
  LINE_KINDS,
  type OfferBody,
  type OfferLine,
  type QuotedStage,
} from '../core/offer/offer.ts';
import { CURRENCY_IDS } from '../core/quantity/currency.ts';
import { componentId, faultAt, isoDate, type Mutable, number, text, whole } from './fields.ts';

/** The largest amount that is typed, minor units. */
export const CENTS = 1_000_000_000;
/** A price as it was asked in another currency; null where it was the own one. */
export const foreignPrice = Joi.object<Mutable<ForeignPrice>, true>({
  currency: Joi.string()
    .valid(...CURRENCY_IDS)
    .label('Currency')
    .required(),
  cents: whole('Price there', -CENTS, CENTS).required(),
  rateMillionths: whole('Rate', 1, 2_000_000_000).required(),
  rateDay: isoDate('Rate of').required(),
})
  .allow(null)
  .label('Price in another currency')
  .required();
const line = Joi.object<Mutable<OfferLine>, true>({
  key: text('Line', 100).min(1).required(),
  kind: Joi.string()
    .valid(...LINE_KINDS)
    .required(),
  group: Joi.string()
    .valid(...LINE_GROUPS)
    .required(),
  text: text('What it is', 200).min(1).required(),
  componentId: componentId('Part').allow(null).required(),
  skill: text('Skill', 60).allow('', null).required(),
  quantity: number('Quantity', -1_000_000, 1_000_000).required(),
  unitCents: whole('Price', -CENTS, CENTS).required(),
  addShare: number('Added', -1, 5).required(),
  taxShare: number('Tax', 0, 1).required(),
  foreign: foreignPrice,
  estimate: Joi.object<Mutable<HoursEstimate>, true>({
    hours: number('Hours', 0, 100_000).required(),
    lowHours: number('Least hours', 0, 100_000).required(),
    highHours: number('Most hours', 0, 100_000).required(),
    vehicles: whole('Vehicles', 0, 1000).required(),
  })
    .allow(null)
    .required(),
}).custom((one: OfferLine, helpers) => {
  if ((one.kind === 'part') !== (one.componentId !== null)) return faultAt(helpers, 'componentId', 'Part', 'is needed');
  if (one.kind === 'work' && one.skill === null) return faultAt(helpers, 'skill', 'Skill', 'is needed');
  return one;
});
/** Lines of an offer, a change or a sale. */
export const offerLines = Joi.array().items(line).max(400).unique('key').label('Lines').required();

export const offerBodySchema = Joi.object<Mutable<OfferBody>, true>({
  lines: offerLines,
  stages: Joi.array()
    .items(
      Joi.object<Mutable<QuotedStage>, true>({
        key: text('Stage', 80).min(1).required(),
        name: text('Stage', 120).required(),
        skill: text('Skill', 60).allow('').required(),
        hours: number('Hours', -10_000, 10_000).required(),
      }),
    )
    .max(200)
    .label('Stages')
    .required(),
  contingencyShare: number('In case', 0, 1).required(),
  roundToCents: whole('Rounded to', 1, 1_000_000).required(),
  taxRule: Joi.string()
    .valid(...TAX_RULES)
    .label('Tax rounded')
    .required(),
  taxShare: number('Tax', 0, 1).required(),
  open: Joi.boolean().label('Client sees each line').required(),
  note: text('Words to the client', 2000).allow('').required(),
  validUntil: isoDate('Stands until').required(),
});
