import { seeded } from '../spread/seeded.ts';
import { lowerBound } from './bound.ts';
import { type Decoder, decode, type Fixed, type Recipe, replay } from './decode.ts';
import { type Ground, groundOf } from './ground.ts';
import { changedRecipe, waysOf } from './moves.ts';
import { rules } from './orders.ts';
import { costOf, planOf } from './outcome.ts';
import {
  costSum,
  type PlanCost,
  type PlannedJob,
  type PlannedStage,
  type PlanProblem,
  type WorkPlan,
} from './problem.ts';

export interface PlanOptions {
  /** Same problem, same seed, same passes: same plan; with more passes never a worse one. */
  readonly seed: number;
  /** How often it is put together anew to be made better. @default as many as its size lets in two seconds, see `passesFor` */
  readonly passes?: number;
  /** A plan of before: it is gone on from, and the days it told are not moved for nothing. */
  readonly before?: readonly PlannedStage[];
  /** Asked after each pass: has it taken long enough? The best so far is the plan then. @default never */
  readonly enough?: () => boolean;
  /** Whether it is told how far from the best possible it is. @default true */
  readonly bounded?: boolean;
}

export interface FoundPlan extends WorkPlan {
  /** No plan can cost less than this, hours as `costSum` reckons them without work in progress. */
  readonly bound: number;
  /** How far the plan may be from the best possible, 0..1; 0 where it is the best. */
  readonly gap: number;
  readonly passes: number;
}

export interface PlanProgress {
  readonly passes: number;
  readonly of: number;
  readonly cost: PlanCost;
}

/** Passes that a problem of so many stages is given: what fits into about two seconds, and one however many there are. */
export const passesFor = (stages: number): number => {
  const many = Math.max(stages, 1);
  // Where they are few it is found in less, and nobody is kept waiting for more.
  const most = Math.min(3000, Math.max(1000, Math.round(60_000 / many)));
  return Math.max(1, Math.min(most, Math.round(3_450_000 / many ** 1.5)));
};

/** Of so few passes each is told why its stages are not sooner. */
const FEW = 2;
/** How much worse a change may be and still be tried further at the begin of a round, as a share of the best. */
const HEAT = 0.003;
/** So many orders of chance, shared among the jobs. */
const BY_CHANCE = 240;
/** Passes of the first round and of the longest: each has twice as many as the one before. */
const [FIRST_ROUND, LONGEST_ROUND] = [100, 1600];

type Make = (ground: Ground, recipe: Recipe, explain?: boolean) => Decoder;

interface Judged {
  readonly recipe: Recipe;
  readonly make: Make;
  readonly decoder: Decoder;
  /** Whether it tells why each stage is not sooner. */
  readonly explained: boolean;
  readonly sum: number;
  readonly cost: PlanCost;
  readonly jobs: readonly PlannedJob[];
}

/** Passes of a plan that somebody waits for with a stage in hand. */
export const glancePasses = (stages: number): number =>
  Math.max(3, Math.min(80, Math.floor(3600 / Math.max(stages, 1))));

/** The costs a bound is known of. */
const boundedCost = ({ late, ends }: PlanCost): number => 100 * late + ends;

/**
 * A plan for all jobs: as early as people, places, tools, firms and parts let them be, lateness counted first. It is put
 * together by rules of thumb, the best of which is then made better: its order is changed a little again and again, and a
 * change is kept where it helps. What is changed is what the order goes by, never the times that came out of it: those
 * would not give the plan back. The way it goes does not depend on how far, so that going on never gives a worse plan.
 *
 * Each step gives how far it is; whoever asks no further has the best found so far through `best`.
 */
export class Planner {
  readonly ground: Ground;
  private readonly random: () => number;
  private readonly passes: number;
  private top: Judged | null = null;
  private done = 0;
  private readonly before: readonly PlannedStage[] | undefined;
  private readonly bounded: boolean;
  /** By job, the minute at which the plan of before told that it is over; none where nothing was told. */
  private readonly told: Float64Array | null;

  constructor(problem: PlanProblem, { seed, passes, before, bounded = true }: PlanOptions) {
    this.ground = groundOf(problem);
    this.random = seeded(seed);
    this.passes = passes ?? passesFor(problem.stages.length);
    this.before = before;
    this.bounded = bounded;
    this.told = before ? toldEnds(this.ground, before) : null;
  }

  private judge(recipe: Recipe, make: Make = decode): Judged {
    // Of a few passes each may be the one that is shown: why is asked along with it.
    const explained = this.passes <= FEW;
    const decoder = make(this.ground, recipe, explained);
    const { cost, jobs } = costOf(this.ground, decoder, this.told);
    // What cannot be planned weighs more than any lateness.
    const sum = costSum(cost) + decoder.failed.size * 1e7;
    const judged = { recipe, make, decoder, explained, sum, cost, jobs };
    this.done++;
    // Of two alike the one that was put together anew.
    if (this.top === null || sum < this.top.sum - 1e-9 || (sum <= this.top.sum + 1e-9 && make === decode))
      this.top = judged;
    return judged;
  }

  /** Makes the plan better until its passes are used up; each step tells how far it is. */
  *steps(): Generator<PlanProgress> {
    const { ground } = this;
    const gates = new Float64Array(ground.problem.jobs.length);
    const orders = rules(ground).map((keys): [Recipe, Make] => [{ keys, gates }, decode]);
    const tries = this.before
      ? [...againAs(ground, this.before, orders[0]![0].keys), ...orders]
      : [...orders, ...this.byChance(orders[0]![0])];
    let now: Judged | null = null;
    for (const [recipe, make] of tries) {
      if (this.done >= this.passes && this.top) return;
      const next = this.judge(recipe, make);
      // Gone on from is what an order gives, of those of before or, without any, of the rules.
      if (make === decode && (now === null || next.sum < now.sum)) now = next;
      yield { passes: this.done, of: this.passes, cost: this.top!.cost };
    }
    yield* this.search(now!);
  }

  /** One job after another in orders of chance: where they are few, one of these is soon near the best. */
  private byChance({ keys, gates }: Recipe): [Recipe, Make][] {
    const jobs = this.ground.problem.jobs.length;
    const span = keys.reduce((most, one) => Math.max(most, Math.abs(one)), 1);
    return Array.from({ length: jobs < 2 ? 0 : Math.min(40, Math.round(BY_CHANCE / jobs)) }, () => {
      const turns = Float64Array.from({ length: jobs }, () => this.random() * 10 * span);
      return [{ keys: keys.map((key, index) => key + turns[this.ground.tasks[index]!.job]!), gates }, decode];
    });
  }

  /** Simulated annealing (Kirkpatrick and others, 1983) in rounds, each from the best so far. */
  private *search(from: Judged): Generator<PlanProgress> {
    const ways = waysOf(this.ground);
    let best = from;
    for (let round = FIRST_ROUND; this.done < this.passes; round = Math.min(2 * round, LONGEST_ROUND)) {
      let now = best;
      for (let left = round; left > 0 && this.done < this.passes; left--) {
        const next = this.judge(changedRecipe(this.ground, ways, now, this.random));
        const heat = HEAT * best.sum * (left / round) ** 2;
        if (next.sum <= now.sum || this.random() < Math.exp((now.sum - next.sum) / (heat + 1e-9))) now = next;
        if (next.sum < best.sum) best = next;
        yield { passes: this.done, of: this.passes, cost: this.top!.cost };
      }
    }
  }

  /** The best plan so far. */
  best(): FoundPlan {
    if (!this.top) for (const _ of this.steps()) break;
    const least = this.bounded ? boundedCost({ ...lowerBound(this.ground), inProgress: 0, moved: 0 }) : 0;
    const { make, recipe, decoder, explained } = this.top!;
    const shown = explained ? decoder : make(this.ground, recipe, true);
    const plan = planOf(this.ground, shown, recipe, this.told);
    const cost = this.bounded ? boundedCost(plan.cost) : 0;
    return { ...plan, bound: least, gap: cost <= least || cost === 0 ? 0 : 1 - least / cost, passes: this.done };
  }
}

/** A plan, all its passes through. */
export function makePlan(problem: PlanProblem, options: PlanOptions): FoundPlan {
  const planner = new Planner(problem, options);
  for (const _ of planner.steps()) if (options.enough?.()) break;
  return planner.best();
}

/** By job, when a plan of before told that it is over; not a number where it told nothing. */
function toldEnds({ problem, tasks }: Ground, before: readonly PlannedStage[]): Float64Array {
  const ends = new Float64Array(problem.jobs.length).fill(Number.NaN);
  const jobs = new Map(tasks.map(({ stage, job }) => [stage.id, job]));
  for (const { id, end } of before) {
    const job = jobs.get(id) ?? -1;
    if (job >= 0 && !(ends[job]! >= end)) ends[job] = end;
  }
  return ends;
}

/**
 * The plan of before again, three ways: what has to move finds room beside all that stays; what has to move pushes on what
 * comes after it; put together by the same order. Stages that are new go by `latest`.
 */
function againAs(ground: Ground, before: readonly PlannedStage[], latest: Float64Array): [Recipe, Make][] {
  const fixed = fixedOf(ground, before);
  const known = new Map(before.map((one) => [one.id, one]));
  const keys = Float64Array.from(ground.tasks, ({ stage: { id }, index }) => {
    const was = known.get(id);
    return was?.key ?? was?.start ?? latest[index]!;
  });
  const gates = new Float64Array(ground.problem.jobs.length);
  for (const { stage, job } of ground.tasks) if (job >= 0) gates[job] = known.get(stage.id)?.gate ?? gates[job]!;
  const recipe = { keys, gates };
  return [
    [recipe, (on, by, explain) => replay(on, fixed, by, { explain })],
    [recipe, (on, by, explain) => replay(on, fixed, by, { explain, pushing: true })],
    [recipe, decode],
  ];
}

/** Where a plan of before has its stages, by number. */
function fixedOf({ problem, tasks }: Ground, before: readonly PlannedStage[]): ReadonlyMap<number, Fixed> {
  const people = new Map(problem.people.map(({ id }, index) => [id, index]));
  const places = new Map(problem.places.map(({ id }, index) => [id, index]));
  const stages = new Map(tasks.map(({ stage, index }) => [stage.id, index]));
  return new Map(
    before.flatMap((one) => {
      const index = stages.get(one.id);
      const crew = one.people.map((id) => people.get(id) ?? -1);
      if (index === undefined || crew.includes(-1)) return [];
      const place = one.placeId === null ? -1 : (places.get(one.placeId) ?? -3);
      return [[index, { start: one.start, end: one.end, people: crew, place }] as const];
    }),
  );
}
