import type { Check } from '../core/prove/check.ts';
import { formatQuantity } from '../core/quantity/format.ts';
import type { UnitSet } from '../core/quantity/units.ts';

/** What was found at a check: its value, or whether it was as described. */
export const checkValueText = (check: Pick<Check, 'kind'>, value: number, set: UnitSet): string =>
  check.kind === null ? (value === 1 ? 'seen' : 'not as it should be') : formatQuantity(value, check.kind, set);
