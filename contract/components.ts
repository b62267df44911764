import Joi from 'joi';
import { KINDS } from '../core/component/kinds/index.ts';
import type { ComponentBase, ComponentKind } from '../core/component/sheets.ts';
import { VEHICLE_FUNCTIONS } from '../core/fit/functions.ts';
import { A_FILE, address, answers } from './address.ts';
import { SHEET_SCHEMAS } from './component.ts';
import { type Made, type Mutable, quantity, text, type Versioned, version, whole } from './fields.ts';

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
  covers: Joi.array()
    .items(Joi.string().valid(...VEHICLE_FUNCTIONS))
    .max(40)
    .unique()
    .label('Covers')
    .required(),
  highVoltage: Joi.boolean().strict().label('Live parts inside').required(),
};

const newComponentSchema = Joi.object<NewComponent, true>({
  kind: Joi.string()
    .valid(...COMPONENT_KINDS)
    .label('Kind')
    .required(),
  ...COMMON_FIELDS,
  sheet: Joi.when('kind', {
    // biome-ignore lint/suspicious/noThenProperty: the word of the schema library, in an object nobody awaits
    switch: COMPONENT_KINDS.map((kind) => ({ is: kind, then: SHEET_SCHEMAS[kind].required() })),
    otherwise: Joi.object().required(),
  }) as unknown as Joi.ObjectSchema<Record<string, unknown>>,
});

/** A component as it should be, from the version it was looked at in. */
export interface ComponentChange {
  readonly component: NewComponent;
  readonly version: number;
}
const componentChangeSchema = Joi.object<ComponentChange, true>({
  component: newComponentSchema.required(),
  version,
});

export const componentAddress = {
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
