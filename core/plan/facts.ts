import type { ComponentKind } from '../component/sheets.ts';
import { type FirstOfKind, sisterHold } from '../job/sister.ts';
import type { StageTrait } from '../kit/kit.ts';
import { dayNumber } from '../quantity/format.ts';
import type { StageState } from '../stage/stageRules.ts';
import { stageWanting } from '../stores/neededDay.ts';
import { merged, WorkAxis } from './axis.ts';
import type { PlanJob, PlanPerson, PlanProblem, PlanStage, Span } from './problem.ts';
import { heldOrders } from './traps.ts';

/** How much a job's lateness counts against that of others; a show or a season does not wait. Common practice. */
export const PRIORITIES = ['usual', 'rush', 'canWait', 'show'] as const;
export type Priority = (typeof PRIORITIES)[number];
export const PRIORITY_WEIGHT: Readonly<Record<Priority, number>> = { usual: 1, rush: 4, canWait: 0.25, show: 40 };

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

/** A firm outside that has vehicles for a while. */
export interface FactFirm {
  readonly id: string;
  readonly name: string;
  /** Vehicles at a time; null: as many as come. */
  readonly slots: number | null;
  /** Days of the week it works on them, 1 Monday to 7 Sunday; none: every day that the workshop works. */
  readonly slotDays: readonly number[];
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
  /** Kinds of tools it holds. */
  readonly tools: readonly string[];
  /** Least and most hours finished vehicles took; null where nobody has adopted any. */
  readonly took: { readonly low: number; readonly high: number } | null;
  /** The firm outside that does it, and how many of its days it has the vehicle; null: the workshop's own people. */
  readonly firm: { readonly id: string; readonly days: number } | null;
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
  /** How many days late its supplier is, at the median and at the most; null where nobody knows. */
  readonly late: { readonly median: number; readonly most: number } | null;
}

export interface FactJob {
  readonly number: string;
  readonly title: string;
  readonly promised: string | null;
  readonly priority: Priority;
  /** The bay its vehicle stands in; null: elsewhere, or not here. */
  readonly standsIn: string | null;
  /** The first of its kind, if it is a sister. */
  readonly follows: ({ readonly number: string } & FirstOfKind) | null;
  /** The vehicle is out of the house, and due back on this day; nobody may have said when. */
  readonly out: { readonly holder: string; readonly dueBack: string | null } | null;
  /** Orders of stages that somebody goes against with a reason, as traps name them. */
  readonly overruled: readonly string[];
  readonly stages: readonly FactStage[];
  readonly parts: readonly FactPart[];
}

/** A tool or instrument that can be had. */
export interface FactTool {
  readonly id: string;
  readonly kind: string;
  readonly name: string;
  /** The last day its calibration holds; null where it needs none. */
  readonly until: string | null;
}

/** Everything a plan rests on, as it is stored. */
export interface PlanFacts {
  /** Local time of the workshop: day, and minutes since midnight. */
  readonly now: { readonly day: string; readonly minute: number };
  readonly workingDays: readonly number[];
  readonly closedDays: readonly string[];
  readonly open: { readonly startMin: number; readonly breakMin: number; readonly endMin: number };
  readonly moveMinutes: number;
  /** What moving a told day costs, weighted hours of lateness a job and day. */
  readonly toldHours: number;
  readonly people: readonly FactPerson[];
  readonly places: readonly FactPlace[];
  readonly tools: readonly FactTool[];
  readonly firms: readonly FactFirm[];
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
  | { readonly kind: 'held'; readonly day: number }
  | { readonly kind: 'out'; readonly day: number; readonly late: boolean };

export interface PlanGround {
  readonly problem: PlanProblem;
  readonly axis: WorkAxis;
  readonly earliestWhy: ReadonlyMap<string, EarliestWhy>;
  /** Of stages that wait for a part last: the earliest minute if every part were here. */
  readonly earliestButParts: ReadonlyMap<string, number>;
  readonly stageOf: ReadonlyMap<string, { readonly job: FactJob; readonly stage: FactStage }>;
  /** Of stages that wait for a part last: how late its supplier is, days. */
  readonly partLate: ReadonlyMap<string, { readonly median: number; readonly most: number }>;
}

/** Share of a stage's hours that are still to come when more than those have been clocked; common practice. */
const STILL_TO_COME = 0.1;
const AS_MANY_AS_COME = 1000;
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
  const earliestButParts = new Map<string, number>();
  const partLate = new Map<string, { median: number; most: number }>();
  const today = dayNumber(facts.now.day);
  const stages = facts.jobs.flatMap((job) => {
    const open = job.stages.filter(({ state }) => state !== 'done');
    const idOf = new Map(open.map(({ key, id }) => [key, id]));
    const waits = partsByStage(job, today);
    const first = firstOfKind(job, facts);
    const held = heldOrders(job.stages, new Set(job.overruled));
    return open.map((stage): PlanStage => {
      stageOf.set(stage.id, { job, stage });
      let earliest = 0;
      const later = (day: number, why: EarliestWhy) => {
        const minute = beginOf(day);
        if (minute <= earliest) return;
        earliest = minute;
        earliestWhy.set(stage.id, why);
      };
      if (stage.notBefore !== null) {
        const day = dayNumber(stage.notBefore);
        later(day, { kind: 'held', day });
      }
      const { firm } = stage;
      const there = firm !== null && isThere(job, stage, facts);
      const atFirm = there ? (job.out?.dueBack ?? null) : null;
      const begun = there
        ? { placeId: null, people: [], ...(atFirm === null ? {} : { until: endOf(atFirm) }) }
        : begunAs(stage, facts)
          ? { placeId: job.standsIn, people: onIt(stage, facts) }
          : null;
      const here = firm ? !there : !stage.traits.includes('away') && !stage.traits.includes('beside');
      const dueBack = here ? (job.out?.dueBack ?? null) : null;
      if (dueBack !== null) {
        // It is worked on from the day after; what should be back already comes today at the soonest.
        const day = Math.max(dayNumber(dueBack), today) + 1;
        later(day, { kind: 'out', day, late: dayNumber(dueBack) < today });
      }
      const butParts = earliest;
      for (const { why, late } of waits.get(stage.id) ?? []) {
        later(why.day, why);
        if (earliestWhy.get(stage.id) !== why) continue;
        if (late) partLate.set(stage.id, late);
        else partLate.delete(stage.id);
      }
      if (earliest > butParts) earliestButParts.set(stage.id, butParts);
      const gone = here && job.out?.dueBack === null && !begun ? ({ kind: 'out' } as const) : null;
      const whole = firm ? firmMinutes(atFirm, firm.days, axis) : null;
      const left = Math.max(stage.hours - stage.hoursClocked, stage.hours * STILL_TO_COME);
      const most = Math.max(stage.people, stage.mostPeople ?? stage.people);
      return {
        ...{
          id: stage.id,
          jobId: job.number,
          after: [
            ...[...stage.after, ...held.flatMap((one) => (one.later === stage ? [one.first.key] : []))].flatMap(
              (key) => idOf.get(key) ?? [],
            ),
            ...first.after,
          ],
        },
        ...{ minutes: whole ?? Math.max(5, Math.ceil((left * 60) / 5 - 1e-9) * 5), earliest },
        ...(firm
          ? { people: 0, mostPeople: 0, skill: null, liveHv: false, tools: [] }
          : {
              people: stage.people,
              mostPeople: most,
              skill: stage.skill || null,
              liveHv: stage.liveHv,
              tools: stage.tools,
            }),
        firmId: firm?.id ?? null,
        barred: gone ?? (stage.state === 'waiting' ? first.barred : null),
        at: firm || stage.traits.includes('away') ? 'away' : stage.traits.includes('beside') ? 'beside' : 'vehicle',
        traits: [
          ...(!firm && stage.traits.includes('onLift') ? ['lift'] : []),
          ...(!firm && stage.traits.includes('onAlignment') ? ['alignment'] : []),
        ],
        begun,
      };
    });
  });
  const jobs = facts.jobs.map(
    (job): PlanJob => ({
      ...{ id: job.number, weight: PRIORITY_WEIGHT[job.priority], standsIn: job.standsIn },
      underWay: job.stages.some(({ state }) => state !== 'waiting'),
      due: job.promised === null ? null : endOf(job.promised),
    }),
  );
  const problem: PlanProblem = {
    ...{ jobs, stages, people, places, horizon },
    firms: facts.firms.map(({ id, slots, slotDays }) => ({
      ...{ id, capacity: slots ?? AS_MANY_AS_COME },
      off: slotDays.length === 0 ? [] : axis.otherDays(slotDays, 2 * horizon),
    })),
    tools: facts.tools.map(({ id, kind, until }) => ({
      ...{ id, kind },
      // Beyond everything a plan reaches: nobody knows of a new one.
      off: until === null || endOf(until) >= horizon ? [] : [{ from: endOf(until), to: 2 * horizon }],
    })),
    ...{ dayMinutes: axis.dayMinutes, toldHours: facts.toldHours },
    ...{ moveMinutes: facts.moveMinutes, parkMinutes: PARK_DAYS * axis.dayMinutes },
  };
  return { problem, axis, earliestWhy, earliestButParts, stageOf, partLate };
}

/**
 * What a sister waits for: the first of its kind to its end, where that is planned; where it is not, and for lessons, nobody
 * knows a day.
 */
function firstOfKind({ follows }: FactJob, { jobs }: PlanFacts): { after: string[]; barred: PlanStage['barred'] } {
  const hold = follows && sisterHold(follows);
  if (!hold) return { after: [], barred: null };
  const jobId = follows.number;
  if (hold.kind === 'lessons') return { after: [], barred: { kind: 'lessons', jobId, lessons: hold.lessons } };
  const open = jobs.find(({ number }) => number === jobId)?.stages.filter(({ state }) => state !== 'done') ?? [];
  const last = open.filter(({ key }) => !open.some(({ after }) => after.includes(key)));
  return last.length > 0
    ? { after: last.map(({ id }) => id), barred: null }
    : { after: [], barred: { kind: 'first', jobId } };
}

/** Has the firm that does a stage got the vehicle for it? It goes by the name of whoever has it. */
const isThere = ({ out, stages }: FactJob, { firm, after }: FactStage, { firms }: PlanFacts): boolean => {
  const name = firms.find(({ id }) => id === firm?.id)?.name.toLowerCase();
  const ready = after.every((key) => stages.find((one) => one.key === key)?.state !== 'waiting');
  return out !== null && out.holder.trim().toLowerCase() === name && ready;
};

/** Working minutes that a firm still has a vehicle: until the end of the day it is due back, else its days. */
const firmMinutes = (until: string | null, days: number, axis: WorkAxis): number =>
  Math.max(
    5,
    until === null ? Math.round(days * axis.dayMinutes) : axis.minuteAt({ day: dayNumber(until) + 1, minute: 0 }),
  );

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

type PartWait = { readonly why: Extract<EarliestWhy, { kind: 'part' }>; readonly late: FactPart['late'] };

/** The parts each stage of a job waits for; a part no stage is known to want is wanted by its first. */
function partsByStage(job: FactJob, today: number): Map<string, PartWait[]> {
  const stages = job.stages.map((stage) => ({ ...stage, done: stage.state === 'done' }));
  const first = stages.find(({ done }) => !done);
  const waits = new Map<string, PartWait[]>();
  for (const part of job.parts) {
    const stage = stageWanting(part.kind, stages) ?? first;
    if (!stage) continue;
    const due = part.due === null ? today + part.leadDays : dayNumber(part.due);
    // What should have been here already comes tomorrow at the soonest.
    const late = part.due !== null && due < today;
    const day = late ? today + 1 : due;
    const why = { kind: 'part', name: part.name, day, late, ordered: part.due !== null } as const;
    waits.set(stage.id, [...(waits.get(stage.id) ?? []), { why, late: part.late }]);
  }
  return waits;
}
