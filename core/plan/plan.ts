import { seeded } from '../spread/seeded.ts';
import { lowerBound } from './bound.ts';
import { type Decoder, decode, type Fixed, type Recipe, replay } from './decode.ts';
import { type Ground, groundOf } from './ground.ts';
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
  /** Same problem, same seed, same passes: same plan. */
  readonly seed: number;
  /** How often it is put together anew to be made better. @default as many as its size lets in two seconds, see `passesFor` */
  readonly passes?: number;
  /** A plan of before: where it still holds it is never bettered by a worse one. */
  readonly before?: readonly PlannedStage[];
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

/** Passes that a problem of so many stages is given: about the same work for each. */
export const passesFor = (stages: number): number =>
  Math.max(24, Math.min(3000, Math.round(70_000 / Math.max(stages, 1))));

/** Of so few passes each is told why its stages are not sooner. */
const FEW = 2;

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
  Math.max(1, Math.min(80, Math.floor(2200 / Math.max(stages, 1))));

/** The costs a bound is known of. */
const boundedCost = ({ late, ends }: PlanCost): number => 100 * late + ends;

/**
 * A plan for all jobs: as early as people, places, tools, firms and parts let them be, lateness counted first. It is put
 * together by rules of thumb, the best of which is then made better: changes of order are tried one after another and
 * kept where they help (simulated annealing; Kirkpatrick and others, 1983).
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
  private readonly jobAt: ReadonlyMap<string, number>;

  constructor(problem: PlanProblem, { seed, passes, before, bounded = true }: PlanOptions) {
    this.ground = groundOf(problem);
    this.random = seeded(seed);
    this.passes = passes ?? passesFor(problem.stages.length);
    this.before = before;
    this.bounded = bounded;
    this.jobAt = new Map(problem.jobs.map(({ id }, index) => [id, index]));
  }

  private judge(recipe: Recipe, make: Make = decode): Judged {
    // Of a few passes each may be the one that is shown: why is asked along with it.
    const explained = this.passes <= FEW;
    const decoder = make(this.ground, recipe, explained);
    const { cost, jobs } = costOf(this.ground, decoder);
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
    const tell = (): PlanProgress => ({ passes: this.done, of: this.passes, cost: this.top!.cost });
    const { ground } = this;
    const gates = new Float64Array(ground.problem.jobs.length);
    if (this.before) {
      const fixed = fixedOf(ground, this.before);
      this.judge({ keys: latestStarts(ground), gates }, (on, recipe, explain) => replay(on, fixed, recipe, explain));
      yield tell();
      if (this.done < this.passes) this.judge({ keys: startsOf(this.top!.decoder), gates });
      yield tell();
    }
    if (this.done >= this.passes && this.top) return;
    for (const keys of rules(ground)) {
      if (this.done >= this.passes && this.top) break;
      this.judge({ keys, gates });
      yield tell();
    }
    yield* this.anneal(tell);
    yield* this.beginLater(tell);
  }

  private *anneal(tell: () => PlanProgress): Generator<PlanProgress> {
    const first = this.done;
    const last = Math.max(first, Math.round(this.passes * 0.85));
    if (this.done >= last) return;
    // Keys of the best are the starts it gave: order and distance both mean something then.
    let now = this.judge({ keys: startsOf(this.top!.decoder), gates: this.top!.recipe.gates });
    const heat = Math.max(now.sum * 0.02, 1e-6);
    while (this.done < last) {
      const share = (this.done - first) / Math.max(last - first, 1);
      const temperature = heat * (1 - share) ** 2;
      const keys = this.changed(now);
      const next = this.judge({ keys, gates: now.recipe.gates });
      if (next.sum <= now.sum || this.random() < Math.exp((now.sum - next.sum) / Math.max(temperature, 1e-9)))
        now = { ...next, recipe: { ...next.recipe, keys: startsOf(next.decoder) } };
      yield tell();
    }
  }

  /** A change of order: a job before or after another, a stage sooner or later, two stages in each other's turn. */
  private changed({ recipe, jobs }: Judged): Float64Array {
    const { problem, order, tasks } = this.ground;
    const next = recipe.keys.slice();
    if (order.length < 2) return next;
    const pick = <T>(list: readonly T[]): T => list[Math.floor(this.random() * list.length)]!;
    const span = Math.max(1, ...jobs.map(({ end }) => end));
    const kind = this.random();
    if (kind < 0.35 && problem.jobs.length > 1) {
      const late = jobs.flatMap((job) => (job.late > 0 ? [this.jobAt.get(job.id)!] : []));
      const job = late.length > 0 && this.random() < 0.6 ? pick(late) : Math.floor(this.random() * problem.jobs.length);
      const by = (this.random() - (late.includes(job) ? 0.9 : 0.5)) * span * 0.4;
      for (const { index, job: of } of tasks) if (of === job) next[index]! += by;
    } else if (kind < 0.7) {
      next[pick(order)]! += (this.random() - 0.5) * span * (this.random() < 0.6 ? 0.15 : 0.6);
    } else {
      const [a, b] = [pick(order), pick(order)];
      [next[a], next[b]] = [next[b]!, next[a]!];
    }
    return next;
  }

  /** Jobs that are not begun yet are begun later, where nothing ends later by it: less lies about half done. */
  private *beginLater(tell: () => PlanProgress): Generator<PlanProgress> {
    const { ground } = this;
    const begun = new Set(ground.tasks.flatMap(({ stage, job }) => (stage.begun ? [job] : [])));
    const jobs = this.top!.jobs.map((job) => ({ ...job, index: this.jobAt.get(job.id)! }))
      .filter(({ index }) => !begun.has(index) && !ground.problem.jobs[index]!.underWay)
      .sort((a, b) => b.start - a.start);
    for (const { index, start, end } of jobs) {
      for (const share of [0.75, 0.5, 0.25]) {
        if (this.done >= this.passes) return;
        const was = this.top!;
        const gates = was.recipe.gates.slice();
        gates[index] = Math.round((start + (end - start) * share) / 15) * 15;
        const keys = startsOf(was.decoder);
        const next = this.judge({ keys, gates });
        yield tell();
        if (next === this.top) break;
      }
    }
  }

  /** The best plan so far. */
  best(): FoundPlan {
    if (!this.top) for (const _ of this.steps()) break;
    const least = this.bounded ? boundedCost({ ...lowerBound(this.ground), inProgress: 0 }) : 0;
    const { make, recipe, decoder, explained } = this.top!;
    const plan = planOf(this.ground, explained ? decoder : make(this.ground, recipe, true));
    const cost = this.bounded ? boundedCost(plan.cost) : 0;
    return { ...plan, bound: least, gap: cost <= least || cost === 0 ? 0 : 1 - least / cost, passes: this.done };
  }
}

/** A plan, all its passes through. */
export function makePlan(problem: PlanProblem, options: PlanOptions): FoundPlan {
  const planner = new Planner(problem, options);
  for (const _ of planner.steps());
  return planner.best();
}

const startsOf = ({ placed }: Decoder): Float64Array => Float64Array.from(placed, (one) => one?.start ?? 0);

/** Latest begin of each stage so that its job keeps its promise, everything free; jobs without one come after a season. */
function latestStarts({ problem, tasks, order }: Ground): Float64Array {
  const SEASON = 60 * 8 * 120;
  const keys = new Float64Array(tasks.length);
  for (const index of order.toReversed()) {
    const { stage, next, job } = tasks[index]!;
    const due = problem.jobs[job]?.due ?? SEASON;
    const end = next.reduce((soonest, one) => Math.min(soonest, keys[one]!), due);
    keys[index] = end - stage.minutes / Math.max(stage.people, stage.mostPeople, 1);
  }
  return keys;
}

/** Orders by rules of thumb: least slack, one job after another by promise, longest way to go, as named. */
function rules(ground: Ground): Float64Array[] {
  const { problem, tasks } = ground;
  const latest = latestStarts(ground);
  const weighted = Float64Array.from(latest, (key, index) => {
    const weight = problem.jobs[tasks[index]!.job]?.weight ?? 1;
    return key < 0 ? key * weight : key / weight;
  });
  const promise = tasks.map(({ job }) => problem.jobs[job]?.due ?? Number.MAX_SAFE_INTEGER / 4);
  const jobByJob = Float64Array.from(latest, (key, index) => promise[index]! * 1000 + key);
  const toGo = new Float64Array(tasks.length);
  for (const index of ground.order.toReversed()) {
    const { stage, next } = tasks[index]!;
    const minutes = stage.minutes / Math.max(stage.people, stage.mostPeople, 1);
    toGo[index] = -minutes + next.reduce((most, one) => Math.min(most, toGo[one]!), 0);
  }
  const work = new Map<number, number>();
  for (const { job, stage } of tasks) work.set(job, (work.get(job) ?? 0) + stage.minutes);
  const shortFirst = Float64Array.from(latest, (key, index) => work.get(tasks[index]!.job)! * 1000 + key / 1000);
  return [latest, weighted, jobByJob, toGo, shortFirst];
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
