import type { PlacedBox } from '../figures/slots.ts';
import { type Candidate, searchBase } from './candidate.ts';
import { combinationsOf, prepare, type SearchTask } from './combination.ts';
import { createFront } from './front.ts';
import { judgeCandidate } from './judgeCandidate.ts';
import { firmLines } from './limits.ts';
import { walkBays } from './walkBays.ts';

export interface SearchState {
  /** Candidates decided so far, looked at one by one or ruled out together. */
  readonly looked: number;
  readonly total: number;
  /** Reason or id of the firm line → how many candidates it stopped first. */
  readonly broke: Readonly<Record<string, number>>;
  /** How many got through every firm line. */
  readonly good: number;
  readonly front: readonly Candidate[];
  readonly done: boolean;
}

/** How many candidates are decided between two looks at the state. */
const BREATH = 2048;

/**
 * Looks at every buildable design of the space (trade §5.15): a depth-first walk over the bays for each combination of
 * module, strings, drive, gear and charger. Whole branches are ruled out where that is exact — the series count leaves
 * the voltage window, the stock is used up, the mass is over the plate — and counted as if looked at one by one. What
 * is left is judged by the figures catalogue, firm lines cheapest first, and what passes is offered to the front.
 * A generator: it hands out its state now and then and goes on when asked, so that the caller can show and stop it.
 */
export function* search(task: SearchTask): Generator<SearchState, SearchState> {
  const { space, vehicle } = task;
  const base = searchBase(task.base);
  const lines = firmLines(task.brief);
  const known = vehicle.variant.bays;
  const bays = space.bays.flatMap((option) => {
    const bay = known.find((candidate) => candidate.key === option.bay);
    return bay ? [{ option, bay }] : [];
  });
  const front = createFront<Candidate>();
  const broke: Record<string, number> = {};
  let looked = 0;
  let good = 0;
  const count = (reason: string, many: number) => {
    if (many <= 0) return;
    broke[reason] = (broke[reason] ?? 0) + many;
    looked += many;
  };
  const perCombination = space.bays.reduce((product, { most }) => product * (most + 1), 1);
  const combinations = [...combinationsOf(space)];
  const total = perCombination * combinations.length;
  const state = (done: boolean): SearchState => ({
    looked,
    total,
    broke: { ...broke },
    good,
    front: front.members(),
    done,
  });
  const boxes = new Map<string, PlacedBox>();
  let nextBreath = BREATH;

  for (const combination of combinations) {
    const prepared = bays.length === space.bays.length ? prepare(task, base, combination, bays, boxes) : null;
    if (!prepared) {
      count('incomplete', perCombination);
      continue;
    }
    const free = task.free.get(prepared.part.id) ?? 0;
    const leaf = (counts: readonly number[], modules: number) => {
      const judged = judgeCandidate(prepared, lines, counts, modules, free);
      if ('broke' in judged) return count(judged.broke, 1);
      looked++;
      good++;
      front.offer(judged.candidate);
    };
    for (const _ of walkBays({ prepared, bays, ruledOut: count, leaf })) {
      if (looked < nextBreath) continue;
      nextBreath = looked + BREATH;
      yield state(false);
    }
  }
  return state(true);
}
