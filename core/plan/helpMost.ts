import { dayNumber } from '../quantity/format.ts';
import { type FactJob, type FactStage, type PlanFacts, PRIORITY_WEIGHT } from './facts.ts';
import { type PlanChange, withChanges } from './planChange.ts';
import type { Cause } from './problem.ts';
import { momentOf, planWorkshop, type StoredPlan, type StoredStage } from './storedPlan.ts';

/** One change with what it does to promises. */
export interface Help {
  readonly change: PlanChange;
  /** Jobs late and days late in all, with it. */
  readonly lateJobs: number;
  readonly lateDays: number;
  /** Days of lateness that it saves, each job's by how much it counts as things are; what helps are put in order by. */
  readonly savedDays: number;
}

export interface HelpMost {
  /** Without any change, made with as much effort as the others. */
  readonly lateJobs: number;
  readonly lateDays: number;
  /** What helps, the most first; empty where nothing that was tried does. */
  readonly helps: readonly Help[];
  readonly tried: number;
}

/** So many are tried at most: those that hold late jobs back last. */
const MOST_TRIED = 16;
/** What saves less is not worth a manager's time: half a working morning; common practice. */
const LEAST_SAVED_DAYS = 0.08;

interface Effort {
  readonly seed: number;
  readonly passes: number;
}

/**
 * Which one change would help most: what keeps the stages of late jobs is followed back from their ends, each such thing is
 * taken away in a plan of its own, and what saves the most weighted lateness comes first.
 *
 * @param onTried told after each plan that was made, and of how many
 */
export function helpMost(
  facts: PlanFacts,
  plan: StoredPlan,
  effort: Effort,
  onTried: (tried: number, of: number) => void = () => {},
): HelpMost {
  const tries = candidates(facts, plan);
  const made = (of: PlanFacts) => planWorkshop(of, plan, { ...effort, bounded: false });
  const base = made(facts);
  const late = weightedDays(facts, base);
  onTried(1, tries.length + 1);
  const helps = tries.map((change, i): Help => {
    const then = made(withChanges(facts, [change]));
    onTried(i + 2, tries.length + 1);
    // What cannot be planned would look as if it were in time.
    const lost = then.impossible.length > base.impossible.length;
    return { change, ...lateness(then), savedDays: lost ? 0 : late - weightedDays(facts, then) };
  });
  return {
    ...lateness(base),
    helps: helps.filter(({ savedDays }) => savedDays >= LEAST_SAVED_DAYS).toSorted((a, b) => b.savedDays - a.savedDays),
    tried: tries.length,
  };
}

const lateness = ({ jobs }: StoredPlan) => ({
  lateJobs: jobs.filter(({ lateDays }) => lateDays > 0).length,
  lateDays: jobs.reduce((sum, { lateDays }) => sum + lateDays, 0),
});

/** Days by the clock on the wall after the end of the day of the promise: longer days and other weights do not change them. */
function weightedDays({ jobs, open }: PlanFacts, plan: StoredPlan): number {
  const ends = new Map(plan.jobs.map(({ number, to }) => [number, momentOf(to)]));
  return jobs.reduce((sum, { number, promised, priority }) => {
    const end = ends.get(number);
    if (promised === null || !end) return sum;
    const over = end.day - dayNumber(promised) + Math.min(0, end.minute - open.endMin) / (24 * 60);
    return sum + PRIORITY_WEIGHT[priority] * Math.max(0, over);
  }, 0);
}

/** What could be otherwise for late jobs: along what each of their stages waited for, from the end back, the latest job first. */
export function candidates(facts: PlanFacts, plan: StoredPlan): PlanChange[] {
  const jobs = new Map(facts.jobs.map((job) => [job.number, job]));
  const stages = new Map(plan.stages.map((stage) => [stage.id, stage]));
  const late = plan.jobs.filter(({ lateDays }) => lateDays > 0).toSorted((a, b) => b.lateMinutes - a.lateMinutes);
  const found = new Map<string, PlanChange>();
  const seen = new Set<string>();
  for (const { number } of late) {
    const job = jobs.get(number);
    if (!job) continue;
    // Everybody, and the job itself, before what only one stage waits for.
    for (const change of [...(job.priority === 'usual' ? [rush(job)] : [])]) add(found, change);
    const own = plan.stages.filter((stage) => stage.job === number);
    const last = own.reduce<StoredStage | null>((a, b) => (a === null || b.to > a.to ? b : a), null);
    const queue = last ? [last] : [];
    for (let stage = queue.shift(); stage; stage = queue.shift()) {
      if (seen.has(stage.id)) continue;
      seen.add(stage.id);
      for (const change of changesFor(stage, facts, jobs)) add(found, change);
      // What its own job did last before is as near to holding it as what held it: take that away, and it holds.
      queue.push(...before(plan, stage));
      for (const cause of stage.causes) {
        const next = 'stageId' in cause && cause.stageId ? stages.get(cause.stageId) : undefined;
        if (next) queue.push(next);
        // A vehicle in the way is followed to what it does there last before.
        if (cause.kind === 'place' && cause.jobId) queue.push(...lastIn(plan, cause.jobId, cause.placeId, stage.from));
      }
    }
  }
  if (late.length > 0) add(found, { kind: 'overtime', hours: 1 });
  return [...found.values()].slice(0, MOST_TRIED);
}

const add = (found: Map<string, PlanChange>, change: PlanChange) => found.set(JSON.stringify(change), change);
const rush = (job: FactJob): PlanChange => ({ kind: 'priority', job: job.number, priority: 'rush' });

const lastIn = (plan: StoredPlan, job: string, placeId: string, from: string): StoredStage[] =>
  plan.stages
    .filter((one) => one.job === job && one.placeId === placeId && one.to <= from)
    .toSorted((a, b) => (a.to < b.to ? 1 : -1))
    .slice(0, 1);
const before = (plan: StoredPlan, { job, from }: StoredStage): StoredStage[] =>
  plan.stages
    .filter((one) => one.job === job && one.to <= from)
    .toSorted((a, b) => (a.to < b.to ? 1 : -1))
    .slice(0, 1);

/** What would have to be otherwise for one stage to begin sooner. */
function changesFor(
  stage: StoredStage,
  { people, places }: PlanFacts,
  jobs: ReadonlyMap<string, FactJob>,
): readonly PlanChange[] {
  const job = jobs.get(stage.job);
  const fact = job?.stages.find(({ id }) => id === stage.id);
  return job && fact ? stage.causes.flatMap((cause) => changeFor(cause, { stage, job, fact, people, places })) : [];
}

interface At extends Pick<PlanFacts, 'people' | 'places'> {
  readonly stage: StoredStage;
  readonly job: FactJob;
  readonly fact: FactStage;
}

function changeFor(cause: Cause, { stage, job, fact, people, places }: At): readonly PlanChange[] {
  switch (cause.kind) {
    case 'earliest': {
      const { waits, wanted } = stage;
      if (waits?.kind === 'held') return [{ kind: 'hold', stageId: stage.id, day: null }];
      // Only what is on order can be had sooner; a late one has no day that could be moved.
      if (waits?.kind !== 'part' || !waits.ordered || waits.late || !wanted) return [];
      const days = dayNumber(wanted) - waits.day;
      return days >= 0
        ? []
        : job.parts
            .filter(({ name, due }) => name === waits.name && due !== null && dayNumber(due) === waits.day)
            .map(({ componentId }) => ({ kind: 'partLate', job: job.number, componentId, days }));
    }
    case 'people': {
      const who = cause.personId ?? stage.people[0];
      return who && people.some(({ id }) => id === who) ? [{ kind: 'person', like: who }] : [];
    }
    case 'tool':
      return [{ kind: 'tool', tool: cause.tool }];
    case 'place': {
      const place = places.find(({ lift }) => !lift);
      return fact.traits.includes('onLift') && place ? [{ kind: 'lift', placeId: place.id }] : [];
    }
    default:
      return [];
  }
}
