/** Stages that could be put next: the one with the lowest key comes out first, of equals the one named first. */
export class Waiting {
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
