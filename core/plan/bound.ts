import { togetherFrom, workedThrough } from './calendar.ts';
import type { Ground } from './ground.ts';

/** Below which no plan of this problem can cost, in the terms of `PlanCost`: lateness and ends, weighted hours. */
export interface Bound {
  readonly late: number;
  readonly ends: number;
}

/**
 * Two relaxations, the better of both. Each job by itself, with everybody and everything free: its longest way through, at
 * the fewest minutes each stage can take. And for each group of people (all, those with a skill, the authorised) all their
 * work one job after another, in the order that is best for one machine of that many hands (Smith, 1956: by work over
 * weight). Work that has begun counts with what is left of it.
 */
export function lowerBound(ground: Ground): Bound {
  const { problem, tasks, order } = ground;
  const done = new Float64Array(tasks.length);
  const ends = problem.jobs.map(() => 0);
  for (const index of order) {
    const task = tasks[index]!;
    const { stage } = task;
    let start = stage.begun ? 0 : stage.earliest;
    if (!stage.begun) for (const one of task.before) start = Math.max(start, done[one]!);
    const most = Math.max(stage.people, stage.mostPeople, stage.begun?.people.length ?? 0, 1);
    const minutes = Math.max(1, Math.ceil(task.firm >= 0 ? stage.minutes : stage.minutes / most));
    if (task.firm >= 0) {
      const firm = [ground.firms[task.firm]!];
      done[index] = workedThrough(togetherFrom(start, firm), minutes, firm);
    } else done[index] = start + minutes;
    if (task.job >= 0) ends[task.job] = Math.max(ends[task.job]!, done[index]!);
  }
  const late = problem.jobs.reduce(
    (sum, { weight, due }, job) => sum + (due === null ? 0 : (weight * Math.max(0, ends[job]! - due)) / 60),
    0,
  );
  const alone = problem.jobs.reduce((sum, { weight }, job) => sum + (weight * ends[job]!) / 60, 0);
  return { late, ends: Math.max(alone, ...pools(ground).map((pool) => byPool(ground, pool))) };
}

/** People who are the only ones for some of the work, each with the work only they can do. */
function pools({ problem, tasks, order }: Ground): { readonly hands: number; readonly work: Float64Array }[] {
  const skills = [...new Set(tasks.flatMap(({ stage }) => stage.skill ?? []))];
  const workOf = (counts: (index: number) => number) => {
    const work = new Float64Array(problem.jobs.length);
    for (const index of order) if (tasks[index]!.job >= 0) work[tasks[index]!.job]! += counts(index);
    return work;
  };
  /** Of people of the house, minutes. */
  const ofHouse = (index: number) => {
    const { stage, firm } = tasks[index]!;
    return firm >= 0 || (stage.people === 0 && !stage.begun) ? 0 : stage.minutes;
  };
  const bySkill = skills.map((skill) => ({
    hands: problem.people.filter((one) => one.skills.includes(skill)).length,
    work: workOf((index) => {
      const { stage } = tasks[index]!;
      // Of those it takes, one must be able; all others may be helpers.
      return stage.skill === skill && !stage.begun ? ofHouse(index) / Math.max(stage.people, 1) : 0;
    }),
  }));
  return [{ hands: problem.people.length, work: workOf(ofHouse) }, ...bySkill].filter(({ hands }) => hands > 0);
}

/** The least sum of weighted ends, hours, if only this group's work had to be done, all of it by all of them at once. */
function byPool({ problem }: Ground, { hands, work }: { hands: number; work: Float64Array }): number {
  const jobs = problem.jobs.map(({ weight }, index) => ({ weight, minutes: work[index]! / hands }));
  jobs.sort((a, b) => a.minutes * b.weight - b.minutes * a.weight);
  let now = 0;
  let sum = 0;
  for (const { weight, minutes } of jobs) {
    if (minutes === 0) continue;
    now += minutes;
    sum += (weight * now) / 60;
  }
  return sum;
}
