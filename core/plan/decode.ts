import { togetherFrom, workedThrough } from './calendar.ts';
import { Crews } from './crews.ts';
import { type Ground, leadsOf, minutesEach, type Task } from './ground.ts';
import { Pieces } from './pieces.ts';
import type { Cause, Impossible } from './problem.ts';
import { AWAY, type Obstacle, Visits } from './visits.ts';
import { Waiting } from './waiting.ts';

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

const NEVER = Number.POSITIVE_INFINITY;
const NO_CAUSES: readonly Cause[] = [];
const BESIDE = -2;
const NO_PLACE = -4;
/** More tries than any real plan needs: a guard, not a limit. */
const MOST_TRIES = 20_000;

/** Puts stages one after another, each as early as what is there already lets it. */
export class Decoder {
  private readonly crews: Crews;
  private readonly pieces: Pieces;
  private readonly visits: Visits;
  readonly placed: (Placed | undefined)[];
  readonly failed = new Map<number, Impossible>();
  private readonly gates: Float64Array;
  private readonly ground: Ground;

  /** Whether it is kept why each stage was not sooner; making a plan better does not ask. */
  private readonly explain: boolean;

  constructor(ground: Ground, gates: Float64Array, explain = false) {
    this.ground = ground;
    this.gates = gates;
    this.explain = explain;
    this.crews = new Crews(ground);
    this.pieces = new Pieces(ground);
    this.visits = new Visits(ground.problem);
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
    const until = begun.until ?? null;
    const place = stage.at === 'away' ? AWAY : problem.places.findIndex(({ id }) => id === begun.placeId);
    const people = begun.people.flatMap((id) => {
      const at = problem.people.findIndex((one) => one.id === id);
      return at < 0 ? [] : [at];
    });
    const calendars = task.firm >= 0 ? [this.ground.firms[task.firm]!] : people.map((one) => crews[one]!.calendar);
    const each = Math.max(1, Math.ceil(stage.minutes / Math.max(people.length, 1)));
    const stays = stage.at === 'beside' || (place < 0 && stage.at === 'vehicle') ? BESIDE : place;
    // Somebody may be on two things that have begun, or a tool wanted for two: the later waits its turn. A vehicle that
    // stands elsewhere is moved first.
    let start = 0;
    let end = 0;
    let tools: readonly number[] = [];
    for (let tries = 0; tries < MOST_TRIES; tries++) {
      if (until === null) start = togetherFrom(start, calendars);
      end = until ?? workedThrough(start, each, calendars);
      if (!Number.isFinite(end)) break;
      const busy = this.crews.clash(people, start, end);
      const free = this.pieces.toolsOver(task, start, end);
      // What is not to be had for as long as anybody plans is worked without: it has begun all the same.
      const short = 'until' in free && free.until < problem.horizon ? free.until : start;
      const there = stays >= AWAY && until === null ? this.visits.fit(task.job, stays, start, end - start) : start;
      const from = Math.max(busy, short, there, start);
      if (from === start) {
        tools = 'until' in free ? [] : free.pieces;
        break;
      }
      start = from;
    }
    if (!Number.isFinite(end)) {
      this.failed.set(task.index, { kind: 'tooFar' });
      return;
    }
    // Live work that outlasts the authorisation of its pair is planned as for others, and said where there are none.
    if (stage.liveHv && !people.some((one) => crews[one]!.hvUntil >= end)) return;
    if (task.firm >= 0) this.pieces.putThere(task, end);
    this.book(task, { start, end, people, tools, firmSlot: -1, causes: [{ kind: 'begun' }], place: stays });
  }

  private book(task: Task, placed: Placed): void {
    const { people, start, end, tools, firmSlot } = placed;
    this.crews.put(people, start, end, task.index);
    this.pieces.put(task, tools, firmSlot, start, end);
    if (placed.place >= AWAY && task.job >= 0) this.visits.put(task.job, placed.place, placed.start, placed.end);
    this.placed[task.index] = placed;
  }

  /** Puts a stage; everything it waits for has been put. */
  put(task: Task): void {
    for (const one of task.before)
      if (this.placed[one] === undefined) {
        this.failed.set(task.index, { kind: 'before', stageId: this.ground.tasks[one]!.stage.id });
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
    if (able < leadsOf(task, count)) return false;
    const calendars =
      task.firm >= 0 ? [this.ground.firms[task.firm]!] : fixed.people.map((one) => crews[one]!.calendar);
    if (togetherFrom(fixed.start, calendars) !== fixed.start) return false;
    const end = workedThrough(fixed.start, minutesEach(task, count), calendars);
    if (this.crews.clash(fixed.people, fixed.start, end) >= 0) return false;
    if (stage.liveHv && !fixed.people.some((one) => crews[one]!.hvUntil >= end)) return false;
    if (stage.at === 'vehicle' && !task.places.includes(fixed.place)) return false;
    if (stage.at !== 'beside' && this.visits.obstacle(task.job, fixed.place, fixed.start, end)) return false;
    const tools = this.pieces.toolsOver(task, fixed.start, end);
    const firmSlot = this.pieces.firmOver(task, fixed.start, end);
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

  /** The earliest a stage can be done by so many people. */
  private earliest(task: Task, count: number): Placed | Impossible {
    const { stage } = task;
    const { problem } = this.ground;
    this.crews.begin();
    let start = Math.max(0, stage.earliest, this.gateOf(task));
    for (const one of task.before) start = Math.max(start, this.placed[one]!.end);
    for (let tries = 0; tries < MOST_TRIES && start <= problem.horizon; tries++) {
      const crew = this.crews.at(task, count, start);
      if (crew.from > start) {
        if (crew.from === NEVER) return stage.liveHv ? { kind: 'noPair' } : { kind: 'tooFar' };
        start = crew.from;
        continue;
      }
      const { end } = crew;
      const firm = this.pieces.firmOver(task, start, end);
      if (firm.slot < -1) {
        start = firm.until;
        continue;
      }
      const tools = this.pieces.toolsOver(task, start, end);
      if ('until' in tools) {
        start = tools.until;
        continue;
      }
      const place = this.placeFrom(task, start, end);
      if (place === NO_PLACE) {
        start = this.placeUntil;
        continue;
      }
      return {
        start,
        end,
        people: crew.people,
        place,
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
    this.crews.begin();
    const crew = this.crews.at(task, count, sooner);
    if (crew.from > sooner) causes.push(crew.cause ?? { kind: 'people', personId: null, stageId: null });
    const end = crew.end < NEVER ? crew.end : sooner + minutesEach(task, count);
    const firm = this.pieces.firmOver(task, sooner, end);
    if (firm.slot < -1) causes.push({ kind: 'firm', firmId: stage.firmId!, stageId: this.idOf(firm.by) });
    const tools = this.pieces.toolsOver(task, sooner, end);
    if ('until' in tools) causes.push({ kind: 'tool', tool: tools.tool, stageId: this.idOf(tools.by) });
    const inTheWay = this.inTheWay(task, sooner, end);
    if (inTheWay) causes.push(this.causeOf(inTheWay));
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

  /** Where a stage can be done over a time; `NO_PLACE` where there is a place for so long only from `placeUntil` on. */
  private placeFrom(task: Task, start: number, end: number): number {
    if (task.stage.at === 'beside') return BESIDE;
    if (task.stage.at === 'away') {
      this.placeUntil = this.visits.fit(task.job, AWAY, start, end - start);
      return this.placeUntil === start ? AWAY : NO_PLACE;
    }
    const here = this.visits.before(task.job, start);
    let until = NEVER;
    if (here !== null && task.places.includes(here)) {
      until = this.visits.fit(task.job, here, start, end - start);
      if (until === start) return here;
    }
    for (const place of task.places) {
      if (place === here) continue;
      const from = this.visits.fit(task.job, place, start, end - start);
      if (from === start) return place;
      if (from < until) until = from;
    }
    this.placeUntil = until;
    return NO_PLACE;
  }
  private placeUntil = 0;

  /** What keeps a vehicle from every place its stage could be done in over a time, the soonest over; null where one is free. */
  private inTheWay({ stage, job, places }: Task, start: number, end: number): Obstacle | null {
    let soonest: Obstacle | null = null;
    for (const place of stage.at === 'beside' ? [] : stage.at === 'away' ? [AWAY] : places) {
      const obstacle = this.visits.obstacle(job, place, start, end);
      if (!obstacle) return null;
      if (!soonest || obstacle.until < soonest.until) soonest = obstacle;
    }
    return soonest;
  }
}

/** Makes a plan after a recipe. */
export function decode(ground: Ground, recipe: Recipe, explain = false): Decoder {
  const decoder = new Decoder(ground, recipe.gates, explain);
  decoder.begin();
  putRest(decoder, ground, recipe, ground.order);
  return decoder;
}

/** Puts stages in the order of their keys, each after what it waits for of them. */
function putRest(decoder: Decoder, { tasks }: Ground, { keys }: Recipe, rest: readonly number[]): void {
  /** How many of those that are put here each waits for; −1 for what is not put here. */
  const open = new Int32Array(tasks.length).fill(-1);
  const queue = new Waiting(keys);
  for (const index of rest) open[index] = 0;
  for (const index of rest) for (const one of tasks[index]!.next) if (open[one]! >= 0) open[one]!++;
  for (const index of rest) if (open[index] === 0) queue.push(index);
  for (let now = queue.pop(); now >= 0; now = queue.pop()) {
    const task = tasks[now]!;
    if (!decoder.placed[now] && !decoder.failed.has(now)) decoder.put(task);
    for (const one of task.next) {
      if (open[one]! < 0) continue;
      open[one]!--;
      if (open[one] === 0) queue.push(one);
    }
  }
}

/**
 * Puts stages where they were before, as far as that still holds. What does not finds the earliest room beside all that
 * stays; `pushing`: it is put in its turn, and what was there after it gives way.
 */
export function replay(
  ground: Ground,
  fixed: ReadonlyMap<number, Fixed>,
  recipe: Recipe,
  { explain = false, pushing = false }: { readonly explain?: boolean | undefined; readonly pushing?: boolean } = {},
): Decoder {
  const decoder = new Decoder(ground, recipe.gates, explain);
  decoder.begin();
  const { tasks } = ground;
  const starts = (index: number) => fixed.get(index)?.start ?? Number.POSITIVE_INFINITY;
  const rank = new Map(ground.order.map((index, at) => [index, at]));
  // By their begin, in the order they wait for each other.
  const inTurn = [...ground.order].sort((a, b) => starts(a) - starts(b) || rank.get(a)! - rank.get(b)!);
  const left: number[] = [];
  for (const index of inTurn) {
    const task = tasks[index]!;
    if (decoder.placed[index] || decoder.failed.has(index)) continue;
    const was = fixed.get(index);
    if (was && decoder.putAt(task, was)) continue;
    if (was && pushing && task.planned.every((one) => decoder.placed[one])) decoder.put(task);
    else left.push(index);
  }
  putRest(decoder, ground, recipe, left);
  return decoder;
}
