/**
 * What somebody or something is taken by, as stretches in order that never overlap. Each carries a number of its taker.
 * Looking up and putting in take the logarithm of their number, and a move of what lies behind.
 */
export class Busy {
  readonly from: number[] = [];
  readonly to: number[] = [];
  readonly by: number[] = [];

  /** Index of the first stretch that ends after a minute. */
  private firstAfter(minute: number): number {
    const { to } = this;
    let low = 0;
    let high = to.length;
    // Most is put in at the end.
    if (high > 0 && to[high - 1]! <= minute) return high;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (to[middle]! <= minute) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  /** Up to here nothing as long as `shortest` fits in any more, from the beginning on. */
  private full = 0;
  private fullAt = 0;
  /** Who has the last of it. */
  fullBy = -1;
  private readonly shortest: number;

  /** @param shortest the shortest anybody will ask for; what no longer fits is passed over at once. @default nothing is passed over */
  constructor(shortest = 0) {
    this.shortest = shortest;
  }

  /** The first minute from this one on that is worth asking about. */
  worth(minute: number): number {
    return minute < this.full ? this.full : minute;
  }

  /** Index of the first stretch that touches [from, to); −1 where none does. */
  touching(from: number, to: number): number {
    const at = this.firstAfter(from);
    return at < this.from.length && this.from[at]! < to ? at : -1;
  }

  /** The first minute from this one on with so many minutes free behind it; who has it until then is kept in `heldBy`. */
  gap(minute: number, minutes: number): number {
    let from = minute;
    const { from: begins, to: ends } = this;
    this.heldBy = -1;
    for (let at = this.firstAfter(from); at < begins.length && begins[at]! < from + minutes; at++) {
      from = ends[at]!;
      this.heldBy = this.by[at]!;
    }
    return from;
  }
  /** Who has it until the minute that `gap` found; −1 where it was free at once. */
  heldBy = -1;

  put(from: number, to: number, by: number): void {
    const at = this.firstAfter(from);
    if (at === this.from.length) {
      this.from.push(from);
      this.to.push(to);
      this.by.push(by);
    } else {
      this.from.splice(at, 0, from);
      this.to.splice(at, 0, to);
      this.by.splice(at, 0, by);
    }
    if (this.shortest === 0) return;
    while (this.fullAt < this.from.length && this.from[this.fullAt]! < this.full + this.shortest) {
      if (this.to[this.fullAt]! > this.full) {
        this.full = this.to[this.fullAt]!;
        this.fullBy = this.by[this.fullAt]!;
      }
      this.fullAt++;
    }
  }
}
