import type { Component } from '../core/component/sheets.ts';
import type { KitRevision } from '../core/kit/kit.ts';
import type { Variant } from '../core/vehicle/variant.ts';
import { address, answers } from './address.ts';

/** A component as the library has it. */
export type LibraryComponent = Component & {
  /** On hand and promised to no job. */
  readonly free: number;
  /** From the starter catalogues that ship with Dajo. */
  readonly lent: boolean;
  /** Of the stored row, for who edits it. */
  readonly version: number;
};

/** Everything a design can be made from. Changes seldom, so it is fetched once and kept. */
export interface LibraryData {
  readonly variants: readonly Variant[];
  readonly components: readonly LibraryComponent[];
  readonly kits: readonly KitRevision[];
}

export const libraryAddress = {
  whole: address({ method: 'get', path: '/library', may: 'viewer', answer: answers<LibraryData>() }),
} as const;
