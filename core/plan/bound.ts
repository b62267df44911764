import { togetherFrom, workedThrough } from './calendar.ts';
import type { Ground, Task } from './ground.ts';

/** Below which no plan of this problem can cost, in the terms of `PlanCost`: lateness and ends, weighted hours. */
export interface Bound {
  readonly late: number;
  readonly ends: number;
}

/** Something that is shared, with the work that only it can do. */
interface Pool {
  readonly hands: number;
  /** Minutes of one hand that a stage takes of it; 0 where it takes none. */
  readonly workOf: (task: Task) => number;
}

/** A stage's work in a pool, in the order it may be begun. */
interface Item {
  readonly job: number;
  readonly work: number;
  readonly head: number;
  /** Minutes from the middle of the stage, at its quickest, to the end of its job. */
  readonly rest: number;
}

/**
 * Two relaxations. Each job by itself, with everybody and everything free: its longest way through, at the fewest minutes
 * each stage can take. And each thing that is shared (all people, those with a skill, the authorised, tools of a kind, a
 * firm, the places) as one machine of that many hands, for the sum of ends: the middle of a job's work on it lies no sooner
 * than when that machine, which may leave off at any time and takes the heaviest for its work first, would have it
 * (preemptive, with release dates; the bound by mean busy times, Goemans 1997), and behind the middle of each stage lie half
 * of it and the longest way to the end. The best of all of them counts. Work that has begun counts with what is left of it.
 */
export function lowerBound(ground: Ground): Bound {
  const { problem } = ground;
  const done = earliestEnds(ground);
  const ends = problem.jobs.map(() => 0);
  for (const index of ground.order) {
    const { job } = ground.tasks[index]!;
    if (job >= 0) ends[job] = Math.max(ends[job]!, done[index]!);
  }
  const tails = ownTails(ground);
  const shared = pools(ground);
  for (const pool of shared)
    for (const [job, end] of aloneOn(ground, pool, { done, tails })) ends[job] = Math.max(ends[job]!, end);
  const late = problem.jobs.reduce(
    (sum, { weight, due }, job) => sum + (due === null ? 0 : (weight * Math.max(0, ends[job]! - due)) / 60),
    0,
  );
  const alone = problem.jobs.map(({ weight }, job) => (weight * ends[job]!) / 60);
  const sum = alone.reduce((all, one) => all + one, 0);
  return { late, ends: Math.max(sum, ...shared.map((pool) => byPool(ground, pool, { done, tails, alone }))) };
}

/** The fewest minutes a stage takes, however many are on it. */
const quickest = ({ stage, firm }: Task): number =>
  Math.max(
    1,
    Math.ceil(
      firm >= 0
        ? stage.minutes
        : stage.minutes / Math.max(stage.people, stage.mostPeople, stage.begun?.people.length ?? 0, 1),
    ),
  );

/** When each stage is over at the soonest, everything else free. */
function earliestEnds(ground: Ground): Float64Array {
  const { tasks, order } = ground;
  const done = new Float64Array(tasks.length);
  for (const index of order) {
    const task = tasks[index]!;
    let start = task.stage.begun ? 0 : task.stage.earliest;
    if (!task.stage.begun) for (const one of task.before) start = Math.max(start, done[one]!);
    if (task.firm >= 0) {
      const firm = [ground.firms[task.firm]!];
      done[index] = workedThrough(togetherFrom(start, firm), quickest(task), firm);
    } else done[index] = start + quickest(task);
  }
  return done;
}

/** Minutes from the end of each stage to the end of its own job at the soonest; what follows it in others says nothing of that. */
function ownTails({ tasks, order }: Ground): Float64Array {
  const tails = new Float64Array(tasks.length);
  for (const index of order.toReversed())
    for (const one of tasks[index]!.next)
      if (tasks[one]!.job === tasks[index]!.job)
        tails[index] = Math.max(tails[index]!, quickest(tasks[one]!) + tails[one]!);
  return tails;
}

/** All that is shared. */
function pools({ problem, tasks, order }: Ground): Pool[] {
  const begun = ({ stage }: Task) => stage.begun !== null;
  /** Of people of the house, minutes. */
  const ofHouse = (task: Task) =>
    task.firm >= 0 || (task.stage.people === 0 && !begun(task)) ? 0 : task.stage.minutes;
  const skills = [...new Set(order.flatMap((index) => tasks[index]!.stage.skill ?? []))];
  const kinds = [...new Set(order.flatMap((index) => tasks[index]!.stage.tools))];
  const chains = placeChains(tasks, order);
  return [
    { hands: problem.people.length, workOf: ofHouse },
    ...skills.map((skill) => ({
      hands: problem.people.filter((one) => one.skills.includes(skill)).length,
      // Of those it takes, one must be able; all others may be helpers.
      workOf: (task: Task) =>
        task.stage.skill === skill && !begun(task) ? ofHouse(task) / Math.max(task.stage.people, 1) : 0,
    })),
    {
      hands: problem.people.filter(({ hvUntil }) => hvUntil > 0).length,
      workOf: (task: Task) => (task.stage.liveHv && !begun(task) ? quickest(task) : 0),
    },
    ...kinds.map((kind) => ({
      hands: problem.tools.filter((tool) => tool.kind === kind).length,
      workOf: (task: Task) =>
        begun(task) ? 0 : quickest(task) * task.stage.tools.filter((one) => one === kind).length,
    })),
    ...problem.firms.map(({ capacity }, firm) => ({
      hands: capacity,
      workOf: (task: Task) => (task.firm === firm && !begun(task) ? quickest(task) : 0),
    })),
    { hands: problem.places.length, workOf: (task: Task) => (chains.has(task.index) ? quickest(task) : 0) },
  ].filter(({ hands }) => hands > 0);
}

/** Of each job the longest way through stages at the vehicle: they follow each other, and hold a place all the while. */
function placeChains(tasks: readonly Task[], order: readonly number[]): ReadonlySet<number> {
  const way = new Float64Array(tasks.length);
  const from = new Int32Array(tasks.length).fill(-1);
  const last = new Map<number, number>();
  const counts = ({ stage, job }: Task) => stage.at === 'vehicle' && !stage.begun && job >= 0;
  for (const index of order) {
    const task = tasks[index]!;
    for (const one of task.before)
      if (tasks[one]!.job === task.job && way[one]! > way[index]!) {
        way[index] = way[one]!;
        from[index] = one;
      }
    if (counts(task)) way[index]! += quickest(task);
    if (task.job >= 0 && way[index]! > (way[last.get(task.job) ?? -1] ?? 0)) last.set(task.job, index);
  }
  const chains = new Set<number>();
  for (let index of last.values())
    for (; index >= 0; index = from[index]!) if (counts(tasks[index]!)) chains.add(index);
  return chains;
}

/** Of so many stages of one job on one thing that is shared its own end is looked at; more would take too long. */
const MOST_OF_ONE = 300;

/**
 * When each job could be over if of all that is shared only this were short, and no other job were there: between the head
 * and the tail of any of its stages lies the work of all that have no smaller ones (Carlier, 1982).
 */
function aloneOn(
  { tasks, order }: Ground,
  { hands, workOf }: Pool,
  { done, tails }: { done: Float64Array; tails: Float64Array },
): ReadonlyMap<number, number> {
  const byJob = new Map<number, { head: number; tail: number; work: number }[]>();
  for (const index of order) {
    const task = tasks[index]!;
    const work = task.job < 0 ? 0 : workOf(task) / hands;
    if (work === 0) continue;
    const own = byJob.get(task.job) ?? [];
    own.push({ work, head: Math.max(0, done[index]! - quickest(task)), tail: tails[index]! });
    byJob.set(task.job, own);
  }
  return new Map(
    [...byJob].map(([job, own]) => {
      if (own.length > MOST_OF_ONE) return [job, 0];
      const fromLatest = own.toSorted((a, b) => b.tail - a.tail);
      const ends = own.map(({ head }) => {
        let work = 0;
        let most = 0;
        for (const one of fromLatest) {
          if (one.head < head) continue;
          work += one.work;
          most = Math.max(most, head + work + one.tail);
        }
        return most;
      });
      return [job, Math.max(...ends)];
    }),
  );
}

/** The least sum of weighted ends, hours, if of all that is shared only this were short. */
function byPool(
  { problem, tasks, order }: Ground,
  { hands, workOf }: Pool,
  { done, tails, alone }: { done: Float64Array; tails: Float64Array; alone: readonly number[] },
): number {
  const items = order.flatMap((index): Item[] => {
    const task = tasks[index]!;
    const work = task.job < 0 ? 0 : workOf(task) / hands;
    const head = Math.max(0, done[index]! - quickest(task));
    return work > 0 ? [{ job: task.job, work, head, rest: quickest(task) / 2 + tails[index]! }] : [];
  });
  const works = new Float64Array(problem.jobs.length);
  for (const { job, work } of items) works[job]! += work;
  const density = (job: number) => problem.jobs[job]!.weight / works[job]!;
  const middles = meanBusy(items, ({ job }) => density(job));
  const ends = problem.jobs.map((_, job) => (works[job]! > 0 ? 0 : alone[job]!));
  items.forEach(({ job, work, rest }, i) => {
    ends[job]! += (density(job) * work * (middles[i]! + rest)) / 60;
  });
  return ends.reduce((sum, one) => sum + one, 0);
}

/** Mean time of work of each item on one machine that always does, of what may be begun, the one that weighs most. */
function meanBusy(items: readonly Item[], weigh: (item: Item) => number): Float64Array {
  const middles = new Float64Array(items.length);
  const left = Float64Array.from(items, ({ work }) => work);
  const weights = Float64Array.from(items, weigh);
  const byHead = [...items.keys()].sort((a, b) => items[a]!.head - items[b]!.head);
  const open: number[] = [];
  let next = 0;
  for (let now = 0; next < byHead.length || open.length > 0; ) {
    if (open.length === 0) now = Math.max(now, items[byHead[next]!]!.head);
    while (next < byHead.length && items[byHead[next]!]!.head <= now) open.push(byHead[next++]!);
    const at = open.reduce((best, one, i) => (weights[one]! > weights[open[best]!]! ? i : best), 0);
    const item = open[at]!;
    const until = Math.min(now + left[item]!, items[byHead[next] ?? -1]?.head ?? Number.POSITIVE_INFINITY);
    const share = (until - now) / items[item]!.work;
    middles[item]! += (share * (now + until)) / 2;
    left[item]! -= until - now;
    if (left[item]! < 1e-9) open.splice(at, 1);
    now = until;
  }
  return middles;
}
