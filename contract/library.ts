import type { Component, ComponentKind } from '../core/component/sheets.ts';
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

/** A variant by its names, for lists to choose from. */
export type NamedVariant = Pick<Variant, 'id' | 'makerName' | 'modelName' | 'name'>;

/**
 * What is at hand to design and match with: everything that something in the workshop stands on, and of the rest of the
 * catalogue enough of each kind to choose from. A component or a variant beyond that is asked for when it is needed.
 */
export interface LibraryData {
  /** Of which there are vehicles, jobs or orders, in all their revisions. */
  readonly variants: readonly Variant[];
  /** Every variant of the library, the newest revision of each. */
  readonly models: readonly NamedVariant[];
  readonly components: readonly LibraryComponent[];
  /** How many more of a kind the catalogue has than are at hand; a kind that is whole at hand is not there. */
  readonly beyond: Readonly<Partial<Record<ComponentKind, number>>>;
  readonly kits: readonly KitRevision[];
}

export const libraryAddress = {
  atHand: address({ method: 'get', path: '/library', may: 'viewer', answer: answers<LibraryData>() }),
} as const;
