import { dayNumber, isoDay } from '../quantity/format.ts';
import type { Moment, WorkAxis } from './axis.ts';
import { decode } from './decode.ts';
import { type EarliestWhy, type PlanFacts, type PlanGround, planGround } from './facts.ts';
import { groundOf } from './ground.ts';
import { type FoundPlan, makePlan, type PlanOptions } from './plan.ts';
import type { Cause, Impossible, PlanCost, PlannedStage } from './problem.ts';

/** A moment as it is stored: local time of the workshop, "2026-11-24 13:30". */
export type LocalTime = string;

export interface StoredStage {
  readonly id: string;
  readonly job: string;
  readonly from: LocalTime;
  readonly to: LocalTime;
  readonly people: readonly string[];
  readonly placeId: string | null;
  /** The tools it holds, by id; plans of before tools were planned say nothing of them. */
  readonly tools?: readonly string[];
  readonly causes: readonly Cause[];
  /** Why it is not before its earliest, where something holds it. */
  readonly waits: EarliestWhy | null;
  /** Of a stage that waits for a part: the day it could begin if its job's parts were all here. */
  readonly wanted?: string;
  /** What its turn went by and its job's begin was held to, working minutes after `now`; older plans say nothing of them. */
  readonly key?: number;
  readonly gate?: number;
}

export interface StoredJobPlan {
  readonly number: string;
  readonly from: LocalTime;
  readonly to: LocalTime;
  /** Working minutes after the end of its promised day. */
  readonly lateMinutes: number;
  /** Days between the promise and the day it is ready; 0 where it keeps it. */
  readonly lateDays: number;
}

/** A plan in the time of the workshop, as it is kept and drawn. */
export interface StoredPlan {
  /** When it was made, on the workshop's clock. */
  readonly now: LocalTime;
  readonly stages: readonly StoredStage[];
  readonly jobs: readonly StoredJobPlan[];
  readonly impossible: readonly { readonly stageId: string; readonly job: string; readonly why: Impossible }[];
  readonly cost: PlanCost;
  readonly gap: number;
  readonly passes: number;
}

const pad = (n: number) => String(n).padStart(2, '0');
export const localTime = ({ day, minute }: Moment): LocalTime =>
  `${isoDay(day)} ${pad(Math.floor(minute / 60))}:${pad(Math.floor(minute % 60))}`;
export function momentOf(text: LocalTime): Moment {
  const [day = '', clock = '00:00'] = text.split(' ');
  const [hours = 0, minutes = 0] = clock.split(':').map(Number);
  return { day: dayNumber(day), minute: hours * 60 + minutes };
}

/** The day each job is ready by a plan, by its number; null where something of it cannot be planned. */
export function readyDays({ jobs, impossible }: StoredPlan): Record<string, string | null> {
  const days: Record<string, string | null> = Object.fromEntries(
    jobs.map(({ number, to }) => [number, to.slice(0, 10)]),
  );
  for (const { job } of impossible) days[job] = null;
  return days;
}

/** A plan that was stored, on the working time of now: what should have been before now is below nought. */
export function plannedAgain(stored: StoredPlan, axis: WorkAxis): PlannedStage[] {
  const passed = axis.minuteAt(momentOf(stored.now));
  return stored.stages.map((one) => ({
    ...{ id: one.id, people: one.people, placeId: one.placeId, tools: one.tools ?? [], causes: [] },
    ...(one.key === undefined ? {} : { key: one.key + passed, gate: Math.max(0, (one.gate ?? 0) + passed) }),
    start: axis.minuteAt(momentOf(one.from)),
    end: axis.minuteAt(momentOf(one.to)),
  }));
}

/**
 * When stages that wait for parts could begin if all parts were here and everything else stayed in its order: from then on a
 * part is wanted. Told by the same making of plans, once through.
 */
function wantedDays({ problem, axis, earliestButParts }: PlanGround, plan: FoundPlan): ReadonlyMap<string, string> {
  if (earliestButParts.size === 0) return new Map();
  const starts = new Map(plan.stages.map(({ id, start }) => [id, start]));
  const here = groundOf({
    ...problem,
    stages: problem.stages.map((stage) => ({ ...stage, earliest: earliestButParts.get(stage.id) ?? stage.earliest })),
  });
  const keys = Float64Array.from(here.tasks, ({ stage }) => starts.get(stage.id) ?? Number.MAX_SAFE_INTEGER);
  const { placed } = decode(here, { keys, gates: new Float64Array(problem.jobs.length) });
  return new Map(
    here.tasks.flatMap(({ stage, index }) => {
      const one = placed[index];
      if (!one || !earliestButParts.has(stage.id)) return [];
      return [[stage.id, isoDay(axis.momentOf(one.start, 'start').day)] as const];
    }),
  );
}

/** A found plan in the time of the workshop. */
export function storedPlan(facts: PlanFacts, ground: PlanGround, plan: FoundPlan): StoredPlan {
  const { axis, stageOf, earliestWhy } = ground;
  const wanted = wantedDays(ground, plan);
  const promised = new Map(facts.jobs.map((job) => [job.number, job.promised]));
  const span = (start: number, end: number) => ({
    from: localTime(axis.momentOf(start, 'start')),
    to: localTime(axis.momentOf(end, 'end')),
  });
  return {
    now: localTime({ day: dayNumber(facts.now.day), minute: facts.now.minute }),
    stages: plan.stages.map((one) => ({
      ...{ id: one.id, job: stageOf.get(one.id)!.job.number, ...span(one.start, one.end) },
      ...{
        people: one.people,
        placeId: one.placeId,
        tools: one.tools,
        causes: one.causes,
        waits: earliestWhy.get(one.id) ?? null,
        ...(one.key === undefined ? {} : { key: one.key, gate: one.gate ?? 0 }),
        ...(wanted.has(one.id) ? { wanted: wanted.get(one.id)! } : {}),
      },
    })),
    jobs: plan.jobs.map((one) => {
      const promise = promised.get(one.id) ?? null;
      const { day } = axis.momentOf(one.end, 'end');
      return {
        ...{ number: one.id, ...span(one.start, one.end), lateMinutes: one.late },
        lateDays: promise === null ? 0 : Math.max(0, day - dayNumber(promise)),
      };
    }),
    impossible: plan.impossible.map(({ stageId, why }) => ({ stageId, why, job: stageOf.get(stageId)!.job.number })),
    ...{ cost: plan.cost, gap: plan.gap, passes: plan.passes },
  };
}

/** The plan of a workshop from what is stored, all its passes through; begun from the one before it does not get worse for nothing. */
export function planWorkshop(
  facts: PlanFacts,
  before: StoredPlan | null,
  options: Omit<PlanOptions, 'before'>,
): StoredPlan {
  const ground = planGround(facts);
  const again = before ? { before: plannedAgain(before, ground.axis) } : {};
  return storedPlan(facts, ground, makePlan(ground.problem, { ...options, ...again }));
}
