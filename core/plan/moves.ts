import type { Decoder, Recipe } from './decode.ts';
import type { Ground } from './ground.ts';
import { minutesToGo } from './orders.ts';
import type { PlannedJob } from './problem.ts';

/** What changes of one problem go by, worked out once. */
export interface Ways {
  /** The stages of each job by number, those with the longest way to go first. */
  readonly own: readonly (readonly number[])[];
  /** By stage, minutes from its begin to the end of what waits for it. */
  readonly toGo: Float64Array;
}

export function waysOf(ground: Ground): Ways {
  const toGo = minutesToGo(ground);
  const own: number[][] = ground.problem.jobs.map(() => []);
  for (const index of ground.order) own[ground.tasks[index]!.job]?.push(index);
  for (const list of own) list.sort((a, b) => toGo[b]! - toGo[a]! || a - b);
  return { own, toGo };
}

/** How often each kind of change is tried. */
const SHARES = { jobs: 0.3, tail: 0.36, stage: 0.46, swap: 0.56, gate: 0.62 } as const;

/** One job has no turn among others: what held it up comes later, or its stages change their turns; seldom it begins later. */
function ofOne(random: () => number): number {
  const turn = random();
  if (turn < 0.5) return 1;
  return turn < 0.96 ? SHARES.tail + (SHARES.swap - SHARES.tail) * random() : SHARES.swap;
}

interface From {
  readonly recipe: Recipe;
  readonly decoder: Pick<Decoder, 'placed'>;
  readonly jobs: readonly PlannedJob[];
}

/**
 * What holds a job: from its last stage back, each time by what was over just when it began. Pairs of a stage and one of
 * another way that had its people, tool, place or slot until then.
 *
 * @param last a stage by number
 */
function heldUp({ tasks }: Ground, { placed }: Pick<Decoder, 'placed'>, last: number): [stage: number, by: number][] {
  const pairs: [number, number][] = [];
  const endingAt = new Map<number, number[]>();
  placed.forEach((one, index) => {
    if (!one) return;
    const there = endingAt.get(one.end);
    if (there) there.push(index);
    else endingAt.set(one.end, [index]);
  });
  for (let now = last; now >= 0; ) {
    const at: NonNullable<Decoder['placed'][number]> = placed[now]!;
    const sooner: number[] = endingAt.get(at.start) ?? [];
    const shares = (other: number) =>
      placed[other]!.people.some((one) => at.people.includes(one)) ||
      placed[other]!.tools.some((one) => at.tools.includes(one)) ||
      (tasks[other]!.firm >= 0 && tasks[other]!.firm === tasks[now]!.firm);
    const before: number = sooner.find((one) => tasks[now]!.before.includes(one)) ?? -1;
    const others = sooner.filter((one) => one !== before && !tasks[one]!.stage.begun && shares(one));
    for (const other of others) pairs.push([now, other]);
    now = before >= 0 ? before : (others[0] ?? -1);
  }
  return pairs;
}

/**
 * A plan put together a little differently: some jobs sooner or later as wholes, the end of one, one stage, two jobs in
 * each other's turn, a job begun later so that less lies about half done, or, of a late job, a stage before the one that
 * held it up. The recipe given is left as it is.
 *
 * @param random numbers in [0, 1)
 */
export function changedRecipe(
  ground: Ground,
  { own, toGo }: Ways,
  { recipe, decoder, jobs }: From,
  random: () => number,
): Recipe {
  const { problem, order, tasks } = ground;
  const keys = recipe.keys.slice();
  const pick = (n: number) => Math.floor(random() * n);
  if (order.length === 0) return { keys, gates: recipe.gates };
  let [least, most] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const one of order) {
    least = Math.min(least, keys[one]!);
    most = Math.max(most, keys[one]!);
  }
  // Orders have scales of their own: one by promises is in minutes, one of chance in anything.
  const reach = Math.max(1, most - least) * (random() < 0.5 ? 0.4 : 0.1);
  const by = () => (random() - 0.5) * reach;
  const shift = (stages: readonly number[], minutes: number) => {
    for (const one of stages) keys[one]! += minutes;
  };
  const some = () => own[pick(own.length)] ?? [];
  const kind = problem.jobs.length > 1 ? random() : ofOne(random);
  if (kind >= SHARES.gate && jobs.length > 0) {
    const late = jobs.filter((one) => one.late > 0);
    const of = late.length > 0 ? late : jobs;
    const { id, end } = of[pick(of.length)]!;
    const last = order.find((one) => tasks[one]!.stage.jobId === id && decoder.placed[one]?.end === end) ?? -1;
    const pairs = heldUp(ground, decoder, last);
    if (pairs.length > 0) {
      const [stage, by] = pairs[pick(pairs.length)]!;
      // It can only come first if all it waits for does.
      const pull = (one: number) => {
        if (keys[one]! < keys[by]!) return;
        keys[one] = keys[by]! - 1e-3;
        for (const before of tasks[one]!.before) pull(before);
      };
      pull(stage);
      return { keys, gates: recipe.gates };
    }
  }
  // One job's stages have nobody to be put before but each other.
  if (kind < SHARES.jobs && problem.jobs.length > 1) {
    for (let left = 1 + pick(4); left > 0; left--) shift(some(), by());
  } else if (kind < SHARES.tail && problem.jobs.length > 1) {
    const stages = some();
    shift(stages.slice(pick(stages.length)), by());
  } else if (kind < SHARES.stage) {
    shift([order[pick(order.length)]!], by());
  } else if (kind < SHARES.swap || jobs.length === 0) {
    const [a, b] =
      problem.jobs.length > 1 ? [some(), some()] : [[order[pick(order.length)]!], [order[pick(order.length)]!]];
    if (a.length > 0 && b.length > 0) {
      const difference = keys[a[0]!]! - keys[b[0]!]!;
      shift(a, -difference);
      shift(b, difference);
    }
  } else {
    const gates = recipe.gates.slice();
    const { id, end } = jobs[pick(jobs.length)]!;
    const job = problem.jobs.findIndex((one) => one.id === id);
    if (problem.jobs[job]!.underWay) return { keys, gates };
    // No later than its longest way lets it end when it does now.
    const way = Math.max(0, ...own[job]!.map((one) => toGo[one]!));
    gates[job] = random() < 0.3 ? 0 : Math.max(0, Math.floor((end - way * (1 + 0.6 * random() ** 2)) / 15) * 15);
    return { keys, gates };
  }
  return { keys, gates: recipe.gates };
}
