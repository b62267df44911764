import { type Arrangement, arrangeModules, emptyBoxMassKg, type Size } from '../pack/arrange.ts';
import type { Bay } from '../vehicle/variant.ts';

/** What the layout is best at; the rest breaks ties, by `WEIGHTS`. */
export const LAYOUT_AIMS = ['weight', 'cable', 'boxes'] as const;
export type LayoutAim = (typeof LAYOUT_AIMS)[number];

/** May it hold modules, must it (a main fuse or BMS that is to be reached without taking a box out), or not at all. */
export const BAY_USES = ['may', 'must', 'not'] as const;
export type BayUse = (typeof BAY_USES)[number];

export interface LayoutBay {
  readonly bay: Bay;
  readonly use: BayUse;
}

/** The vehicle without its boxes: mass and moment about the front axle line. */
export interface Moments {
  readonly massKg: number;
  readonly momentKgMm: number;
}

export interface LayoutTask {
  readonly module: Size & { readonly massKg: number };
  /** How many modules are to be placed, all of them. */
  readonly modules: number;
  readonly bays: readonly LayoutBay[];
  readonly clearanceMm: number;
  readonly wheelbaseMm: number;
  /** Without boxes, as it is weighed; and laden. */
  readonly unladen: Moments;
  readonly laden: Moments;
  /** Front share aimed at, unladen. */
  readonly aimShare: number;
  readonly frontRatingKg: number;
  readonly rearRatingKg: number;
  readonly grossKg: number;
  /** Where the high-voltage cables of all boxes come together, behind the front axle line, mm. */
  readonly hubXMm: number;
  readonly aim: LayoutAim;
}

/** One way to fill one bay: how many, how they stand, and how far the box can be moved along the vehicle. */
export interface Filling {
  readonly bay: number;
  readonly modules: number;
  readonly how: Arrangement;
  /** Box and modules. */
  readonly massKg: number;
  /** Middle of the box, from and to, mm. */
  readonly fromXMm: number;
  readonly toXMm: number;
}

/**
 * Every number of modules that goes into each bay that may be used, up to what its mass allows, in the smallest box that
 * takes them upright. In one bay all modules stand the same way.
 */
export function fillingsOf({ module, bays, clearanceMm, modules }: LayoutTask): Filling[] {
  return bays.flatMap(({ bay, use }, at) => {
    if (use === 'not') return [];
    const { most } = arrangeModules(module, 0, bay, clearanceMm);
    const fillings: Filling[] = [];
    for (let n = 1; n <= Math.min(most, modules); n++) {
      const { fits } = arrangeModules(module, n, bay, clearanceMm);
      if (!fits) continue;
      const massKg = n * module.massKg + emptyBoxMassKg(fits.outer);
      if (massKg > bay.maxMassKg) break;
      const play = Math.max(0, (bay.lengthMm - fits.outer.lengthMm) / 2 - clearanceMm);
      fillings.push({
        ...{ bay: at, modules: n, how: fits, massKg },
        ...{ fromXMm: bay.xMm - play, toXMm: bay.xMm + play },
      });
    }
    return fillings;
  });
}

/** Do two bays share room, so that only one of them can hold a box? */
export function overlap(a: Bay, b: Bay): boolean {
  const apart = (one: number, two: number, lengths: number) => Math.abs(one - two) >= lengths / 2 - 1e-9;
  return !(
    apart(a.xMm, b.xMm, a.lengthMm + b.lengthMm) ||
    apart(a.yMm, b.yMm, a.widthMm + b.widthMm) ||
    apart(a.zMm, b.zMm, a.heightMm + b.heightMm)
  );
}
