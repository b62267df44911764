import type { Component } from '../component/sheets.ts';
import type { StageTemplate } from '../kit/kit.ts';

/** Where the vehicle is: it never comes here, or it comes once the rest is fitted. */
export const ORDER_KINDS = ['sent', 'sentThenHere'] as const;
export type OrderKind = (typeof ORDER_KINDS)[number];

/** Who fits it where the vehicle is: the client, or a shop with an approval for the kit. */
export const ORDER_FITTERS = ['client', 'partner'] as const;
export type OrderFitter = (typeof ORDER_FITTERS)[number];

export const ORDER_STATES = ['ordered', 'sent', 'signed', 'cancelled'] as const;
export type OrderState = (typeof ORDER_STATES)[number];

/** Papers that go with a kit, or before it. */
export const ORDER_PAPERS = ['lithium', 'instructions', 'notIncluded'] as const;
export type OrderPaper = (typeof ORDER_PAPERS)[number];

/** Who does a stage of a kit that was sent. */
export type StageBy = 'fitter' | 'here';
/** By the key of a stage; what is not named is the fitter's. */
export type FittedBy = Readonly<Record<string, StageBy>>;

export interface OrderCount {
  readonly byId: string;
  readonly by: string;
  readonly at: string;
  readonly pieces: number;
}

/** A line of the pick list, and who counted it. */
export interface OrderLine {
  readonly id: string;
  readonly componentId: string;
  readonly name: string;
  readonly kind: Component['kind'];
  readonly crate: string;
  readonly pieces: number;
  /** Mass of one piece; null where the catalogue does not know it. */
  readonly massKg: number | null;
  readonly first: OrderCount | null;
  readonly second: OrderCount | null;
  readonly serials: readonly string[];
}

export interface OrderCrate {
  readonly name: string;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  /** As weighed, packed and closed. */
  readonly massKg: number;
}

/** Things that carry a number of their own, and whose life is followed by it. Common practice. */
const NUMBERED: ReadonlySet<Component['kind']> = new Set([
  'module',
  'drive',
  'inverter',
  'charger',
  'combinedUnit',
  'contactorBox',
  'bmsMain',
  'bmsSatellite',
  'dcdc',
]);
export const wantsSerials = (kind: Component['kind']): boolean => NUMBERED.has(kind);

/**
 * Stages that stay with the workshop when the vehicle comes for high voltage and software: live work, and whatever waits
 * for it, however far down. The rest is the fitter's.
 */
export function usualFittedBy(stages: readonly StageTemplate[]): FittedBy {
  const here = new Set(stages.filter(({ liveHv }) => liveHv).map(({ key }) => key));
  for (let grown = true; grown; ) {
    grown = false;
    for (const { key, after } of stages)
      if (!here.has(key) && after.some((before) => here.has(before))) {
        here.add(key);
        grown = true;
      }
  }
  return Object.fromEntries(stages.map(({ key }) => [key, here.has(key) ? 'here' : 'fitter']));
}

export type FittingProblem =
  /** Live work would be the client's own. */
  | { readonly problem: 'liveByClient'; readonly stage: string }
  /** A stage is to be done here, but the vehicle never comes. */
  | { readonly problem: 'neverComes'; readonly stage: string };

/**
 * What stands against this division of the work: nobody but an approved shop does live high-voltage work away from here,
 * and what is done here needs the vehicle here.
 */
export function fittingProblems(
  stages: readonly StageTemplate[],
  order: { readonly kind: OrderKind; readonly fitter: OrderFitter; readonly fittedBy: FittedBy },
): FittingProblem[] {
  return stages.flatMap((stage): FittingProblem[] => {
    const by = order.fittedBy[stage.key] ?? 'fitter';
    if (by === 'here' && order.kind === 'sent') return [{ problem: 'neverComes', stage: stage.name }];
    if (by === 'fitter' && stage.liveHv && order.fitter === 'client')
      return [{ problem: 'liveByClient', stage: stage.name }];
    return [];
  });
}
