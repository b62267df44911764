import type { Decoder, Recipe } from './decode.ts';
import type { Ground } from './ground.ts';
import type { PlanCost, PlannedJob, PlannedStage, WorkPlan } from './problem.ts';

/** Sooner than was told troubles hardly anybody: so little of what later does that it is not done for nothing. */
const SOONER = 0.02;

/**
 * What a plan costs: lateness, ends, work in progress; a job with a stage that cannot be planned counts what can be.
 *
 * @param told by job, the minute at which it was told to be over; not a number where nothing was told
 */
export function costOf(
  { problem, tasks }: Ground,
  { placed }: Decoder,
  told: Float64Array | null,
): { cost: PlanCost; jobs: PlannedJob[] } {
  const from = problem.jobs.map(() => Number.POSITIVE_INFINITY);
  const to = problem.jobs.map(() => 0);
  for (const { index, job } of tasks) {
    const one = placed[index];
    if (!one || job < 0) continue;
    if (one.start < from[job]!) from[job] = one.start;
    if (one.end > to[job]!) to[job] = one.end;
  }
  let late = 0;
  let ends = 0;
  let inProgress = 0;
  let moved = 0;
  const jobs = problem.jobs.flatMap((job, index): PlannedJob[] => {
    if (from[index] === Number.POSITIVE_INFINITY) return [];
    const over = job.due === null ? 0 : Math.max(0, to[index]! - job.due);
    late += (job.weight * over) / 60;
    ends += (job.weight * to[index]!) / 60;
    inProgress += (to[index]! - from[index]!) / 60;
    const was = told?.[index] ?? Number.NaN;
    const later = Number.isNaN(was) ? 0 : to[index]! - was;
    moved += (job.weight * problem.toldHours * (later > 0 ? later : -SOONER * later)) / problem.dayMinutes;
    return [{ id: job.id, start: from[index]!, end: to[index]!, late: over }];
  });
  return { cost: { late, ends, inProgress, moved }, jobs };
}

/** A decoded plan in names, with the recipe it can be gone on from. */
export function planOf(ground: Ground, decoder: Decoder, recipe: Recipe, told: Float64Array | null): WorkPlan {
  const { problem, tasks } = ground;
  const { cost, jobs } = costOf(ground, decoder, told);
  const stages = tasks.flatMap(({ index, stage, job }): PlannedStage[] => {
    const one = decoder.placed[index];
    if (!one) return [];
    return [
      {
        ...{ id: stage.id, start: one.start, end: one.end, causes: one.causes },
        people: one.people.map((person) => problem.people[person]!.id),
        placeId: problem.places[one.place]?.id ?? null,
        tools: one.tools.map((piece) => problem.tools[piece]!.id),
        ...{ key: recipe.keys[index]!, gate: recipe.gates[job] ?? 0 },
      },
    ];
  });
  const impossible = [...ground.impossible, ...decoder.failed].map(([index, why]) => ({
    ...{ stageId: tasks[index]!.stage.id, why },
  }));
  return { stages, jobs, impossible, cost };
}
