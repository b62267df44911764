/** Where a figure came from. `measured` is on this very vehicle; everything else is somebody's word for its kind. */
export const SOURCES = ['measured', 'library', 'drawing', 'assumed'] as const;
export type Source = (typeof SOURCES)[number];

/** A number someone has to trust, in the base unit of its kind, with its provenance. */
export interface Sourced {
  readonly value: number;
  readonly source: Source;
  /** Who or what said so, where sources differed. */
  readonly says?: string | null;
  /** Name of the person who measured or entered it. */
  readonly by?: string;
  /** ISO instant. */
  readonly at?: string;
}

export const fromLibrary = (value: number): Sourced => ({ value, source: 'library' });
