import { judgeLine } from '../brief/judgeLine.ts';
import type { BriefLine } from '../brief/lines.ts';
import { resolveDesign } from '../design/resolve.ts';
import { createSheet } from '../figures/evaluate.ts';
import { type Candidate, designOf, searchBase } from './candidate.ts';
import type { SearchTask } from './combination.ts';
import { searchDecides } from './limits.ts';

export interface Ranked extends Candidate {
  /** Wishes met, weighed: 1 when all are. */
  readonly score: number;
  /** Ids of the wishes it does not meet. */
  readonly unmet: readonly string[];
}

/** How near a missed wish is to being met, 0..1. */
function nearness(value: number | null, target: number | null): number {
  if (value === null || target === null) return 0;
  const off = Math.abs(value - target) / Math.max(Math.abs(target), 1e-9);
  return Math.max(0, 1 - off) * 0.9;
}

/**
 * The front in order of the client's wishes: Σ weight × (1 when met, else how near, at most 0.9) ÷ Σ weight. Wishes
 * without a weight count once. Without wishes all score 1 and keep their order. `known` keeps what was worked out, for a
 * caller that ranks a growing front again and again.
 */
export function rankFront(
  task: SearchTask,
  front: readonly Candidate[],
  weights: ReadonlyMap<string, number>,
  known: Map<Candidate, Ranked> = new Map(),
): Ranked[] {
  const wishes = task.brief.filter((line) => !line.firm && searchDecides(line.kind));
  const weightOf = (line: BriefLine) => weights.get(line.id) ?? 1;
  const whole = wishes.reduce((sum, line) => sum + weightOf(line), 0);
  const base = searchBase(task.base);
  return front
    .map((candidate) => {
      const before = known.get(candidate);
      if (before) return before;
      const sheet = createSheet(resolveDesign({ ...task, design: designOf(base, task.space, candidate.choice) }));
      let sum = 0;
      const unmet: string[] = [];
      for (const line of wishes) {
        const { state, value, target } = judgeLine(line, sheet);
        if (state !== 'met') unmet.push(line.id);
        sum += weightOf(line) * (state === 'met' ? 1 : nearness(value, target));
      }
      const ranked = { ...candidate, score: whole > 0 ? sum / whole : 1, unmet };
      known.set(candidate, ranked);
      return ranked;
    })
    .sort((a, b) => b.score - a.score);
}
