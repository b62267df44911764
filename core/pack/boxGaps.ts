import type { Size } from './arrange.ts';

/** A box and the bay round it, mm. */
export interface GapBox {
  readonly bay: Size & { readonly name: string; readonly xMm: number; readonly yMm: number; readonly zMm: number };
  readonly outer: Size | null;
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
}

export interface Gap {
  readonly box: string;
  /** Which wall of the bay, or which other box. */
  readonly to: string;
  readonly gapMm: number;
}

/**
 * Distances of each box to the six walls of its bay, and to every other box it could meet, tightest first. A box
 * without an outside is left out. Two boxes that stand apart along any axis are as far apart as the widest of these.
 */
export function boxGaps(boxes: readonly GapBox[]): Gap[] {
  const gaps: Gap[] = [];
  const standing = boxes.filter((box): box is GapBox & { outer: Size } => box.outer !== null);
  for (const { bay, outer, xMm, yMm, zMm } of standing) {
    const wall = (to: string, gapMm: number) => gaps.push({ box: bay.name, to, gapMm });
    const dx = xMm - bay.xMm;
    const dy = yMm - bay.yMm;
    const dz = zMm - bay.zMm;
    wall('front of the bay', (bay.lengthMm - outer.lengthMm) / 2 + dx);
    wall('rear of the bay', (bay.lengthMm - outer.lengthMm) / 2 - dx);
    wall('left of the bay', (bay.widthMm - outer.widthMm) / 2 + dy);
    wall('right of the bay', (bay.widthMm - outer.widthMm) / 2 - dy);
    wall('top of the bay', (bay.heightMm - outer.heightMm) / 2 - dz);
  }
  for (const [i, a] of standing.entries()) {
    for (const b of standing.slice(i + 1)) {
      const apart = Math.max(
        Math.abs(a.xMm - b.xMm) - (a.outer.lengthMm + b.outer.lengthMm) / 2,
        Math.abs(a.yMm - b.yMm) - (a.outer.widthMm + b.outer.widthMm) / 2,
        Math.abs(a.zMm - b.zMm) - (a.outer.heightMm + b.outer.heightMm) / 2,
      );
      if (apart < 100) gaps.push({ box: a.bay.name, to: `the ${b.bay.name} box`, gapMm: apart });
    }
  }
  return gaps.sort((x, y) => x.gapMm - y.gapMm);
}
