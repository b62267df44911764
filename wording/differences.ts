import type Joi from 'joi';
import { type FlatField, flatten } from '../contract/flatten.ts';
import { formatQuantity } from '../core/quantity/format.ts';
import { toShown, type UnitSet } from '../core/quantity/units.ts';

export interface DifferenceRow {
  readonly name: string;
  /** One a body, in their order. */
  readonly values: readonly string[];
}

export interface Shown {
  readonly set: UnitSet;
  readonly componentName: (id: string) => string;
}

const NONE = 'none';

/**
 * Where bodies of one kind differ, found in the schema itself: a field that is added to it is compared from then on.
 * All of them alike gives no row.
 */
export function differences(schema: Joi.Schema, bodies: readonly unknown[], shown: Shown): DifferenceRow[] {
  const flat = bodies.map((body) => flatten(schema, body));
  const paths = [...new Set(flat.flatMap((fields) => [...fields.keys()]))];
  return paths.flatMap((path) => {
    const fields = flat.map((one) => one.get(path));
    if (new Set(fields.map((field) => field?.value ?? null)).size < 2) return [];
    const values = fields.map((field) => (field ? valueText(field, shown) : NONE));
    // Two values that round to the same text are told apart by all their digits.
    const told = new Set(values).size > 1 ? values : fields.map((field) => (field ? String(field.value) : NONE));
    return [{ name: labelText(fields.find((field) => field)?.label ?? path, shown), values: told }];
  });
}

/** Entries of a list go by the id of their component; a person knows them by its name. */
const labelText = (label: string, { componentName }: Shown): string =>
  label
    .split(', ')
    .map((part) => componentName(part))
    .join(', ');

function valueText({ value, meaning }: FlatField, { set, componentName }: Shown): string {
  if (value === null) return NONE;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') {
    if (!meaning.quantity) return String(value);
    // A round number is shown as it was typed: 85 %, not 85.0 %.
    const shown = toShown(value, meaning.quantity, set);
    const round = Math.abs(shown - Math.round(shown)) < 1e-6;
    // 0.1 kg and 0.9 kg are not nothing and one.
    const small = Math.abs(shown) < 10;
    return formatQuantity(value, meaning.quantity, set, round ? { digits: 0 } : small ? { digits: 2 } : {});
  }
  return meaning.names === 'component' ? componentName(value) : value === '' ? NONE : value;
}
