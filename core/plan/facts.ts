import type { ComponentKind } from '../component/sheets.ts';
import type { StageTrait } from '../kit/kit.ts';
import { dayNumber } from '../quantity/format.ts';
import type { StageState } from '../stage/stageRules.ts';
import { stageWanting } from '../stores/neededDay.ts';
import { merged, WorkAxis } from './axis.ts';
import type { PlanJob, PlanPerson, PlanProblem, PlanStage, Span } from './problem.ts';

/** How much a job's lateness counts against that of others; common practice. */
export const PRIORITIES = ['usual', 'rush', 'canWait'] as const;
export type Priority = (typeof PRIORITIES)[number];
const WEIGHT: Readonly<Record<Priority, number>> = { usual: 1, rush: 4, canWait: 0.25 };

/** Whole days somebody is not there, the last one included. */
export interface Absence {
  readonly from: string;
  readonly to: string;
}

export interface FactPerson {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
  readonly skills: readonly string[];
  /** Hours of an own working day; null: the workshop's. */
  readonly dayHours: number | null;
  /** Last day of the high-voltage authorisation; null without one. */
  readonly hvUntil: string | null;
  readonly away: readonly Absence[];
}

export interface FactPlace {
  readonly id: string;
  readonly name: string;
  readonly lift: boolean;
  readonly alignment: boolean;
}

export interface FactStage {
  /** Of the stage, or `job key` where the job's stages have not been made yet. */
  readonly id: string;
  readonly key: string;
  readonly name: string;
  readonly traits: readonly StageTrait[];
  readonly after: readonly string[];
  readonly hours: number;
  readonly hoursClocked: number;
  readonly people: number;
  readonly mostPeople: number | null;
  readonly skill: string;
  readonly liveHv: boolean;
  readonly state: StageState;
  /** Day before which a person holds it. */
  readonly notBefore: string | null;
  /** Who is at work on it now. */
  readonly onIt: readonly string[];
}

/** A part the job still waits for. */
export interface FactPart {
  readonly componentId: string;
  readonly name: string;
  readonly kind: ComponentKind;
  /** The day it comes, or came late; null: not ordered, and it takes so many days. */
  readonly due: string | null;
  readonly leadDays: number;
}

export interface FactJob {
  readonly number: string;
  readonly title: string;
  readonly promised: string | null;
  readonly priority: Priority;
  /** The bay its vehicle stands in; null: elsewhere, or not here. */
  readonly standsIn: string | null;
  readonly stages: readonly FactStage[];
  readonly parts: readonly FactPart[];
}

/** Everything a plan rests on, as it is stored. */
export interface PlanFacts {
  /** Local time of the workshop: day, and minutes since midnight. */
  readonly now: { readonly day: string; readonly minute: number };
  readonly workingDays: readonly number[];
  readonly closedDays: readonly string[];
  readonly open: { readonly startMin: number; readonly breakMin: number; readonly endMin: number };
  readonly moveMinutes: number;
  readonly people: readonly FactPerson[];
  readonly places: readonly FactPlace[];
  readonly jobs: readonly FactJob[];
}

/** Why a stage is not before its earliest minute. */
export type EarliestWhy =
  | {
      readonly kind: 'part';
      readonly name: string;
      readonly day: number;
      readonly late: boolean;
      readonly ordered: boolean;
    }
  | { readonly kind: 'held'; readonly day: number };

export interface PlanGround {
  readonly problem: PlanProblem;
  readonly axis: WorkAxis;
  readonly earliestWhy: ReadonlyMap<string, EarliestWhy>;
  readonly stageOf: ReadonlyMap<string, { readonly job: FactJob; readonly stage: FactStage }>;
}

/** Share of a stage's hours that are still to come when more than those have been clocked; common practice. */
const STILL_TO_COME = 0.1;
/** A plan reaches so many working days at most. */
const HORIZON_DAYS = 700;
/** A vehicle is left standing in its bay for so many days without work; then it is put aside where somebody waits. */
const PARK_DAYS = 2;

/** The problem a plan solves, from what is stored, on the workshop's own working time from now on. */
export function planGround(facts: PlanFacts): PlanGround {
  const axis = new WorkAxis({ day: dayNumber(facts.now.day), minute: facts.now.minute }, facts.open, {
    workingDays: facts.workingDays,
    closed: new Set(facts.closedDays.map(dayNumber)),
  });
  const horizon = HORIZON_DAYS * axis.dayMinutes;
  const endOf = (day: string) => Math.max(0, axis.minuteAt({ day: dayNumber(day) + 1, minute: 0 }));
  const beginOf = (day: number) => Math.max(0, axis.minuteAt({ day, minute: 0 }));
  const people = facts.people.map((one): PlanPerson => {
    const away = one.away.map(({ from, to }): Span => axis.spanOf(dayNumber(from), dayNumber(to)));
    const short = one.dayHours === null ? [] : axis.shortDays(Math.round(one.dayHours * 60), horizon);
    return {
      ...{ id: one.id, skills: one.skills, off: merged([...away, ...short]) },
      hvUntil: one.hvUntil === null ? 0 : endOf(one.hvUntil),
    };
  });
  const places = facts.places.map(({ id, lift, alignment }) => ({
    ...{ id, off: [] },
    traits: [...(lift ? ['lift'] : []), ...(alignment ? ['alignment'] : [])],
  }));
  const earliestWhy = new Map<string, EarliestWhy>();
  const stageOf = new Map<string, { job: FactJob; stage: FactStage }>();
  const today = dayNumber(facts.now.day);
  const stages = facts.jobs.flatMap((job) => {
    const open = job.stages.filter(({ state }) => state !== 'done');
    const idOf = new Map(open.map(({ key, id }) => [key, id]));
    const waits = partsByStage(job, today);
    return open.map((stage): PlanStage => {
      stageOf.set(stage.id, { job, stage });
      let earliest = 0;
      const later = (day: number, why: EarliestWhy) => {
        const minute = beginOf(day);
        if (minute <= earliest) return;
        earliest = minute;
        earliestWhy.set(stage.id, why);
      };
      for (const why of waits.get(stage.id) ?? []) later(why.day, why);
      if (stage.notBefore !== null) {
        const day = dayNumber(stage.notBefore);
        later(day, { kind: 'held', day });
      }
      const left = Math.max(stage.hours - stage.hoursClocked, stage.hours * STILL_TO_COME);
      const most = Math.max(stage.people, stage.mostPeople ?? stage.people);
      return {
        ...{ id: stage.id, jobId: job.number, after: stage.after.flatMap((key) => idOf.get(key) ?? []) },
        ...{ minutes: Math.max(5, Math.ceil((left * 60) / 5 - 1e-9) * 5), people: stage.people, mostPeople: most },
        ...{ skill: stage.skill || null, liveHv: stage.liveHv, earliest, tools: [], firmId: null },
        at: stage.traits.includes('away') ? 'away' : stage.traits.includes('beside') ? 'beside' : 'vehicle',
        traits: [
          ...(stage.traits.includes('onLift') ? ['lift'] : []),
          ...(stage.traits.includes('onAlignment') ? ['alignment'] : []),
        ],
        begun: begunAs(stage, facts) ? { placeId: job.standsIn, people: onIt(stage, facts) } : null,
      };
    });
  });
  const jobs = facts.jobs.map(
    (job): PlanJob => ({
      ...{ id: job.number, weight: WEIGHT[job.priority], standsIn: job.standsIn },
      underWay: job.stages.some(({ state }) => state !== 'waiting'),
      due: job.promised === null ? null : endOf(job.promised),
    }),
  );
  const problem: PlanProblem = {
    ...{ jobs, stages, people, places, tools: [], firms: [], horizon },
    ...{ moveMinutes: facts.moveMinutes, parkMinutes: PARK_DAYS * axis.dayMinutes },
  };
  return { problem, axis, earliestWhy, stageOf };
}

const onIt = (stage: FactStage, { people }: PlanFacts): string[] =>
  stage.onIt.filter((id) => people.some((one) => one.id === id));

/**
 * Does a stage go on as it has begun? Only with as many people as it takes, and live work with its pair: whoever is alone
 * on it prepares, and nothing is planned as if one could do it.
 */
function begunAs(stage: FactStage, facts: PlanFacts): boolean {
  const here = onIt(stage, facts);
  const authorised = facts.people.some(({ id, hvUntil }) => here.includes(id) && (hvUntil ?? '') >= facts.now.day);
  return here.length > 0 && here.length >= stage.people && (!stage.liveHv || (here.length >= 2 && authorised));
}

/** The parts each stage of a job waits for; a part no stage is known to want is wanted by its first. */
function partsByStage(job: FactJob, today: number): Map<string, Extract<EarliestWhy, { kind: 'part' }>[]> {
  const stages = job.stages.map((stage) => ({ ...stage, done: stage.state === 'done' }));
  const first = stages.find(({ done }) => !done);
  const waits = new Map<string, Extract<EarliestWhy, { kind: 'part' }>[]>();
  for (const part of job.parts) {
    const stage = stageWanting(part.kind, stages) ?? first;
    if (!stage) continue;
    const due = part.due === null ? today + part.leadDays : dayNumber(part.due);
    // What should have been here already comes tomorrow at the soonest.
    const late = part.due !== null && due < today;
    const day = late ? today + 1 : due;
    waits.set(stage.id, [
      ...(waits.get(stage.id) ?? []),
      { kind: 'part', name: part.name, day, late, ordered: part.due !== null },
    ]);
  }
  return waits;
}
