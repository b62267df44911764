import type { Ground } from './ground.ts';

const SEASON = 60 * 8 * 120;

/** Minutes each stage takes at least, all its people on it. */
const shortestOf = ({ tasks }: Ground, index: number): number => {
  const { stage } = tasks[index]!;
  return stage.minutes / Math.max(stage.people, stage.mostPeople, 1);
};

/** Latest begin of each stage so that its job keeps its promise, everything free; jobs without one come after a season. */
export function latestStarts(ground: Ground): Float64Array {
  const { problem, tasks, order } = ground;
  const keys = new Float64Array(tasks.length);
  for (const index of order.toReversed()) {
    const { next, job } = tasks[index]!;
    const due = problem.jobs[job]?.due ?? SEASON;
    keys[index] = next.reduce((soonest, one) => Math.min(soonest, keys[one]!), due) - shortestOf(ground, index);
  }
  return keys;
}

/** Minutes from the begin of each stage to the end of what waits for it, everything free. */
export function minutesToGo(ground: Ground): Float64Array {
  const toGo = new Float64Array(ground.tasks.length);
  for (const index of ground.order.toReversed())
    toGo[index] =
      shortestOf(ground, index) + ground.tasks[index]!.next.reduce((most, one) => Math.max(most, toGo[one]!), 0);
  return toGo;
}

/**
 * Orders by rules of thumb: least slack, the same with weights drawing forward, one job after another by promise, longest way to go, least
 * work first, and jobs as one machine with promises would be filled from its end (Smith, 1956: of those that are still in
 * time there, the one with the most work for its weight goes last).
 */
export function rules(ground: Ground): Float64Array[] {
  const { problem, tasks } = ground;
  const latest = latestStarts(ground);
  const toGo = minutesToGo(ground);
  const keys = (of: (index: number, job: number) => number) =>
    Float64Array.from(tasks, ({ job }, index) => of(index, job));
  const weightOf = (job: number) => problem.jobs[job]?.weight ?? 1;
  const promises = problem.jobs.map(({ due }) => due ?? Number.MAX_SAFE_INTEGER / 4);
  const work = new Float64Array(problem.jobs.length);
  for (const { job, stage } of tasks) if (job >= 0) work[job]! += stage.minutes;
  const filled = smithEnds(ground, work, toGo);
  return [
    latest,
    ...WEIGHED.map((power) =>
      keys((index, job) => {
        const weight = weightOf(job) ** power;
        return latest[index]! < 0 ? latest[index]! * weight : latest[index]! / weight;
      }),
    ),
    keys((index, job) => (promises[job] ?? 0) * 1000 + latest[index]!),
    keys((index) => -toGo[index]!),
    keys((index, job) => (work[job] ?? 0) * 1000 + latest[index]! / 1000),
    keys((index, job) => (filled[job] ?? 0) - toGo[index]!),
  ];
}

/** How much a weight draws a job forward: where promises can be kept, a little is enough. Found by trying. */
const WEIGHED = [0.05, 0.12, 0.3, 1];
/** People are never all at work: what one machine of as many hands would take is longer by this; common practice. */
const IDLE = 1.2;

/** When each job is over if all people together did one after another, filled from the end. */
function smithEnds({ problem, tasks }: Ground, work: Float64Array, toGo: Float64Array): Float64Array {
  const ends = new Float64Array(problem.jobs.length);
  const minutes = Float64Array.from(work, (one) => (IDLE * one) / Math.max(problem.people.length, 1));
  const ways = new Float64Array(problem.jobs.length).fill(Number.POSITIVE_INFINITY);
  for (const { job, index } of tasks) if (job >= 0) ways[job] = Math.min(ways[job]!, toGo[index]!);
  let now = minutes.reduce((sum, one) => sum + one, 0) + Math.min(SEASON, ...ways);
  const left = new Set(problem.jobs.keys());
  const most = (of: (job: number) => number, among: readonly number[]) =>
    among.reduce((best, one) => (of(one) > of(best) ? one : best));
  const due = (job: number) => problem.jobs[job]!.due ?? Number.POSITIVE_INFINITY;
  while (left.size > 0) {
    const inTime = [...left].filter((job) => due(job) >= now);
    const last =
      inTime.length > 0 ? most((job) => minutes[job]! / problem.jobs[job]!.weight, inTime) : most(due, [...left]);
    ends[last] = now;
    now -= minutes[last]!;
    left.delete(last);
  }
  return ends;
}
