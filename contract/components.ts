import Joi from 'joi';
import { KINDS } from '../core/component/kinds/index.ts';
import type { ComponentBase, ComponentKind } from '../core/component/sheets.ts';
import { VEHICLE_FUNCTIONS } from '../core/fit/functions.ts';
import { A_FILE, address, answers } from './address.ts';
import { SHEET_SCHEMAS } from './component.ts';
import {
  componentId,
  faultAt,
  isoDate,
  type Made,
  type Mutable,
  quantity,
  text,
  type Versioned,
  version,
  whole,
} from './fields.ts';
import type { LibraryComponent } from './library.ts';
import { type TakenIn, tableSchema, tableSize } from './tableIn.ts';

export const COMPONENT_KINDS = Object.keys(KINDS) as ComponentKind[];

/** A component that is taken into the library. Its sheet is held against the schema of its kind. */
export interface NewComponent extends Mutable<Omit<ComponentBase, 'id' | 'supplier'>> {
  readonly kind: ComponentKind;
  /** By name; one that is not known yet is taken in with it. */
  readonly supplier: string;
  readonly sheet: Record<string, unknown>;
}

/** What stands on the component itself, whatever its kind. */
const COMMON_FIELDS = {
  name: text('Name', 80).min(2).required(),
  supplier: text('Supplier', 80).min(2).required(),
  massKg: quantity('Mass', 'mass', 0, 5000).required(),
  lengthMm: quantity('Length', 'length', 0, 20_000).required(),
  widthMm: quantity('Width', 'length', 0, 5000).required(),
  heightMm: quantity('Height', 'length', 0, 5000).required(),
  priceCents: whole('Price', 0, 100_000_000).meta({ quantity: 'money' }).required(),
  leadDays: whole('Days to get', 0, 1000).required(),
  partNumber: text('Part number', 60).allow('').default(''),
  pricedOn: isoDate('Price of').allow(null).default(null),
  alternatives: Joi.array().items(componentId('Alternative')).max(20).unique().label('Alternatives').default([]),
  covers: Joi.array()
    .items(Joi.string().valid(...VEHICLE_FUNCTIONS))
    .max(40)
    .unique()
    .label('Covers')
    .required(),
  highVoltage: Joi.boolean().strict().label('Live parts inside').required(),
};

const kindSchema = Joi.string()
  .valid(...COMPONENT_KINDS)
  .label('Kind')
  .required();

/** The form of a component of one kind: what stands on each, then its sheet. */
export const componentSchemaOf = (kind: ComponentKind): Joi.ObjectSchema<NewComponent> =>
  (SCHEMA_OF[kind] ??= Joi.object({ kind: kindSchema, ...COMMON_FIELDS, sheet: SHEET_SCHEMAS[kind].required() }).custom(
    holds,
  ) as Joi.ObjectSchema<NewComponent>);
const SCHEMA_OF: Partial<Record<ComponentKind, Joi.ObjectSchema<NewComponent>>> = {};

/** An efficiency map has a value for every torque at every speed: where one is missing, nothing can be read between. */
function holds(body: NewComponent, helpers: Joi.CustomHelpers) {
  const map = body.sheet.efficiencyMap as { rpm?: unknown[]; torqueNm?: unknown[]; eta?: unknown[][] } | undefined;
  if (body.kind !== 'drive' || !map) return body;
  const { rpm = [], torqueNm = [], eta = [] } = map;
  if (eta.length === rpm.length && eta.every((line) => line.length === torqueNm.length)) return body;
  const sentence = `has a hole: it needs ${rpm.length} lines, one a speed, of ${torqueNm.length} values, one a torque`;
  return faultAt(helpers, 'sheet.efficiencyMap.eta', 'The map', sentence);
}

const newComponentSchema = Joi.object<NewComponent, true>({
  kind: kindSchema,
  ...COMMON_FIELDS,
  sheet: Joi.when('kind', {
    // biome-ignore lint/suspicious/noThenProperty: the word of the schema library, in an object nobody awaits
    switch: COMPONENT_KINDS.map((kind) => ({ is: kind, then: SHEET_SCHEMAS[kind].required() })),
    otherwise: Joi.object().required(),
  }) as unknown as Joi.ObjectSchema<Record<string, unknown>>,
} as never).custom(holds) as Joi.ObjectSchema<NewComponent>;

/** A component as it should be, from the version it was looked at in. */
export interface ComponentChange {
  readonly component: NewComponent;
  readonly version: number;
}
const componentChangeSchema = Joi.object<ComponentChange, true>({
  component: newComponentSchema.required(),
  version,
});

const LARGEST_TABLE = 4_000_000;

/** A component as a finder shows it. */
export interface FoundComponent {
  readonly id: string;
  readonly name: string;
  readonly kind: ComponentKind;
  readonly supplier: string;
  readonly partNumber: string;
}

/** So many of a kind are shown while the others are on their way: more than a screen has. */
export const FIRST_OF_KIND = 100;

export const componentAddress = {
  counts: address({
    method: 'get',
    path: '/catalogue',
    may: 'viewer',
    answer: answers<Partial<Record<ComponentKind, number>>>(),
  }),
  /** The first of a kind by name, to look at while the others come. */
  firstOfKind: address({
    method: 'get',
    path: '/components/:kind/first',
    may: 'viewer',
    answer: answers<LibraryComponent[]>(),
  }),
  ofKind: address({ method: 'get', path: '/catalogue/:kind', may: 'viewer', answer: answers<LibraryComponent[]>() }),
  /** One component, for a page that names one beyond what it has at hand. */
  one: address({ method: 'get', path: '/components/:component', may: 'viewer', answer: answers<LibraryComponent>() }),
  /** Those of one kind, or of any, that answer to a word; more than the page has at hand. */
  choose: address({
    method: 'get',
    path: '/catalogue/:kind/find/:word',
    may: 'viewer',
    answer: answers<FoundComponent[]>(),
  }),
  find: address({ method: 'get', path: '/catalogue/find/:word', may: 'viewer', answer: answers<FoundComponent[]>() }),
  takeIn: address({
    method: 'post',
    path: '/components/:kind/table',
    may: 'manager',
    body: tableSchema(LARGEST_TABLE),
    size: tableSize(LARGEST_TABLE),
    answer: answers<TakenIn>(),
  }),
  undo: address({
    method: 'post',
    path: '/components/taken-in/:id/undo',
    may: 'manager',
    answer: answers<{ readonly undone: number }>(),
  }),
  list: address({ method: 'get', path: '/components/:kind/table.json', may: 'viewer', answer: A_FILE }),
  change: address({
    method: 'put',
    path: '/components/:component',
    may: 'manager',
    body: componentChangeSchema,
    /** Its id is another one where something stands on the old one: that keeps it. */
    answer: answers<Made & Versioned>(),
  }),
  add: address({
    method: 'post',
    path: '/components',
    may: 'manager',
    body: newComponentSchema,
    answer: answers<Made>(),
  }),
  table: address({ method: 'get', path: '/components/:kind/table.csv', may: 'viewer', answer: A_FILE }),
  schema: address({ method: 'get', path: '/components/:kind/schema.json', may: 'viewer', answer: A_FILE }),
} as const;
