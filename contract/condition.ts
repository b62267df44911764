import Joi from 'joi';
import {
  BOX_POINTS,
  CONNECTOR_POINTS,
  DASH_POINTS,
  type DashPoint,
  type HandedItem,
  type InspectionKind,
  POINTS_OF,
  type SettingValues,
} from '../core/vehicle/condition.ts';
import { address, answers } from './address.ts';
import { faultAt, instant, type Made, type Mutable, number, text, type Versioned, version } from './fields.ts';

/** The service switch locked open: somebody works behind it. */
export interface ServiceLockRow {
  readonly id: string;
  readonly byId: string;
  readonly by: string;
  readonly at: string;
  readonly key: string;
}
export interface InspectionRow {
  readonly id: string;
  readonly kind: InspectionKind;
  readonly what: string;
  readonly points: Readonly<Record<string, 'good' | 'failed' | null>>;
  readonly note: string;
  readonly by: string;
  readonly at: string;
}
export interface CustodyRow {
  readonly id: string;
  readonly holder: string;
  readonly what: string;
  readonly from: string;
  readonly dueBack: string | null;
  readonly list: readonly HandedItem[];
  readonly by: string;
  readonly backAt: string | null;
  readonly backBy: string | null;
  readonly backNote: string;
}
export const UNITS_SET = ['controller', 'charger', 'management'] as const;
export type UnitSetUp = (typeof UNITS_SET)[number];
export interface SettingsRow {
  readonly id: string;
  readonly unit: UnitSetUp;
  readonly firmware: string;
  readonly values: SettingValues;
  readonly why: string;
  readonly by: string;
  readonly at: string;
  readonly jobNumber: string;
}
export const DASH_KINDS = ['dial', 'lamp', 'lever', 'switch'] as const;
export type DashKind = (typeof DASH_KINDS)[number];
export interface DashRow extends DashBody {
  readonly id: string;
  readonly by: string;
  readonly version: number;
}

/** What is known of a vehicle beside its figures: who holds its switch and it, what was found on it, how it is set. */
export interface ConditionSheet {
  readonly lock: ServiceLockRow | null;
  /** Every look, the newest first. */
  readonly inspections: readonly InspectionRow[];
  readonly custody: readonly CustodyRow[];
  readonly settings: readonly SettingsRow[];
  readonly dash: readonly DashRow[];
}

export interface InspectionBody {
  readonly kind: InspectionKind;
  readonly what: string;
  readonly points: Readonly<Record<string, 'good' | 'failed' | null>>;
  readonly note: string;
}
const point = Joi.string().valid('good', 'failed').allow(null);
const inspectionSchema = Joi.object<Mutable<InspectionBody>, true>({
  kind: Joi.string().valid('connector', 'box').label('What it is').required(),
  what: text('Which', 80).min(1).required(),
  points: Joi.object(Object.fromEntries([...CONNECTOR_POINTS, ...BOX_POINTS].map((key) => [key, point])))
    .label('Looked at')
    .required(),
  note: text('Note', 300).allow('').required(),
}).custom((body: InspectionBody, helpers) => {
  const seen = Object.entries(body.points).filter(([, verdict]) => verdict !== null);
  if (seen.length === 0)
    return faultAt(helpers, 'points', 'Looked at', 'is nothing yet: say of one point at least how it is');
  const other = seen.find(([key]) => !POINTS_OF[body.kind].includes(key));
  return other ? faultAt(helpers, 'points', 'Looked at', `has a point a ${body.kind} does not have`) : body;
});

export interface CustodyBody {
  readonly holder: string;
  readonly what: string;
  readonly dueBack: string | null;
  readonly list: readonly string[];
}
const custodySchema = Joi.object<Mutable<CustodyBody>, true>({
  holder: text('To whom', 120).min(2).required(),
  what: text('What for', 200).allow('').required(),
  dueBack: instant('Due back').allow(null).required(),
  list: Joi.array().items(text('What goes along', 120).min(1)).max(60).label('What goes along').required(),
});
export interface BackBody {
  /** Of the list, what came back, in its order. */
  readonly back: readonly boolean[];
  readonly note: string;
}

export interface SettingsBody {
  readonly unit: UnitSetUp;
  readonly firmware: string;
  readonly values: SettingValues;
  readonly why: string;
}
const settingsSchema = Joi.object<Mutable<SettingsBody>, true>({
  unit: Joi.string()
    .valid(...UNITS_SET)
    .label('Unit')
    .required(),
  firmware: text('Firmware', 60).allow('').required(),
  values: Joi.object()
    .pattern(/^[a-zA-Z][a-zA-Z0-9]{0,40}$/, number('Value', -1e9, 1e9))
    .min(1)
    .max(60)
    .label('Settings')
    .required(),
  why: text('Why', 200).min(3).required(),
});

export interface DashBody {
  readonly kind: DashKind;
  readonly name: string;
  readonly signal: string;
  readonly driver: string;
  readonly face: string;
  readonly unit: string;
  readonly points: readonly DashPoint[];
  /** Share of full scale. */
  readonly tolerance: number;
}
const dashBody = {
  kind: Joi.string()
    .valid(...DASH_KINDS)
    .label('Kind')
    .required(),
  name: text('What it is', 60).min(2).required(),
  signal: text('Signal', 80).allow('').required(),
  driver: text('Driven by', 80).allow('').required(),
  face: text('Face', 80).allow('').required(),
  unit: text('Unit', 20).allow('').required(),
  points: Joi.array()
    .items(
      Joi.object({
        signal: number('Signal', -1e6, 1e6).required(),
        shown: number('Shown', -1e6, 1e6).required(),
      }),
    )
    .max(DASH_POINTS)
    .label('Points')
    .required(),
  tolerance: number('Tolerance', 0.001, 0.5).required(),
};

export const conditionAddress = {
  sheet: address({ method: 'get', path: '/jobs/:number/condition', may: 'viewer', answer: answers<ConditionSheet>() }),
  lock: address({
    method: 'post',
    path: '/jobs/:number/service-lock',
    act: 'reading',
    body: Joi.object<{ readonly key: string }, true>({ key: text('Where the key is', 80).allow('').required() }),
    answer: answers<Made>(),
  }),
  unlock: address({
    method: 'post',
    path: '/service-locks/:id/off',
    act: 'reading',
    body: Joi.object<{ readonly why: string }, true>({ why: text('Why', 200).allow('').required() }),
    answer: answers<Made>(),
  }),
  inspect: address({
    method: 'post',
    path: '/jobs/:number/inspections',
    act: 'register',
    body: inspectionSchema,
    answer: answers<Made>(),
  }),
  handOut: address({
    method: 'post',
    path: '/jobs/:number/custody',
    act: 'register',
    body: custodySchema,
    answer: answers<Made>(),
  }),
  back: address({
    method: 'post',
    path: '/custody/:id/back',
    act: 'register',
    body: Joi.object<Mutable<BackBody>, true>({
      back: Joi.array().items(Joi.boolean()).max(60).label('What came back').required(),
      note: text('Note', 300).allow('').required(),
    }),
    answer: answers<Made>(),
  }),
  set: address({
    method: 'post',
    path: '/jobs/:number/settings',
    act: 'register',
    body: settingsSchema,
    answer: answers<Made>(),
  }),
  addDash: address({
    method: 'post',
    path: '/jobs/:number/dash',
    act: 'register',
    body: Joi.object<Mutable<DashBody>, true>(dashBody),
    answer: answers<Made>(),
  }),
  changeDash: address({
    method: 'put',
    path: '/dash/:id',
    act: 'register',
    body: Joi.object<Mutable<DashBody & { readonly version: number }>, true>({ ...dashBody, version }),
    answer: answers<Versioned>(),
  }),
  dropDash: address({ method: 'post', path: '/dash/:id/drop', act: 'register', answer: answers<Made>() }),
} as const;
