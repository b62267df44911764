import Joi from 'joi';
import { TAX_RULES } from '../core/money/tax.ts';
import type { Evidence } from '../core/practice/evidence.ts';
import type { ClosedDay, Practice } from '../core/practice/practice.ts';
import { CURRENCY_IDS, type Currency } from '../core/quantity/currency.ts';
import { UNIT_SETS, type UnitChoice } from '../core/quantity/units.ts';
import { address, answers } from './address.ts';
import { holdingG } from './design.ts';
import { isoDate, type Mutable, number, quantity, slug, text, type Versioned, version, whole } from './fields.ts';

/** Where a workshop stands: decides later which evidence is wanted. */
export const REGIONS = ['eu', 'uk', 'us', 'other'] as const;
export type Region = (typeof REGIONS)[number];

/** What a workshop is, and what it reckons with. */
export interface WorkshopSettings {
  readonly name: string;
  readonly region: Region;
  readonly timeZone: string;
  readonly currency: Currency;
  /** On what it sells, 0..1. */
  readonly taxShare: number;
  /** Units of papers and of people who chose none. */
  readonly unitSet: UnitChoice;
  /** 1 Monday to 7 Sunday. */
  readonly workingDays: number[];
  /** Hours since midnight. */
  readonly dayStartH: number;
  readonly dayEndH: number;
  readonly breakH: number;
  /** An hour of work as sold. */
  readonly rateCents: number;
  /** Person-hours that usually go into one vehicle on a working day. */
  readonly hoursPerDay: number;
  /** What else it has set; the rest is common practice. */
  readonly practice: Partial<Practice>;
}
export type SettingName = keyof WorkshopSettings;

export interface Workshop extends WorkshopSettings {
  readonly version: number;
  /** Settings somebody has set; the others are common practice. */
  readonly own: readonly SettingName[];
}

/** What a workshop reckons with until it says otherwise; common practice. */
export const USUAL_SETTINGS: Omit<WorkshopSettings, 'name' | 'timeZone'> = {
  region: 'eu',
  currency: 'EUR',
  taxShare: 0.2,
  unitSet: 'metric',
  workingDays: [1, 2, 3, 4, 5],
  dayStartH: 8,
  dayEndH: 16.5,
  breakH: 1,
  rateCents: 5800,
  hoursPerDay: 13,
  practice: {},
};

/** Hours of one person's working day. */
export const dayHours = ({ dayStartH, dayEndH, breakH }: WorkshopSettings): number => dayEndH - dayStartH - breakH;

const isTimeZone = (zone: string): boolean => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
};
const timeZone = Joi.string()
  .max(60)
  .label('Time zone')
  .custom((zone: string, helpers) =>
    isTimeZone(zone)
      ? zone
      : helpers.error('string.pattern.name', { name: 'is none: write one like Europe/Lisbon or America/Denver' }),
  );

/** Prices are told in multiples of these, minor units. */
export const ROUNDINGS = [1, 10, 100, 500, 1000, 5000, 10_000] as const;

/** Days closed that a workshop may name: some years of them. */
const MOST_CLOSED = 400;
const practice = Joi.object<Mutable<Practice>, true>({
  decimalComma: Joi.boolean().label('Decimal comma'),
  firstJobNumber: whole('First job of a year', 1, 9999),
  closedDays: Joi.array()
    .items(
      Joi.object<ClosedDay, true>({
        day: isoDate('Closed day').required(),
        name: text('Name', 80).allow('').required(),
      }),
    )
    .max(MOST_CLOSED)
    .unique('day')
    .label('Closed days'),
  holdingG,
  ratesBySkill: Joi.object()
    .pattern(Joi.string().min(1).max(60), whole('Rate an hour', 0, 1_000_000).meta({ quantity: 'money' }).required())
    .max(30)
    .label('Rates by skill'),
  marginShare: quantity('Margin on parts', 'share', 0, 3),
  contingencyShare: quantity('Contingency', 'share', 0, 1),
  roundToCents: Joi.number()
    .valid(...ROUNDINGS)
    .label('Prices are rounded to'),
  clearanceMm: quantity('Room round a box', 'length', 0, 200),
  taxRule: Joi.string()
    .valid(...TAX_RULES)
    .label('Tax is rounded'),
  toldHours: quantity('A told day put off', 'hours', 0, 100),
  offerDays: whole('An offer stands', 1, 400),
  hourCostCents: whole('Cost of an hour', 0, 1_000_000).meta({ quantity: 'money' }).allow(null),
  evidence: Joi.object()
    .pattern(
      Joi.string().valid(...REGIONS),
      Joi.array()
        .items(
          Joi.object<Evidence, true>({
            key: slug('Paper').required(),
            what: text('Paper', 120).required(),
            giver: text('From whom', 80).allow('').required(),
          }),
        )
        .max(40)
        .unique('key')
        .label('Papers'),
    )
    .label('Papers by region'),
} as never).label('Practice');

const settings = {
  name: text('Name of the workshop', 80).required(),
  region: Joi.string()
    .valid(...REGIONS)
    .label('Region')
    .required(),
  timeZone: timeZone.required(),
  currency: Joi.string()
    .valid(...CURRENCY_IDS)
    .label('Currency')
    .required(),
  taxShare: quantity('Tax', 'share', 0, 0.5).required(),
  unitSet: Joi.string()
    .valid(...UNIT_SETS)
    .label('Units')
    .required(),
  workingDays: Joi.array()
    .items(whole('Working day', 1, 7))
    .min(1)
    .max(7)
    .unique()
    .label('Working days')
    .required(),
  dayStartH: quantity('Day begins', 'clock', 0, 23).required(),
  dayEndH: quantity('Day ends', 'clock', 0.5, 24)
    .greater(Joi.ref('dayStartH'))
    .messages({ 'number.greater': '{{#label}} before it begins.' })
    .required(),
  breakH: quantity('Breaks', 'hours', 0, 6)
    .less(Joi.expression('{dayEndH - dayStartH}'))
    .messages({ 'number.less': '{{#label}} cannot take the whole day.' })
    .required(),
  rateCents: whole('Rate an hour', 0, 1_000_000).meta({ quantity: 'money' }).required(),
  hoursPerDay: number('Person-hours a vehicle a day', 0.5, 200).required(),
  practice: practice.required(),
};
export interface WorkshopChange extends WorkshopSettings {
  readonly version: number;
}
export const settingsSchema = Joi.object<WorkshopSettings, true>(settings as never);
const changeSchema = Joi.object<WorkshopChange, true>({ ...settings, version } as never);

/** The sign-in of a person: what they type. */
export const signInName = text('Name to sign in with', 40)
  .lowercase()
  .pattern(/^[\p{L}\p{N}][\p{L}\p{N}._-]*$/u, { name: 'has only letters, figures, points and dashes' });
export const newPassword = Joi.string()
  .min(10)
  .max(200)
  .messages({ 'string.min': '{{#label}} is too short: ten characters or more.' })
  .label('Password');

/** Begins a workshop in an empty database, with its first manager. */
export interface Beginning
  extends Omit<WorkshopSettings, 'dayStartH' | 'dayEndH' | 'breakH' | 'rateCents' | 'hoursPerDay' | 'practice'> {
  readonly person: { readonly name: string; readonly signIn: string; readonly password: string };
  /** Take in the starter catalogues. */
  readonly lend: boolean;
  /** The word the start has printed, where the page is open to others. */
  readonly word: string;
}
export const beginningSchema = Joi.object<Beginning, true>({
  name: settings.name,
  region: settings.region,
  timeZone: settings.timeZone,
  currency: settings.currency,
  taxShare: settings.taxShare,
  unitSet: settings.unitSet,
  workingDays: settings.workingDays,
  person: Joi.object<Beginning['person'], true>({
    name: text('Your name', 80).required(),
    signIn: signInName.required(),
    password: newPassword.required(),
  }).required(),
  lend: Joi.boolean().label('Starter catalogues').required(),
  word: text('Word', 40).allow('').required(),
} as never);

export const workshopAddress = {
  change: address({
    method: 'put',
    path: '/workshop',
    may: 'manager',
    body: changeSchema,
    answer: answers<Versioned>(),
  }),
} as const;
