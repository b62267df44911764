import Joi from 'joi';
import type { BodySize } from './address.ts';
import { text } from './fields.ts';

/** A table or list, as text. */
export interface TableIn {
  readonly text: string;
  /** What it was called, for the history. */
  readonly name: string;
}

/** What became of a table: how many were new, changed, alike, and left out because of faults. */
export interface TakenIn {
  /** By which it is undone. */
  readonly id: string;
  readonly added: number;
  readonly changed: number;
  readonly alike: number;
  readonly left: number;
}

/** A table of at most so many letters. */
export const tableSchema = (largest: number) =>
  Joi.object<TableIn, true>({
    text: Joi.string().max(largest).label('Table').required(),
    name: text('Name of the file', 200).required(),
  });

/** How large the body of such a table may be on its way. */
export const tableSize = (largest: number): BodySize => ({
  bytes: largest * 2,
  bounds: { values: 10, depth: 2, text: largest },
});
