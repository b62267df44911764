import { Busy } from './busy.ts';
import type { Ground, Task } from './ground.ts';

/** A tool of a kind is not to be had until a minute, because of a stage; −1: it is away itself. */
export interface Short {
  readonly tool: string;
  readonly until: number;
  readonly by: number;
}

const NEVER = Number.POSITIVE_INFINITY;
const NO_FIRM = { slot: -1, until: 0, by: -1 };
const NO_TOOLS: { readonly pieces: readonly number[] } = { pieces: [] };

/** Which tools and slots of firms are taken, and which are to be had. */
export class Pieces {
  private readonly toolBusy: Busy[];
  private readonly firmBusy: Busy[][];

  constructor({ problem }: Ground) {
    this.toolBusy = problem.tools.map(({ off }) => {
      const busy = new Busy();
      for (const { from, to } of off) busy.put(from, to, -1);
      return busy;
    });
    this.firmBusy = problem.firms.map(({ capacity }) => Array.from({ length: capacity }, () => new Busy()));
  }

  put({ index, firm }: Task, tools: readonly number[], firmSlot: number, from: number, to: number): void {
    for (const piece of tools) this.toolBusy[piece]!.put(from, to, index);
    if (firmSlot >= 0) this.firmBusy[firm]![firmSlot]!.put(from, to, index);
  }

  /** What a firm has already takes its slot whether it has one or not: those it has too many of come out of it first. */
  putThere({ index, firm }: Task, to: number): void {
    const slots = this.firmBusy[firm]!;
    const ends = slots.map((slot) => slot.gap(0, Number.MAX_SAFE_INTEGER));
    const at = ends.reduce((best, end, slot) => (end < ends[best]! ? slot : best), 0);
    if (slots[at] && ends[at]! < to) slots[at].put(ends[at]!, to, index);
  }

  /** A slot of the firm of a stage over a time; −1 where it takes none, −2 until when there is none, and for whom. */
  firmOver(task: Task, start: number, end: number): { slot: number; until: number; by: number } {
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

  /** Pieces of every tool a stage takes over a time, or which is not to be had until when. */
  toolsOver(task: Task, start: number, end: number): { readonly pieces: readonly number[] } | Short {
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
}
