import { Busy } from './busy.ts';
import type { PlanProblem } from './problem.ts';

/** A vehicle standing in a place, from its work there to its last. */
interface Visit {
  from: number;
  to: number;
  readonly place: number;
  readonly job: number;
}

/** What keeps a vehicle from being in a place, and the first minute at which that is over. */
export interface Obstacle {
  readonly until: number;
  /** The place is taken or closed; the vehicle is elsewhere; it is on its way. */
  readonly what: 'place' | 'elsewhere' | 'moving';
  /** Who is in the place; −1 where it is closed. */
  readonly job: number;
  /** Where the vehicle is instead. */
  readonly place: number;
}

/** Out of the house, which holds any number. */
export const AWAY = -1;

/** The last of a list, sorted by its begin, that begins before a minute; −1 for none. */
function lastBefore(list: readonly Visit[], minute: number): number {
  let low = 0;
  let high = list.length;
  if (high > 0 && list[high - 1]!.from < minute) return high - 1;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (list[middle]!.from < minute) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/**
 * Where each vehicle stands when. One vehicle to a place; between one vehicle and the next, and between two places of one
 * vehicle, lies the time to move it. A vehicle stays between two works in one place, unless that is longer than it would
 * be let stand or somebody else is in between: then it is put aside meanwhile.
 */
export class Visits {
  private readonly inPlace: Visit[][];
  private readonly ofJob: Visit[][];
  private readonly closed: Busy[];
  private readonly move: number;
  private readonly park: number;

  constructor(problem: PlanProblem) {
    this.inPlace = problem.places.map(() => []);
    this.ofJob = problem.jobs.map(() => []);
    this.closed = problem.places.map(({ off }) => {
      const busy = new Busy();
      for (const { from, to } of off) busy.put(from, to, -1);
      return busy;
    });
    this.move = problem.moveMinutes;
    this.park = problem.parkMinutes;
    const at = new Map(problem.places.map(({ id }, index) => [id, index]));
    problem.jobs.forEach(({ standsIn }, job) => {
      const place = standsIn === null ? undefined : at.get(standsIn);
      if (place !== undefined) this.keep({ from: 0, to: 0, place, job });
    });
  }

  private keep(visit: Visit): void {
    const lists = [this.ofJob[visit.job]!, ...(visit.place === AWAY ? [] : [this.inPlace[visit.place]!])];
    for (const list of lists) list.splice(lastBefore(list, visit.from) + 1, 0, visit);
  }

  private forget(visit: Visit): void {
    const lists = [this.ofJob[visit.job]!, ...(visit.place === AWAY ? [] : [this.inPlace[visit.place]!])];
    for (const list of lists) list.splice(list.indexOf(visit), 1);
  }

  /** Where the vehicle of a job stands before a minute; null where it stands nowhere yet. */
  before(job: number, minute: number): number | null {
    const own = this.ofJob[job]!;
    return own[lastBefore(own, minute)]?.place ?? own[0]?.place ?? null;
  }

  /** What keeps the vehicle of a job from being in a place over [from, to); null where nothing does. */
  obstacle(job: number, place: number, from: number, to: number): Obstacle | null {
    const move = this.move;
    const own = this.ofJob[job]!;
    for (let i = lastBefore(own, to + move); i >= 0; i--) {
      const visit = own[i]!;
      // Visits of one vehicle never overlap: the ones before this are over sooner.
      if (visit.to + move <= from) break;
      if (visit.place !== place)
        return {
          until: visit.to + move,
          what: visit.to <= from ? 'moving' : 'elsewhere',
          job: -1,
          place: visit.place,
        };
    }
    if (place === AWAY) return null;
    const taken = this.inPlace[place]!;
    for (let i = lastBefore(taken, to + move); i >= 0; i--) {
      const visit = taken[i]!;
      if (visit.to + move <= from) break;
      if (visit.job !== job) return { until: visit.to + move, what: 'place', job: visit.job, place };
    }
    const shut = this.closed[place]!.touching(from, to);
    return shut < 0 ? null : { until: this.closed[place]!.to[shut]!, what: 'place', job: -1, place };
  }

  /** The first minute from this one on at which the vehicle of a job can be in a place for so long. */
  fit(job: number, place: number, from: number, minutes: number): number {
    for (let start = from; ; ) {
      const obstacle = this.obstacle(job, place, start, start + minutes);
      if (!obstacle) return start;
      start = obstacle.until;
    }
  }

  /** Puts the vehicle of a job into a place over [from, to), which nothing keeps it from. */
  put(job: number, place: number, from: number, to: number): void {
    const visit: Visit = { from, to, place, job };
    const own = this.ofJob[job]!;
    const overlapping = own.filter((other) => other.from <= to && other.to >= from && other.place === place);
    for (const other of overlapping) this.join(visit, other);
    const at = lastBefore(own, visit.from);
    const left = own[at];
    const right = own[at + 1];
    if (left?.place === place && visit.from - left.to <= this.park && this.nobody(place, left.to, visit.from))
      this.join(visit, left);
    if (right?.place === place && right.from - visit.to <= this.park && this.nobody(place, visit.to, right.from))
      this.join(visit, right);
    this.keep(visit);
  }

  private join(visit: Visit, other: Visit): void {
    visit.from = Math.min(visit.from, other.from);
    visit.to = Math.max(visit.to, other.to);
    this.forget(other);
  }

  private nobody(place: number, from: number, to: number): boolean {
    if (place === AWAY) return true;
    const taken = this.inPlace[place]!;
    const last = taken[lastBefore(taken, to)];
    return !(last && last.to > from) && this.closed[place]!.touching(from, to) < 0;
  }
}
