import { Busy } from './busy.ts';
import { togetherFrom, workedThrough } from './calendar.ts';
import { type Ground, leadsOf, minutesEach, type Task } from './ground.ts';
import type { Cause } from './problem.ts';

/** Who could do a stage, or from when on it may be asked again. */
export interface Crewed {
  readonly from: number;
  readonly end: number;
  readonly people: readonly number[];
  readonly cause: Cause | null;
}

const NEVER = Number.POSITIVE_INFINITY;
const NOBODY: readonly number[] = [];

/** Who is on what, and who could be on the next stage. */
export class Crews {
  private readonly ground: Ground;
  private readonly busy: Busy[];
  private readonly load: number[];
  /** For the stage in hand: from when on each person could be on it, and who has them until then; −1 not asked yet. */
  private readonly free: Float64Array;
  private readonly freeBy: Int32Array;

  constructor(ground: Ground) {
    this.ground = ground;
    this.busy = ground.people.map(() => new Busy(ground.shortest));
    this.load = ground.people.map(() => 0);
    this.free = new Float64Array(ground.people.length);
    this.freeBy = new Int32Array(ground.people.length);
  }

  /** Another stage is looked at, or the same from the beginning: what was found of people is not of it. */
  begin(): void {
    this.free.fill(-1);
  }

  put(people: readonly number[], from: number, to: number, task: number): void {
    for (const one of people) {
      this.busy[one]!.put(from, to, task);
      this.load[one]! += to - from;
    }
  }

  /** Until when the first of these people who is on something else over [from, to) is; −1 where nobody is. */
  clash(people: readonly number[], from: number, to: number): number {
    for (const one of people) {
      const at = this.busy[one]!.touching(from, to);
      if (at >= 0) return this.busy[one]!.to[at]!;
    }
    return -1;
  }

  private nameOf(task: number): string | null {
    return task < 0 ? null : this.ground.tasks[task]!.stage.id;
  }

  /** From when on a person could be on work of so many minutes; who or what has them until then is kept beside. */
  private freeFrom(person: number, start: number, minutes: number): number {
    // What was found from an earlier minute holds until then.
    if (this.free[person]! >= start) return this.free[person]!;
    const { calendar, calendars } = this.ground.people[person]!;
    const busy = this.busy[person]!;
    let from = busy.worth(start);
    let by = from > start ? busy.fullBy : -1;
    if (calendar.always) {
      from = busy.gap(from, minutes);
      if (busy.heldBy >= 0) by = busy.heldBy;
      this.free[person] = from;
      this.freeBy[person] = by;
      return from;
    }
    for (;;) {
      const there = calendar.there(from);
      if (there > from) {
        from = there;
        by = -1;
      }
      const end = workedThrough(from, minutes, calendars);
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
  at(task: Task, count: number, start: number): Crewed {
    const { stage } = task;
    const minutes = minutesEach(task, count);
    if (count === 0) {
      if (task.firm < 0) return { from: start, end: start + minutes, people: [], cause: null };
      const calendar = [this.ground.firms[task.firm]!];
      const from = togetherFrom(start, calendar);
      const cause: Cause = { kind: 'firm', firmId: stage.firmId!, stageId: null };
      return { from, end: workedThrough(from, minutes, calendar), people: [], cause };
    }
    const crews = this.ground.people;
    const leads = leadsOf(task, count);
    let whom = this.nth(task.able, leads, start, minutes);
    if (count > leads) whom = this.later(whom, this.nth(task.helpers, count, start, minutes));
    const authorised = stage.liveHv ? this.authorisedUntil(task, start + minutes) : NOBODY;
    if (stage.liveHv) whom = this.later(whom, this.nth(authorised, 1, start, minutes));
    const from = whom < 0 ? NEVER : this.free[whom]!;
    if (from > start) {
      if (whom < 0) return { from, end: NEVER, people: NOBODY, cause: null };
      const personId = this.ground.problem.people[whom]!.id;
      const stageId = this.nameOf(this.freeBy[whom]!);
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
    const crews = this.ground.people;
    for (const one of people) {
      const { calendar, calendars, versatility } = crews[one]!;
      // Nobody after this is spared more easily: they come by what else they can do.
      if (best >= 0 && end === start + minutes && versatility > crews[best]!.versatility) break;
      if (picked.includes(one) || (only && !only[one]) || this.freeFrom(one, start, minutes) > start) continue;
      // Whoever is there all the while has it done sooner than one who goes away in the middle.
      const over = calendar.always ? start + minutes : workedThrough(start, minutes, calendars);
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
}
