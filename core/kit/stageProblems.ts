import type { StageTemplate } from './kit.ts';

/** What is wrong with a list of stages, at a path such as "3.after". */
export interface StageProblem {
  readonly at: string;
  readonly problem: 'sameKey' | 'noSuchStage' | 'circle' | 'limitsCrossed' | 'noLimit' | 'pairNeeded' | 'fewerShare';
  /** The other stage it is about, by key. */
  readonly other?: string;
}

type Stage = Pick<StageTemplate, 'key' | 'after' | 'people' | 'mostPeople' | 'liveHv' | 'steps'>;

/**
 * Everything that keeps a list of stages from being a network a shop can work through: a key used twice, a stage that
 * waits for one that is not there, stages that wait for each other in a circle, limits the wrong way round, and live
 * high-voltage work for one person alone.
 */
export function stageProblems(stages: readonly Stage[]): StageProblem[] {
  const problems: StageProblem[] = [];
  const first = new Map<string, number>();
  for (const [i, stage] of stages.entries()) {
    if (first.has(stage.key)) problems.push({ at: `${i}.key`, problem: 'sameKey', other: stage.key });
    else first.set(stage.key, i);
    if (stage.liveHv && stage.people < 2) problems.push({ at: `${i}.people`, problem: 'pairNeeded' });
    if (stage.mostPeople !== undefined && stage.mostPeople < stage.people)
      problems.push({ at: `${i}.mostPeople`, problem: 'fewerShare' });
    for (const [k, { limit }] of stage.steps.entries()) {
      if (!limit) continue;
      if (limit.min === null && limit.max === null) problems.push({ at: `${i}.steps.${k}.limit`, problem: 'noLimit' });
      else if (limit.min !== null && limit.max !== null && limit.min > limit.max)
        problems.push({ at: `${i}.steps.${k}.limit.max`, problem: 'limitsCrossed' });
    }
  }
  for (const [i, stage] of stages.entries())
    for (const [k, before] of stage.after.entries())
      if (!first.has(before)) problems.push({ at: `${i}.after.${k}`, problem: 'noSuchStage', other: before });
  const ring = circleIn(stages);
  if (ring !== null) problems.push({ at: `${first.get(ring)}.after`, problem: 'circle', other: ring });
  return problems;
}

/** A stage that waits for itself by way of others, or null. Kahn's order: what cannot be ordered is in a circle or behind one. */
function circleIn(stages: readonly Stage[]): string | null {
  const left = new Map(stages.map((stage) => [stage.key, new Set(stage.after)]));
  for (const waits of left.values()) for (const key of waits) if (!left.has(key)) waits.delete(key);
  for (;;) {
    const ready = [...left].filter(([, waits]) => waits.size === 0).map(([key]) => key);
    if (ready.length === 0) break;
    for (const key of ready) {
      left.delete(key);
      for (const waits of left.values()) waits.delete(key);
    }
  }
  if (left.size === 0) return null;
  // Walk back along what is waited for: sooner or later a stage is met again, and that one is in the circle itself.
  let at = [...left.keys()][0]!;
  const met = new Set<string>();
  while (!met.has(at)) {
    met.add(at);
    at = [...left.get(at)!][0]!;
  }
  return at;
}
