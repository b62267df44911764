import type { ComponentKind } from '../component/sheets.ts';
import { beforeWorkingDays, type WorkCalendar } from '../practice/workingDays.ts';

/** A stage of a job as far as it says when parts are needed. */
export interface StageToGo {
  readonly key: string;
  readonly after: readonly string[];
  readonly hours: number;
  readonly done: boolean;
}

/**
 * In which stage a kind of component is needed first, the earliest that a job has; common practice, after the bolt-in stage
 * network. Others are needed when work begins.
 */
const STAGES_OF_KIND: Partial<Record<ComponentKind, readonly string[]>> = {
  module: ['pack-build', 'front-box', 'rear-box'],
  bmsMain: ['pack-build', 'front-box', 'rear-box'],
  bmsSatellite: ['pack-build', 'front-box', 'rear-box'],
  box: ['pack-build', 'front-box', 'rear-box'],
  contactorBox: ['front-box', 'rear-box'],
  fuse: ['front-box', 'rear-box'],
  resistor: ['front-box', 'rear-box'],
  cradle: ['front-box', 'rear-box'],
  drive: ['rear-box', 'front-box'],
  inverter: ['rear-box', 'front-box'],
  adapter: ['rear-box', 'front-box'],
  cable: ['run-looms'],
  inlet: ['connectors'],
  coolantPump: ['cooling'],
  radiator: ['cooling'],
  heater: ['cooling', 'interior'],
  charger: ['charger'],
  combinedUnit: ['charger'],
  dcdc: ['charger'],
  lvBattery: ['charger'],
  hvPump: ['connectors'],
};

/** The stage of a job that wants a kind of component first, of those still to do; null where none of them says so. */
export function stageWanting<S extends { readonly key: string; readonly done: boolean }>(
  kind: ComponentKind,
  stages: readonly S[],
): S | null {
  const wanting = (STAGES_OF_KIND[kind] ?? []).flatMap((key) => stages.find((stage) => stage.key === key) ?? []);
  return wanting.find(({ done }) => !done) ?? null;
}

/** Working days from the beginning of each stage still to do until the job is done, by its longest way through. */
function daysToGo(stages: readonly StageToGo[], hoursPerDay: number): Map<string, number> {
  const next = new Map<string, StageToGo[]>();
  for (const stage of stages) for (const before of stage.after) next.set(before, [...(next.get(before) ?? []), stage]);
  const known = new Map<string, number>();
  const way = (stage: StageToGo, seen: ReadonlySet<string>): number => {
    const had = known.get(stage.key);
    if (had !== undefined) return had;
    // A list of stages has no circles; one that somebody spoiled must not hold anybody up.
    if (seen.has(stage.key)) return 0;
    const inside = new Set([...seen, stage.key]);
    const after = Math.max(0, ...(next.get(stage.key) ?? []).map((one) => way(one, inside)));
    const days = after + (stage.done ? 0 : stage.hours / hoursPerDay);
    known.set(stage.key, days);
    return days;
  };
  for (const stage of stages) way(stage, new Set());
  return known;
}

/** What a needed day rests on: the plan, the stage that wants the part, the promise alone, or nothing anybody has said. */
export type NeededBasis = 'plan' | 'stage' | 'promise' | 'none';

/** When a stage begins by the plan, days since 1970-01-01. */
export interface PlannedBegin {
  readonly day: number;
  /** When it could begin if every part were here; null where it waits for none. */
  readonly wantedDay: number | null;
}

export interface NeededDay {
  /** Days since 1970-01-01; null where the job has no promised day. */
  readonly day: number | null;
  readonly basis: NeededBasis;
  /** The stage that wants it. */
  readonly stage: string | null;
  /** When that begins by the plan, where the day rests on it. */
  readonly begin?: PlannedBegin;
}

/**
 * The days from which a job needs its parts. By the plan: when the stage that wants the kind begins; where it is the part
 * itself that keeps it past the last day that keeps the promise, that day, but not before the stage could begin with every
 * part here. Where there is no plan: its promised day less the working days from that stage to the end. A stage that is done
 * has needed its parts already: they are wanted at once, which is the earliest day of any stage still to do.
 */
export function neededDays(
  job: { readonly promisedDay: number | null; readonly stages: readonly StageToGo[] },
  hoursPerDay: number,
  calendar: WorkCalendar,
  begins: (stage: string) => PlannedBegin | null = () => null,
): (kind: ComponentKind) => NeededDay {
  const { promisedDay, stages } = job;
  const latest = latestDays(job, hoursPerDay, calendar);
  const open = stages.filter(({ done }) => !done);
  const planned = open.flatMap(({ key }) => begins(key) ?? []);
  if (planned.length === 0) return latest;
  return (kind) => {
    const stage = stageWanting(kind, stages);
    const begin = stage ? begins(stage.key) : planned.reduce((a, b) => (b.day < a.day ? b : a));
    if (!begin) return latest(kind);
    const last = promisedDay === null ? null : latest(kind).day;
    const day =
      begin.wantedDay === null
        ? begin.day
        : last === null
          ? begin.wantedDay
          : Math.max(begin.wantedDay, Math.min(begin.day, last));
    return { day, basis: 'plan', stage: stage?.key ?? null, begin };
  };
}

/** The last days on which a part may come so that its job keeps its promise, bays and people taken as free. */
function latestDays(
  { promisedDay, stages }: { readonly promisedDay: number | null; readonly stages: readonly StageToGo[] },
  hoursPerDay: number,
  calendar: WorkCalendar,
): (kind: ComponentKind) => NeededDay {
  if (promisedDay === null) return () => ({ day: null, basis: 'none', stage: null });
  const toGo = daysToGo(stages, hoursPerDay);
  const open = stages.filter(({ done }) => !done);
  if (open.length === 0) return () => ({ day: promisedDay, basis: 'promise', stage: null });
  const first = open.reduce((a, b) => ((toGo.get(b.key) ?? 0) > (toGo.get(a.key) ?? 0) ? b : a));
  const days = new Map<string, number>();
  const dayOf = ({ key }: StageToGo): number => {
    const had = days.get(key);
    if (had !== undefined) return had;
    const day = beforeWorkingDays(promisedDay, toGo.get(key) ?? 0, calendar) ?? promisedDay;
    days.set(key, day);
    return day;
  };
  return (kind) => {
    const stage = stageWanting(kind, stages) ?? first;
    return { day: dayOf(stage), basis: 'stage', stage: stage.key };
  };
}
