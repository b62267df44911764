/** What can be done to a vehicle that a kit does not bring. */
export const REGISTER_KINDS = ['hole', 'cut', 'weld', 'narrowing', 'bracket', 'partOut', 'rehoused'] as const;
export type RegisterKind = (typeof REGISTER_KINDS)[number];

/** Where a part that came out has gone. */
export const PART_GOES = ['shelf', 'client', 'sold', 'scrapped'] as const;
export type PartGoes = (typeof PART_GOES)[number];

export interface RegisterFacts {
  readonly kind: RegisterKind;
  readonly goes: PartGoes | null;
  readonly undoneAt: string | null;
}

/** Metal is gone or joined: what was there cannot be had back by unbolting. */
const INTO_METAL: ReadonlySet<RegisterKind> = new Set(['hole', 'cut', 'weld', 'narrowing']);

/** Does this entry stand in the way of putting the vehicle back as it was? What was undone does not. */
export const standsInTheWay = ({ kind, goes, undoneAt }: RegisterFacts): boolean =>
  undoneAt === null && (INTO_METAL.has(kind) || goes === 'sold' || goes === 'scrapped');

/** Holes, cuts, welds and narrowings that are still there: what a "reversible" of the brief is held against. */
export const intoMetal = (entries: readonly RegisterFacts[]): number =>
  entries.filter(({ kind, undoneAt }) => undoneAt === null && INTO_METAL.has(kind)).length;
