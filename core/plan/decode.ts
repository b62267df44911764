import { Busy } from './busy.ts';
import { togetherFrom, workedThrough } from './calendar.ts';
import type { Ground, Task } from './ground.ts';
import type { Cause, Impossible, PlanCost, PlannedJob, PlannedStage, WorkPlan } from './problem.ts';
import { AWAY, type Obstacle, Visits } from './visits.ts';

/** How a plan is put together: which stage goes first where two could, and which jobs are begun later than they could be. */
export interface Recipe {
  /** By task: the lower goes first. */
  readonly keys: Float64Array;
  /** By job: minute before which it is not begun. */
  readonly gates: Float64Array;
}

/** Where a stage was put before, to be put there again. */
export interface Fixed {
  readonly start: number;
  readonly end: number;
  readonly people: readonly number[];
  readonly place: number;
}

interface Placed {
  readonly start: number;
  readonly end: number;
  readonly people: readonly number[];
  readonly place: number;
  readonly tools: readonly number[];
  readonly firmSlot: number;
  readonly causes: readonly Cause[];
}

/** Who could do a stage, or from when on it may be asked again. */
interface Crewed {
  readonly from: number;
  readonly end: number;
  readonly people: readonly number[];
  readonly cause: Cause | null;
}

/** A tool of a kind is not to be had until a minute, because of a stage; −1: it is away itself. */
interface Short {
  readonly tool: string;
  readonly until: number;
  readonly by: number;
}

const NEVER = Number.POSITIVE_INFINITY;
const NOBODY: readonly number[] = [];
const NO_CAUSES: readonly Cause[] = [];
const NO_FIRM = { slot: -1, until: 0, by: -1 };
const NO_TOOLS: { readonly pieces: readonly number[] } = { pieces: NOBODY };
const BESIDE = -2;
const AT_BENCH = { place: BESIDE };
/** More tries than any real plan needs: a guard, not a limit. */
const MOST_TRIES = 20_000;

/** Puts stages one after another, each as early as what is there already lets it. */
export class Decoder {
  private readonly busy: Busy[];
  private readonly load: number[];
  private readonly toolBusy: Busy[];
  private readonly firmBusy: Busy[][];
  private readonly visits: Visits;
  readonly placed: (Placed | undefined)[];
  readonly failed = new Map<number, Impossible>();
  private readonly gates: Float64Array;
  private readonly ground: Ground;

  /** Whether it is kept why each stage was not sooner; making a plan better does not ask. */
  private readonly explain: boolean;
  /** For the stage in hand: from when on each person could be on it, and who has them until then; −1 not asked yet. */
  private readonly free: Float64Array;
  private readonly freeBy: Int32Array;

  constructor(ground: Ground, gates: Float64Array, explain = false) {
    this.ground = ground;
    this.gates = gates;
    this.explain = explain;
    this.free = new Float64Array(ground.people.length);
    this.freeBy = new Int32Array(ground.people.length);
    const { problem } = ground;
    this.busy = problem.people.map(() => new Busy(ground.shortest));
    this.load = problem.people.map(() => 0);
    this.toolBusy = problem.tools.map(({ off }) => {
      const busy = new Busy();
      for (const { from, to } of off) busy.put(from, to, -1);
      return busy;
    });
    this.firmBusy = problem.firms.map(({ capacity }) => Array.from({ length: capacity }, () => new Busy()));
    this.visits = new Visits(problem);
    this.placed = ground.tasks.map(() => undefined);
  }

  /** What has begun is there before anything else is put. */
  begin(): void {
    for (const task of this.ground.tasks) if (task.stage.begun) this.putBegun(task);
  }

  private putBegun(task: Task): void {
    const { problem, people: crews } = this.ground;
    const { stage } = task;
    const begun = stage.begun!;
    const place = stage.at === 'away' ? AWAY : problem.places.findIndex(({ id }) => id === begun.placeId);
    const people = begun.people.flatMap((id) => {
      const at = problem.people.findIndex((one) => one.id === id);
      return at < 0 ? [] : [at];
    });
    const calendars = task.firm >= 0 ? [this.ground.firms[task.firm]!] : people.map((one) => crews[one]!.calendar);
    const each = Math.ceil(stage.minutes / Math.max(people.length, 1));
    // Somebody may be on two things that have begun: the later waits its turn.
    let start = 0;
    let end = 0;
    for (let tries = 0; tries < MOST_TRIES; tries++) {
      start = togetherFrom(start, calendars);
      end = workedThrough(start, Math.max(each, 1), calendars);
      const clash = people
        .map((one) => [this.busy[one]!, this.busy[one]!.touching(start, end)] as const)
        .find(([, at]) => at >= 0);
      if (!clash) break;
      start = clash[0].to[clash[1]]!;
    }
    if (!Number.isFinite(end)) {
      this.failed.set(task.index, { kind: 'tooFar' });
      return;
    }
    const firmSlot = task.firm >= 0 ? this.firmBusy[task.firm]!.findIndex((slot) => slot.touching(start, end) < 0) : -1;
    const kept: Placed = {
      ...{ start, end, people, tools: [], firmSlot, causes: [{ kind: 'begun' }] },
      place: stage.at === 'beside' || (place < 0 && stage.at === 'vehicle') ? BESIDE : place,
    };
    this.book(task, kept);
  }

  private book(task: Task, placed: Placed): void {
    for (const one of placed.people) {
      this.busy[one]!.put(placed.start, placed.end, task.index);
      this.load[one]! += placed.end - placed.start;
    }
    for (const piece of placed.tools) this.toolBusy[piece]!.put(placed.start, placed.end, task.index);
    if (placed.firmSlot >= 0) this.firmBusy[task.firm]![placed.firmSlot]!.put(placed.start, placed.end, task.index);
    if (placed.place >= AWAY && task.job >= 0) this.visits.put(task.job, placed.place, placed.start, placed.end);
    this.placed[task.index] = placed;
  }

  /** Puts a stage; everything it waits for has been put. */
  put(task: Task): void {
    const missing = task.before.find((one) => this.placed[one] === undefined);
    if (missing !== undefined) {
      this.failed.set(task.index, { kind: 'before', stageId: this.ground.tasks[missing]!.stage.id });
      return;
    }
    const { stage } = task;
    let best: Placed | Impossible | null = null;
    // More people, where they can share it, only where it is over sooner by that.
    for (let count = stage.people; count <= Math.max(stage.people, stage.mostPeople); count++) {
      const found = this.earliest(task, count);
      if (best === null || ('end' in found && (!('end' in best) || found.end < best.end))) best = found;
    }
    if (best === null) return;
    if ('end' in best) {
      const causes = this.explain ? this.causesOf(task, best.people.length, best.start) : NO_CAUSES;
      this.book(task, { ...best, causes });
    } else this.failed.set(task.index, best);
  }

  /** Puts a stage just where it was; false where that does not hold any more. */
  putAt(task: Task, fixed: Fixed): boolean {
    const { stage } = task;
    const low = task.before.reduce((latest, one) => Math.max(latest, this.placed[one]?.end ?? NEVER), stage.earliest);
    if (fixed.start < Math.max(low, this.gateOf(task))) return false;
    const count = fixed.people.length;
    if (count < stage.people || count > Math.max(stage.people, stage.mostPeople)) return false;
    const { people: crews } = this.ground;
    const able = fixed.people.filter((one) => task.able.includes(one)).length;
    if (able < this.leadsOf(task, count)) return false;
    const calendars =
      task.firm >= 0 ? [this.ground.firms[task.firm]!] : fixed.people.map((one) => crews[one]!.calendar);
    if (togetherFrom(fixed.start, calendars) !== fixed.start) return false;
    const end = workedThrough(fixed.start, this.minutesEach(task, count), calendars);
    if (fixed.people.some((one) => this.busy[one]!.touching(fixed.start, end) >= 0)) return false;
    if (stage.liveHv && !fixed.people.some((one) => crews[one]!.hvUntil >= end)) return false;
    if (stage.at === 'vehicle' && !task.places.includes(fixed.place)) return false;
    if (stage.at !== 'beside' && this.visits.obstacle(task.job, fixed.place, fixed.start, end)) return false;
    const tools = this.toolsOver(task, fixed.start, end);
    const firmSlot = this.firmOver(task, fixed.start, end);
    if ('until' in tools || firmSlot.slot < -1) return false;
    const place = stage.at === 'beside' ? BESIDE : fixed.place;
    const causes = this.explain ? this.causesOf(task, count, fixed.start) : NO_CAUSES;
    this.book(task, {
      start: fixed.start,
      end,
      people: fixed.people,
      place,
      tools: tools.pieces,
      firmSlot: firmSlot.slot,
      causes,
    });
    return true;
  }

  private gateOf({ job }: Task): number {
    return job < 0 ? 0 : this.gates[job]!;
  }
  private leadsOf({ stage }: Task, count: number): number {
    return stage.people === 0 ? 0 : count - (stage.people - 1);
  }
  private minutesEach({ stage, firm }: Task, count: number): number {
    return Math.max(1, Math.ceil(firm >= 0 ? stage.minutes : stage.minutes / Math.max(count, 1)));
  }

  /** The earliest a stage can be done by so many people. */
  private earliest(task: Task, count: number): Placed | Impossible {
    const { stage } = task;
    const { problem } = this.ground;
    this.free.fill(-1);
    let start = Math.max(0, stage.earliest, this.gateOf(task));
    for (const one of task.before) start = Math.max(start, this.placed[one]!.end);
    for (let tries = 0; tries < MOST_TRIES && start <= problem.horizon; tries++) {
      const crew = this.crewAt(task, count, start);
      if (crew.from > start) {
        if (crew.from === NEVER) return stage.liveHv ? { kind: 'noPair' } : { kind: 'tooFar' };
        start = crew.from;
        continue;
      }
      const { end } = crew;
      const firm = this.firmOver(task, start, end);
      if (firm.slot < -1) {
        start = firm.until;
        continue;
      }
      const tools = this.toolsOver(task, start, end);
      if ('until' in tools) {
        start = tools.until;
        continue;
      }
      const place = this.placeFrom(task, start, end);
      if ('until' in place) {
        start = place.until;
        continue;
      }
      return {
        start,
        end,
        people: crew.people,
        place: place.place,
        tools: tools.pieces,
        firmSlot: firm.slot,
        causes: NO_CAUSES,
      };
    }
    return { kind: 'tooFar' };
  }

  /**
   * Why a stage that is about to be put at a minute is not sooner: what is over just then, or else everything that keeps it
   * from the minute before.
   */
  private causesOf(task: Task, count: number, start: number): Cause[] {
    const { stage } = task;
    if (start === 0) return [{ kind: 'now' }];
    const causes: Cause[] = task.before.flatMap((one): Cause[] =>
      this.placed[one]!.end === start ? [{ kind: 'after', stageId: this.ground.tasks[one]!.stage.id }] : [],
    );
    if (stage.earliest === start) causes.unshift({ kind: 'earliest' });
    if (causes.length > 0) return causes;
    const sooner = start - 1;
    this.free.fill(-1);
    const crew = this.crewAt(task, count, sooner);
    if (crew.from > sooner) causes.push(crew.cause ?? { kind: 'people', personId: null, stageId: null });
    const end = crew.end < NEVER ? crew.end : sooner + this.minutesEach(task, count);
    const firm = this.firmOver(task, sooner, end);
    if (firm.slot < -1) causes.push({ kind: 'firm', firmId: stage.firmId!, stageId: this.idOf(firm.by) });
    const tools = this.toolsOver(task, sooner, end);
    if ('until' in tools) causes.push({ kind: 'tool', tool: tools.tool, stageId: this.idOf(tools.by) });
    const place = this.placeOver(task, sooner, end);
    if ('until' in place) causes.push(this.causeOf(place));
    // Nothing but its own choice keeps it.
    return causes.length > 0 ? causes : [{ kind: 'gate' }];
  }

  private idOf(task: number): string | null {
    return task < 0 ? null : this.ground.tasks[task]!.stage.id;
  }
  private causeOf({ what, job, place }: Obstacle): Cause {
    const { places, jobs } = this.ground.problem;
    const placeId = places[place]?.id ?? '';
    if (what === 'place') return { kind: 'place', placeId, jobId: jobs[job]?.id ?? null };
    return what === 'moving' ? { kind: 'moving', from: places[place]?.id ?? null } : { kind: 'elsewhere', placeId };
  }

  /** From when on a person could be on work of so many minutes; who or what has them until then is kept beside. */
  private freeFrom(person: number, start: number, minutes: number): number {
    // What was found from an earlier minute holds until then.
    if (this.free[person]! >= start) return this.free[person]!;
    const { calendar } = this.ground.people[person]!;
    const busy = this.busy[person]!;
    let from = busy.worth(start);
    let by = from > start ? busy.fullBy : -1;
    for (;;) {
      let end = from + minutes;
      if (!calendar.always) {
        const there = calendar.there(from);
        if (there > from) {
          from = there;
          by = -1;
        }
        end = workedThrough(from, minutes, [calendar]);
      }
      const at = busy.touching(from, end);
      if (at < 0) break;
      by = busy.by[at]!;
      from = busy.to[at]!;
    }
    this.free[person] = from;
    this.freeBy[person] = by;
    return from;
  }

  /** Of some people the one who comes n-th free, from a minute on for so many minutes; −1 where they are fewer. */
  private nth(people: readonly number[], n: number, start: number, minutes: number): number {
    if (people.length < n) return -1;
    if (n === 1) {
      let first = people[0]!;
      let soonest = this.freeFrom(first, start, minutes);
      for (const one of people) {
        if (soonest <= start) break;
        const from = this.freeFrom(one, start, minutes);
        if (from < soonest) {
          soonest = from;
          first = one;
        }
      }
      return first;
    }
    if (n === 2) return this.second(people, start, minutes);
    const soonest: number[] = [];
    for (const one of people) {
      const from = this.freeFrom(one, start, minutes);
      let at = soonest.length;
      while (at > 0 && this.free[soonest[at - 1]!]! > from) at--;
      if (at >= n) continue;
      soonest.splice(at, 0, one);
      if (soonest.length > n) soonest.pop();
      if (soonest.length === n && this.free[soonest[n - 1]!]! <= start) break;
    }
    return soonest[n - 1]!;
  }

  private second(people: readonly number[], start: number, minutes: number): number {
    let first = -1;
    let next = -1;
    for (const one of people) {
      const from = this.freeFrom(one, start, minutes);
      if (first < 0 || from < this.free[first]!) {
        next = first;
        first = one;
      } else if (next < 0 || from < this.free[next]!) next = one;
      if (next >= 0 && this.free[next]! <= start) break;
    }
    return next;
  }

  /** Who could do a stage from a minute on; else from when on it may be asked again, and whom it waits for. */
  private crewAt(task: Task, count: number, start: number): Crewed {
    const { stage } = task;
    const minutes = this.minutesEach(task, count);
    if (count === 0) {
      if (task.firm < 0) return { from: start, end: start + minutes, people: [], cause: null };
      const calendar = [this.ground.firms[task.firm]!];
      const from = togetherFrom(start, calendar);
      const cause: Cause = { kind: 'firm', firmId: stage.firmId!, stageId: null };
      return { from, end: workedThrough(from, minutes, calendar), people: [], cause };
    }
    const crews = this.ground.people;
    const leads = this.leadsOf(task, count);
    let whom = this.nth(task.able, leads, start, minutes);
    if (count > leads) whom = this.later(whom, this.nth(task.helpers, count, start, minutes));
    const authorised = stage.liveHv ? this.authorisedUntil(task, start + minutes) : NOBODY;
    if (stage.liveHv) whom = this.later(whom, this.nth(authorised, 1, start, minutes));
    const from = whom < 0 ? NEVER : this.free[whom]!;
    if (from > start) {
      if (whom < 0) return { from, end: NEVER, people: NOBODY, cause: null };
      const personId = this.ground.problem.people[whom]!.id;
      const stageId = this.idOf(this.freeBy[whom]!);
      return { from, end: NEVER, people: NOBODY, cause: { kind: 'people', personId, stageId } };
    }
    const picked: number[] = [];
    if (stage.liveHv) {
      // One who is authorised and can lead it does both.
      const both = this.lightest(authorised, picked, start, minutes, task.mayLead);
      picked.push(both < 0 ? this.lightest(authorised, picked, start, minutes, null) : both);
    }
    let able = 0;
    for (const one of picked) if (task.mayLead[one]) able++;
    while (able < leads && picked.length < count) {
      const one = this.lightest(task.able, picked, start, minutes, null);
      if (one < 0) break;
      picked.push(one);
      able++;
    }
    while (picked.length < count) {
      const one = this.lightest(task.helpers, picked, start, minutes, null);
      if (one < 0) break;
      picked.push(one);
    }
    const short = picked.length < count || able < leads;
    const end = short ? NEVER : this.together(picked, start, minutes);
    // Together they may take longer than each alone: a short day of one, leave of another.
    let clash = -1;
    let holds = !stage.liveHv;
    if (!short)
      for (const one of picked) {
        if (clash < 0 && this.busy[one]!.touching(start, end) >= 0) clash = one;
        if (crews[one]!.hvUntil >= end) holds = true;
      }
    if (short || clash >= 0 || !holds) {
      const personId = clash < 0 ? null : this.ground.problem.people[clash]!.id;
      const cause: Cause = { kind: 'people', personId, stageId: null };
      return { from: this.nextChange(task, start), end: NEVER, people: NOBODY, cause };
    }
    return { from: start, end, people: picked, cause: null };
  }

  /** Of two people the one who is free later; −1 where one of them is nobody. */
  private later(a: number, b: number): number {
    if (a < 0 || b < 0) return -1;
    return this.free[b]! > this.free[a]! ? b : a;
  }

  /** Whose authorisation reaches to a minute. */
  private authorisedUntil({ authorised }: Task, minute: number): readonly number[] {
    const { people } = this.ground;
    return authorised.every((one) => people[one]!.hvUntil >= minute)
      ? authorised
      : authorised.filter((one) => people[one]!.hvUntil >= minute);
  }

  /** Of those who are free at a minute and not picked yet, who is best spared; −1 for none. */
  private lightest(
    people: readonly number[],
    picked: readonly number[],
    start: number,
    minutes: number,
    only: readonly boolean[] | null,
  ): number {
    let best = -1;
    let end = NEVER;
    for (const one of people) {
      if (picked.includes(one) || (only && !only[one]) || this.freeFrom(one, start, minutes) > start) continue;
      // Whoever is there all the while has it done sooner than one who goes away in the middle.
      const { calendar } = this.ground.people[one]!;
      const over = calendar.always ? start + minutes : workedThrough(start, minutes, [calendar]);
      if (best >= 0 && (over > end || (over === end && !this.easier(one, best)))) continue;
      best = one;
      end = over;
    }
    return best;
  }

  private together(people: readonly number[], start: number, minutes: number): number {
    const crews = this.ground.people;
    if (people.every((one) => crews[one]!.calendar.always)) return start + minutes;
    return workedThrough(
      start,
      minutes,
      people.map((one) => crews[one]!.calendar),
    );
  }

  /** Of two who could, the one who can do less else, then the one who has less to do. */
  private easier(a: number, b: number): boolean {
    const { people } = this.ground;
    const difference = people[a]!.versatility - people[b]!.versatility;
    return difference !== 0
      ? difference < 0
      : this.load[a]! < this.load[b]! || (this.load[a] === this.load[b] && a < b);
  }

  /** The next minute at which somebody comes free or comes in. */
  private nextChange(task: Task, start: number): number {
    let next = NEVER;
    for (const one of task.helpers) {
      const busy = this.busy[one]!;
      const at = busy.touching(start, NEVER);
      if (at >= 0) next = Math.min(next, busy.to[at]!);
      const away = this.ground.people[one]!.calendar.away(start);
      if (away < NEVER) next = Math.min(next, this.ground.people[one]!.calendar.there(away));
    }
    return next > start ? next : NEVER;
  }

  private firmOver(task: Task, start: number, end: number): { slot: number; until: number; by: number } {
    if (task.firm < 0) return NO_FIRM;
    let until = NEVER;
    let by = -1;
    const slots = this.firmBusy[task.firm]!;
    for (let slot = 0; slot < slots.length; slot++) {
      const at = slots[slot]!.touching(start, end);
      if (at < 0) return { slot, until: start, by: -1 };
      if (slots[slot]!.to[at]! < until) {
        until = slots[slot]!.to[at]!;
        by = slots[slot]!.by[at]!;
      }
    }
    return { slot: -2, until, by };
  }

  private toolsOver(task: Task, start: number, end: number): { readonly pieces: readonly number[] } | Short {
    if (task.tools.length === 0) return NO_TOOLS;
    const pieces: number[] = [];
    for (let kind = 0; kind < task.tools.length; kind++) {
      let until = NEVER;
      let by = -1;
      let found = -1;
      for (const piece of task.tools[kind]!) {
        if (pieces.includes(piece)) continue;
        const busy = this.toolBusy[piece]!;
        const at = busy.touching(start, end);
        if (at < 0) {
          found = piece;
          break;
        }
        if (busy.to[at]! < until) {
          until = busy.to[at]!;
          by = busy.by[at]!;
        }
      }
      if (found < 0) return { tool: task.stage.tools[kind]!, until, by };
      pieces.push(found);
    }
    return { pieces };
  }

  /** Where a stage can be done over a time, or the first minute at which there is a place for so long. */
  private placeFrom(task: Task, start: number, end: number): { place: number } | { until: number } {
    if (task.stage.at === 'beside') return AT_BENCH;
    if (task.stage.at === 'away') {
      const from = this.visits.fit(task.job, AWAY, start, end - start);
      return from === start ? { place: AWAY } : { until: from };
    }
    const here = this.visits.before(task.job, start);
    let until = NEVER;
    if (here !== null && task.places.includes(here)) {
      until = this.visits.fit(task.job, here, start, end - start);
      if (until === start) return { place: here };
    }
    for (const place of task.places) {
      if (place === here) continue;
      const from = this.visits.fit(task.job, place, start, end - start);
      if (from === start) return { place };
      if (from < until) until = from;
    }
    return { until };
  }

  /** Where a stage can be done over a time: where its vehicle stands already, if it can be there. */
  private placeOver(task: Task, start: number, end: number): { place: number } | Obstacle {
    if (task.stage.at === 'beside') return AT_BENCH;
    if (task.stage.at === 'away') return this.visits.obstacle(task.job, AWAY, start, end) ?? { place: AWAY };
    const here = this.visits.before(task.job, start);
    let soonest: Obstacle | null = null;
    if (here !== null && task.places.includes(here)) {
      soonest = this.visits.obstacle(task.job, here, start, end);
      if (!soonest) return { place: here };
    }
    for (const place of task.places) {
      if (place === here) continue;
      const obstacle = this.visits.obstacle(task.job, place, start, end);
      if (!obstacle) return { place };
      if (!soonest || obstacle.until < soonest.until) soonest = obstacle;
    }
    return soonest!;
  }
}

/** Makes a plan after a recipe; where stages were fixed before, those are put there first as far as that still holds. */
export function decode(ground: Ground, recipe: Recipe, explain = false): Decoder {
  const decoder = new Decoder(ground, recipe.gates, explain);
  decoder.begin();
  const { tasks } = ground;
  const open = new Int32Array(tasks.length);
  const queue = new Waiting(recipe.keys);
  for (const index of ground.order) {
    open[index] = tasks[index]!.planned.length;
    if (open[index] === 0) queue.push(index);
  }
  for (let now = queue.pop(); now >= 0; now = queue.pop()) {
    const task = tasks[now]!;
    if (!task.stage.begun) decoder.put(task);
    for (const one of task.next) if (--open[one]! === 0) queue.push(one);
  }
  return decoder;
}

/** Stages that could be put next: the one with the lowest key comes out first, of equals the one named first. */
class Waiting {
  private readonly heap: number[] = [];
  private readonly keys: Float64Array;
  constructor(keys: Float64Array) {
    this.keys = keys;
  }
  private sooner(a: number, b: number): boolean {
    const difference = this.keys[a]! - this.keys[b]!;
    return difference !== 0 ? difference < 0 : a < b;
  }
  push(one: number): void {
    const heap = this.heap;
    let at = heap.length;
    heap.push(one);
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (!this.sooner(one, heap[up]!)) break;
      heap[at] = heap[up]!;
      at = up;
    }
    heap[at] = one;
  }
  pop(): number {
    const heap = this.heap;
    const top = heap[0];
    const last = heap.pop();
    if (top === undefined || last === undefined) return -1;
    if (heap.length === 0) return top;
    let at = 0;
    for (;;) {
      let child = 2 * at + 1;
      if (child >= heap.length) break;
      if (child + 1 < heap.length && this.sooner(heap[child + 1]!, heap[child]!)) child++;
      if (!this.sooner(heap[child]!, last)) break;
      heap[at] = heap[child]!;
      at = child;
    }
    heap[at] = last;
    return top;
  }
}

/** What a plan costs: lateness, ends, work in progress; a job with a stage that cannot be planned counts what can be. */
export function costOf({ problem, tasks }: Ground, { placed }: Decoder): { cost: PlanCost; jobs: PlannedJob[] } {
  const from = problem.jobs.map(() => NEVER);
  const to = problem.jobs.map(() => 0);
  for (const { index, job } of tasks) {
    const one = placed[index];
    if (!one || job < 0) continue;
    if (one.start < from[job]!) from[job] = one.start;
    if (one.end > to[job]!) to[job] = one.end;
  }
  let late = 0;
  let ends = 0;
  let inProgress = 0;
  const jobs = problem.jobs.flatMap((job, index): PlannedJob[] => {
    if (from[index] === NEVER) return [];
    const over = job.due === null ? 0 : Math.max(0, to[index]! - job.due);
    late += (job.weight * over) / 60;
    ends += (job.weight * to[index]!) / 60;
    inProgress += (to[index]! - from[index]!) / 60;
    return [{ id: job.id, start: from[index]!, end: to[index]!, late: over }];
  });
  return { cost: { late, ends, inProgress }, jobs };
}

/** A decoded plan in names. */
export function planOf(ground: Ground, decoder: Decoder): WorkPlan {
  const { problem, tasks } = ground;
  const { cost, jobs } = costOf(ground, decoder);
  const stages = tasks.flatMap(({ index, stage }): PlannedStage[] => {
    const one = decoder.placed[index];
    if (!one) return [];
    return [
      {
        ...{ id: stage.id, start: one.start, end: one.end, causes: one.causes },
        people: one.people.map((person) => problem.people[person]!.id),
        placeId: problem.places[one.place]?.id ?? null,
        tools: one.tools.map((piece) => problem.tools[piece]!.id),
      },
    ];
  });
  const impossible = [...ground.impossible, ...decoder.failed].map(([index, why]) => ({
    ...{ stageId: tasks[index]!.stage.id, why },
  }));
  return { stages, jobs, impossible, cost };
}

/** Puts stages where they were before, as far as that still holds, and the others as early as they can be then. */
export function replay(ground: Ground, fixed: ReadonlyMap<number, Fixed>, recipe: Recipe, explain = false): Decoder {
  const decoder = new Decoder(ground, recipe.gates, explain);
  decoder.begin();
  const { tasks } = ground;
  const starts = (index: number) => fixed.get(index)?.start ?? Number.POSITIVE_INFINITY;
  const rank = new Map(ground.order.map((index, at) => [index, at]));
  const left: number[] = [];
  // By their begin, in the order they wait for each other.
  const open = [...ground.order].sort((a, b) => starts(a) - starts(b) || rank.get(a)! - rank.get(b)!);
  for (const index of open) {
    const task = tasks[index]!;
    if (task.stage.begun) continue;
    const was = fixed.get(index);
    if (!was || !decoder.putAt(task, was)) left.push(index);
  }
  left.sort((a, b) => rank.get(a)! - rank.get(b)!);
  for (const index of left) decoder.put(tasks[index]!);
  return decoder;
}
