import type { Component } from '../core/component/sheets.ts';
import type { KitRevision } from '../core/kit/kit.ts';
import type { Variant } from '../core/vehicle/variant.ts';
import { address, answers } from './address.ts';

/** Everything a design can be made from. Changes seldom, so it is fetched once and kept. */
export interface LibraryData {
  readonly variants: readonly Variant[];
  /** `free`: on hand and promised to no job. */
  readonly components: readonly (Component & { readonly free: number })[];
  readonly kits: readonly KitRevision[];
}

export const libraryAddress = {
  whole: address({ method: 'get', path: '/library', may: 'viewer', answer: answers<LibraryData>() }),
} as const;
