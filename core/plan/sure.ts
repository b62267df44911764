import { seeded } from '../spread/seeded.ts';
import { Calendar, togetherFrom, workedThrough } from './calendar.ts';
import type { PlannedStage, PlanProblem, PlanStage } from './problem.ts';

/** How far a stage's time may lie from what is planned: shares of its minutes, least, likeliest, most. */
export interface Spread {
  readonly least: number;
  readonly likeliest: number;
  readonly most: number;
}
/** Where nothing has been learnt: a stage is seldom much quicker than planned and often slower. Common practice. */
export const USUAL_SPREAD: Spread = { least: 0.85, likeliest: 1, most: 1.5 };

/** How a stage's earliest minute may move: a supplier's lateness, minutes, as often below the median as above, never over the most. */
export interface Lateness {
  readonly median: number;
  readonly most: number;
}

/**
 * A draw of a lateness by its inverse, which is its quantiles: nothing at 0, the median at a half, the most at 1. Below the
 * median all are alike likely; above, the later the less (a triangle; common practice).
 */
export function lateBy(u: number, { median, most }: Lateness): number {
  if (u <= 0.5) return 2 * u * Math.min(median, most);
  return median + Math.max(0, most - median) * (1 - Math.sqrt(2 * (1 - u)));
}

export interface SureOptions {
  readonly runs: number;
  readonly seed: number;
  readonly spreadOf: (stageId: string) => Spread;
  readonly latenessOf: (stageId: string) => Lateness | null;
}

export interface SureJob {
  readonly id: string;
  /** Minutes by which it is ready in half of all runs, and in nine of ten. */
  readonly half: number;
  readonly nineInTen: number;
  /** Share of runs that keep its promise; null where nothing is promised. */
  readonly kept: number | null;
  /** The stage whose own time moves its end most, and the share of its variance that goes with it; null where nothing does. */
  readonly drives: { readonly stageId: string; readonly share: number } | null;
}

/** A draw from a triangle, by its inverse. */
export function triangular(u: number, { least, likeliest, most }: Spread): number {
  if (most <= least) return likeliest;
  const turn = (likeliest - least) / (most - least);
  return u < turn
    ? least + Math.sqrt(u * (most - least) * (likeliest - least))
    : most - Math.sqrt((1 - u) * (most - least) * (most - likeliest));
}

interface Node {
  readonly id: string;
  readonly job: number;
  /** Stages it comes after in this plan: by the network, by its people, tools and place; with minutes to move in between. */
  readonly after: readonly { readonly at: number; readonly gap: number }[];
  readonly minutes: number;
  readonly earliest: number;
  readonly begun: boolean;
  readonly calendars: readonly Calendar[];
}

/** Stages by their begin, and none before what it waits for: the network may be newer than the plan. */
function inTurn(planned: readonly PlannedStage[], stages: ReadonlyMap<string, PlanStage>): PlannedStage[] {
  const byId = new Map(planned.map((one) => [one.id, one]));
  const turn = new Set<PlannedStage>();
  const met = new Set<PlannedStage>();
  const visit = (one: PlannedStage) => {
    if (met.has(one)) return;
    met.add(one);
    for (const id of stages.get(one.id)!.after) {
      const before = byId.get(id);
      if (before) visit(before);
    }
    turn.add(one);
  };
  for (const one of planned.toSorted((a, b) => a.start - b.start || a.end - b.end)) visit(one);
  return [...turn];
}

/**
 * The plan as an order: who and what goes from which stage to which stays as planned, whatever the times turn out to be. A
 * stage begins when all it comes after is over.
 */
function orderOf(problem: PlanProblem, planned: readonly PlannedStage[]): Node[] {
  const stages = new Map(problem.stages.map((stage) => [stage.id, stage]));
  const jobs = new Map(problem.jobs.map(({ id }, index) => [id, index]));
  const people = new Map(problem.people.map((one) => [one.id, new Calendar(one.off)]));
  const firms = new Map(problem.firms.map((one) => [one.id, new Calendar(one.off)]));
  const sorted = inTurn(planned, stages);
  const index = new Map(sorted.map(({ id }, at) => [id, at]));
  const last = new Map<string, number>();
  const atFirm = new Map<string, readonly number[]>();
  const placeOf = (one: PlannedStage) => (stages.get(one.id)!.at === 'away' ? 'away' : one.placeId);
  const jobOf = (one: PlannedStage) => stages.get(one.id)!.jobId;
  /** What must be gone before a vehicle is there: its own work elsewhere, and whoever was in the place last. */
  const roomFor = (at: number, where: string): number[] => {
    const one = sorted[at]!;
    const sooner = sorted.slice(0, at).flatMap((other, before) => (other.end <= one.start ? [{ other, before }] : []));
    const elsewhere = sooner.filter(({ other }) => {
      const there = placeOf(other);
      return jobOf(other) === jobOf(one) && there !== null && there !== where;
    });
    const others =
      where === 'away' ? [] : sooner.filter(({ other }) => placeOf(other) === where && jobOf(other) !== jobOf(one));
    const lastJob = others.at(-1) && jobOf(others.at(-1)!.other);
    return [...elsewhere, ...others.filter(({ other }) => jobOf(other) === lastJob)].map(({ before }) => before);
  };
  return sorted.map((one, at): Node => {
    const stage = stages.get(one.id)!;
    const after = new Map<number, number>();
    const behind = (which: number | undefined, gap: number) => {
      if (which !== undefined && which !== at) after.set(which, Math.max(after.get(which) ?? 0, gap));
    };
    for (const id of stage.after) behind(index.get(id), 0);
    for (const id of one.people) behind(last.get(`p ${id}`), 0);
    for (const id of one.tools) behind(last.get(`t ${id}`), 0);
    const where = stage.at === 'away' ? 'away' : one.placeId;
    if (where !== null) for (const before of roomFor(at, where)) behind(before, problem.moveMinutes);
    for (const id of one.people) last.set(`p ${id}`, at);
    for (const id of one.tools) last.set(`t ${id}`, at);
    if (stage.firmId !== null) {
      // Of all it had before, only as many may still be there as leave it a slot.
      const had = atFirm.get(stage.firmId) ?? [];
      const slots = problem.firms.find(({ id }) => id === stage.firmId)?.capacity ?? 1;
      behind(had.toSorted((a, b) => sorted[b]!.end - sorted[a]!.end)[slots - 1], 0);
      atFirm.set(stage.firmId, [...had, at]);
    }
    const each = stage.firmId === null ? stage.minutes / Math.max(one.people.length, 1) : stage.minutes;
    const calendars = stage.firmId === null ? one.people.map((id) => people.get(id)!) : [firms.get(stage.firmId)!];
    return {
      ...{ id: one.id, job: jobs.get(stage.jobId) ?? -1, minutes: each, earliest: stage.earliest },
      ...{ begun: stage.begun !== null, calendars: calendars.filter(({ always }) => !always) },
      after: [...after].map(([before, gap]) => ({ at: before, gap })),
    };
  });
}

/**
 * How sure a plan is: its order is run through so many times with stage times and arrivals drawn from their spreads
 * (Monte Carlo, seeded: the same answer every time). Tells how far it is after every hundredth of the runs.
 */
export function* howSure(
  problem: PlanProblem,
  planned: readonly PlannedStage[],
  { runs, seed, spreadOf, latenessOf }: SureOptions,
): Generator<number, SureJob[]> {
  const random = seeded(seed);
  const nodes = orderOf(problem, planned);
  const spreads = nodes.map(({ id }) => spreadOf(id));
  const lateness = nodes.map(({ id }) => latenessOf(id));
  const ends = problem.jobs.map(() => new Float64Array(runs));
  // For the share of each stage: its own minutes of every run, against the end of its job.
  const drawn = nodes.map(() => new Float64Array(runs));
  const over = new Float64Array(nodes.length);
  for (let run = 0; run < runs; run++) {
    for (let at = 0; at < nodes.length; at++) {
      const node = nodes[at]!;
      const late = lateness[at];
      const share = triangular(random(), spreads[at]!);
      const minutes = node.minutes * share;
      drawn[at]![run] = minutes;
      let start = node.begun ? 0 : node.earliest;
      if (late && node.earliest > 0 && !node.begun) start += lateBy(random(), late);
      for (const { at: before, gap } of node.after) start = Math.max(start, over[before]! + gap);
      if (node.calendars.length > 0) {
        start = togetherFrom(start, node.calendars);
        over[at] = workedThrough(start, minutes, node.calendars);
      } else over[at] = start + minutes;
      if (node.job >= 0 && over[at]! > ends[node.job]![run]!) ends[node.job]![run] = over[at]!;
    }
    if ((run + 1) % Math.max(1, Math.floor(runs / 100)) === 0) yield (run + 1) / runs;
  }
  return problem.jobs.flatMap((job, index): SureJob[] => {
    const own = ends[index]!;
    if (!nodes.some((node) => node.job === index)) return [];
    const sorted = own.toSorted();
    const at = (share: number) => sorted[Math.min(runs - 1, Math.ceil(share * runs) - 1)]!;
    const kept = job.due === null ? null : own.filter((end) => end <= job.due! + 1e-9).length / runs;
    const shares = nodes.map((node, i) => ({ stageId: node.id, share: correlation(drawn[i]!, own) ** 2 }));
    const drives = shares.reduce((best, one) => (one.share > best.share ? one : best), { stageId: '', share: 0 });
    return [{ ...{ id: job.id, half: at(0.5), nineInTen: at(0.9), kept }, drives: drives.share > 0 ? drives : null }];
  });
}

/** Pearson's coefficient; 0 where one of both never moves. */
function correlation(a: Float64Array, b: Float64Array): number {
  const n = a.length;
  const mean = (all: Float64Array) => all.reduce((sum, one) => sum + one, 0) / n;
  const [ma, mb] = [mean(a), mean(b)];
  let [ab, aa, bb] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    ab += (a[i]! - ma) * (b[i]! - mb);
    aa += (a[i]! - ma) ** 2;
    bb += (b[i]! - mb) ** 2;
  }
  return aa < 1e-9 || bb < 1e-9 ? 0 : ab / Math.sqrt(aa * bb);
}
