import { LIFTED_BY } from '../practice/blocks.ts';
import type { OrderCrate, OrderLine, OrderPaper } from './order.ts';
import { wantsSerials } from './order.ts';
import { crateLoads } from './packing.ts';

export const DISPATCH_NEEDS = [
  'revision',
  'firstCount',
  'secondCount',
  'serials',
  'companions',
  'crates',
  'lithium',
  'instructions',
  'notIncluded',
  'loan',
] as const;
export type DispatchNeed = (typeof DISPATCH_NEEDS)[number];

export interface DispatchState {
  readonly need: DispatchNeed;
  readonly met: boolean;
  /** What stands against it, in the words of the pick list. */
  readonly missing: readonly string[];
  /** Nobody may decide it away: neither the workshop nor anybody in it. */
  readonly hard: boolean;
}

export interface DispatchGround {
  readonly revisionState: 'draft' | 'released' | 'withdrawn';
  readonly revision: string;
  readonly lines: readonly OrderLine[];
  readonly crates: readonly OrderCrate[];
  readonly papers: readonly OrderPaper[];
  /** Null: not decided; '': none goes. */
  /** What parts of it need beside them by their sheets, and the kit neither brings nor settles. */
  readonly companions: readonly string[];
  readonly loanTool: string | null;
  readonly loanDue: string | null;
}

const of = (counted: number, wanted: number, name: string) => `${name}: ${counted} of ${wanted}`;

/**
 * Everything that must be so before a kit leaves. Counts are of two people (the database holds that too) and must agree
 * with the list, a component in two crates by both; what carries a number is recorded by it; what a part needs is there; a crate has its size and its mass, not less than what is in
 * it; lithium has its transport papers. What is missing can be let pass by somebody with the right, who says why, and that
 * stays on the order; a withdrawn revision leaves by nobody's word, lithium without papers neither (`practice/blocks.ts`).
 *
 * Lithium is known by the modules on the list; UN 3480, 3481 or 3556 is for a licensed person to say.
 */
export function dispatchNeeds(ground: DispatchGround): DispatchState[] {
  const { lines, crates, papers, loanTool, loanDue } = ground;
  const lithium = lines.some(({ kind }) => kind === 'module');
  const has = (paper: OrderPaper) => papers.includes(paper);
  const missing: Record<DispatchNeed, readonly string[]> = {
    revision: ground.revisionState === 'withdrawn' ? [`revision ${ground.revision} was withdrawn`] : [],
    firstCount: lines
      .filter(({ first, pieces }) => first?.pieces !== pieces)
      .map(({ first, pieces, name }) => of(first?.pieces ?? 0, pieces, name)),
    secondCount: lines
      .filter(({ first, second, pieces }) => second === null || second.pieces !== (first?.pieces ?? pieces))
      .map(({ first, second, pieces, name }) =>
        second === null ? name : `${name}: first ${first?.pieces ?? 0}, then ${second.pieces} of ${pieces}`,
      ),
    serials: lines
      .filter(({ kind, first, pieces, serials }) => wantsSerials(kind) && serials.length < (first?.pieces ?? pieces))
      .map(({ name, first, pieces, serials }) => of(serials.length, first?.pieces ?? pieces, name)),
    companions: ground.companions,
    crates: crateLoads(lines, crates).flatMap(({ name, weighed, massKg, tooLight }) =>
      weighed === null
        ? [`${name}: size and mass`]
        : tooLight
          ? [`${name}: weighs ${weighed.massKg} kg, its contents ${Math.round(massKg)} kg`]
          : [],
    ),
    lithium: lithium && !has('lithium') ? ['transport papers for the modules'] : [],
    instructions: has('instructions') ? [] : ['drawings and instructions'],
    notIncluded: has('notIncluded') ? [] : ['the sheet of what is not included'],
    loan:
      loanTool === null ? ['crimp tool on loan, or none'] : loanTool !== '' && !loanDue ? ['when it is due back'] : [],
  };
  return DISPATCH_NEEDS.map((need) => ({
    need,
    met: missing[need].length === 0,
    missing: missing[need],
    hard: LIFTED_BY[need] === 'nobody',
  }));
}
