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

  /** Index of the first stretch that touches [from, to); −1 where none does. */
  touching(from: number, to: number): number {
    const at = this.firstAfter(from);
    return at < this.from.length && this.from[at]! < to ? at : -1;
  }

  put(from: number, to: number, by: number): void {
    const at = this.firstAfter(from);
    if (at === this.from.length) {
      this.from.push(from);
      this.to.push(to);
      this.by.push(by);
      return;
    }
    this.from.splice(at, 0, from);
    this.to.splice(at, 0, to);
    this.by.splice(at, 0, by);
  }
}
