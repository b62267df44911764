import type { QuantityKind } from '../quantity/kinds.ts';
import type { VehicleFigureId } from '../vehicle/vehicleFigures.ts';
import type { FigureGroup } from './groups.ts';
import type { Slots } from './slots.ts';

/** Why a figure has no value. Wording is the page's business. */
export type MissingReason =
  | 'noVehicle'
  | 'noModule'
  | 'noModules'
  | 'boxUneven'
  | 'secondPackEmpty'
  | 'packsDiffer'
  | 'unequalStrings'
  | 'boxTooFull'
  | 'noDrive'
  | 'noInverter'
  | 'mixedChemistry'
  | 'cannotHold'
  | 'cannotKeepUp'
  | 'tooCold'
  | 'noCharger'
  | 'noRound'
  | 'meanTooFast'
  | 'tyreUnreadable'
  | 'neverReached'
  | 'tooSlow'
  | 'noKit'
  | 'noPrices'
  | 'noStages'
  | 'notPlannable'
  | 'noLuggage'
  | 'noRoute'
  | 'noRuns'
  | 'noAirFlow'
  | 'noDcInlet'
  | 'noDcPost'
  | 'noCradle'
  | 'noHolding'
  | 'mountsInLine'
  | 'noGearbox'
  | 'noGearDoes'
  | 'noPairFits'
  | 'noCableFits'
  | 'noFuseFits'
  | 'noLvBattery'
  | 'lvDiffers'
  | 'noParkedLoad'
  | 'noStock'
  | 'neverWarm';

/**
 * Reasons that say the design cannot, whatever else becomes known: a line that asks for the figure is broken by them. All
 * others say that something is not chosen or not known yet.
 */
export const CANNOT: ReadonlySet<MissingReason> = new Set<MissingReason>([
  'neverReached',
  'tooSlow',
  'cannotHold',
  'cannotKeepUp',
  'tooCold',
]);

/** One quantity in a working, in its base unit. */
export interface Term {
  readonly symbol: string;
  readonly value: number;
  readonly kind: QuantityKind;
}

/** How a value came about: the formula as a person would write it, what went in, and where the formula is from. */
export interface Working {
  readonly formula: string;
  readonly terms: readonly Term[];
  readonly source: string;
  /** The link of the chain that holds the value back, in words, where one does. */
  readonly held?: string | null;
}

export interface Answer<V> extends Working {
  readonly value: V;
}

export interface Missing {
  readonly missing: MissingReason;
  /** The amount that the reason speaks of: the speed that cannot be held. */
  readonly at?: { readonly value: number; readonly kind: QuantityKind };
}

/** Reads a vehicle figure and notes whether it was measured. */
export type ReadVehicleFigure = (id: VehicleFigureId) => number;

export type SlotName = keyof Slots;

/** What is asked of other entries: a name for the formula's use → the entry. */
// biome-ignore lint/suspicious/noExplicitAny: entries of any value type may be needed; the mapped type below restores them
export type Needs = Record<string, Entry<any>>;
export type MaybeValues<N extends Needs> = { readonly [K in keyof N]: N[K] extends Entry<infer V> ? V | null : never };
export type NeedValues<N extends Needs> = { readonly [K in keyof N]: N[K] extends Entry<infer V> ? V : never };

/**
 * An entry of the figures catalogue. `kind: null` marks a step on the way (a whole run over a cycle) that other
 * entries read but nobody is shown. `compute` is pure and reads only its needs, the slots named in `reads`, and
 * vehicle figures through `use`.
 */
export interface Entry<V> {
  readonly id: string;
  readonly kind: QuantityKind | null;
  /** What it is called, in the page and on paper; empty for a step on the way. */
  readonly name: string;
  /** Where it is shown among the figures of a design; null where only those who ask for it show it. */
  readonly group: FigureGroup | null;
  readonly needs: Needs;
  /** Entries it can do without: null where they have no value. */
  readonly maybe: Needs;
  readonly reads: readonly SlotName[];
  /** How long it takes against one that is only added and multiplied: what is asked of many asks the cheap first. @default 1 */
  readonly cost?: number;
  readonly compute: (needs: Record<string, unknown>, slots: Slots, read: ReadVehicleFigure) => Answer<V> | Missing;
}

/** What a figure is known by. */
export interface FigureAbout {
  readonly id: string;
  readonly name: string;
  readonly group: FigureGroup | null;
}

interface Definition<N extends Needs, M extends Needs, R extends readonly SlotName[], V> {
  readonly id: string;
  readonly needs?: N;
  readonly maybe?: M;
  /** The slots it reads: `compute` is given these and no others, so that what it reads is known. */
  readonly reads?: R;
  /** @default 1 */
  readonly cost?: number;
  readonly compute: (
    needs: NeedValues<N> & MaybeValues<M>,
    slots: Pick<Slots, R[number]>,
    read: ReadVehicleFigure,
  ) => Answer<V> | Missing;
}

const NOTHING = { needs: {}, maybe: {}, reads: [], name: '', group: null };

/** A number the product shows. */
export function figure<
  N extends Needs = Record<never, never>,
  M extends Needs = Record<never, never>,
  const R extends readonly SlotName[] = readonly [],
>(definition: Definition<N, M, R, number> & FigureAbout & { readonly kind: QuantityKind }): Entry<number> {
  return { ...NOTHING, ...definition } as unknown as Entry<number>;
}

/** A step on the way with a value of any shape, computed once and read by several figures. */
export function interim<
  V,
  N extends Needs = Record<never, never>,
  M extends Needs = Record<never, never>,
  const R extends readonly SlotName[] = readonly [],
>(definition: Definition<N, M, R, V>): Entry<V> {
  return { kind: null, ...NOTHING, ...definition } as unknown as Entry<V>;
}

export const missing = (reason: MissingReason, at?: Missing['at']): Missing => ({
  missing: reason,
  ...(at ? { at } : {}),
});

/** The answer of a step: a value nobody is shown, with where it is from. */
export const interimAnswer = <V>(value: V, source: string): Answer<V> => ({ value, formula: '', terms: [], source });
