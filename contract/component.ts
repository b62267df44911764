import Joi from 'joi';
import type { Field, Fields, NumberField } from '../core/component/field.ts';
import { KINDS } from '../core/component/kinds/index.ts';
import type { ComponentKind } from '../core/component/sheets.ts';
import { type FieldMeaning, quantity, text } from './fields.ts';

const numberSchema = (label: string, field: Omit<NumberField, 'label'>): Joi.NumberSchema => {
  const schema = quantity(label, field.quantity, field.min, field.max);
  return field.whole ? schema.integer() : schema;
};

function schemaOf(field: Field): Joi.Schema {
  switch (field.type) {
    case 'number':
      return numberSchema(field.label, field);
    case 'choice':
      return Joi.any()
        .valid(...field.options)
        .label(field.label);
    case 'text':
      return text(field.label, field.max).allow('');
    case 'flag':
      return Joi.boolean().strict().label(field.label);
    case 'rows':
      return Joi.array().items(fieldsSchema(field.of)).min(field.least).max(field.most).label(field.label);
    case 'series':
      return Joi.array().items(numberSchema(field.label, field.each)).max(field.most).label(field.label);
    case 'grid':
      return Joi.array()
        .items(Joi.array().items(numberSchema(field.label, field.each)).max(field.most))
        .max(field.most)
        .label(field.label);
    case 'group':
      return fieldsSchema(field.of).label(field.label);
  }
}

function fieldsSchema(fields: Fields): Joi.ObjectSchema {
  return Joi.object(
    Object.fromEntries(
      Object.entries(fields).map(([name, field]) => {
        const said = schemaOf(field).description(field.meaning ? `${field.label}: ${field.meaning}` : field.label);
        const meant = field.meaning ? said.meta({ meaning: field.meaning } satisfies FieldMeaning) : said;
        return [name, field.optional ? meant : meant.required()];
      }),
    ),
  );
}

/** The schema of each kind's sheet, made from its descriptor. */
export const SHEET_SCHEMAS = Object.fromEntries(
  Object.entries(KINDS).map(([kind, fields]) => [kind, fieldsSchema(fields).label('Sheet')]),
) as Record<ComponentKind, Joi.ObjectSchema>;
