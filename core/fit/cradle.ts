import { type CradleSheet, componentAs } from '../component/sheets.ts';
import type { KitPart } from '../kit/kit.ts';
import type { MountingPoint, Variant } from '../vehicle/variant.ts';

/** Sideways and up-and-down play of a bolt in a cradle hole, mm; common practice. */
const HOLE_PLAY_MM = 4;

export interface CradleMatch {
  readonly pick: CradleSheet['picks'][number];
  readonly point: MountingPoint | null;
  /** Slot travel left when the bolt is in (negative: short by so much); null without such a point. */
  readonly spareMm: number | null;
}

/** Every pick of every cradle among the parts with the mounting point it is made for on this variant. */
export function cradleMatches(variant: Variant, parts: readonly KitPart[]): CradleMatch[] {
  return parts.flatMap(({ component }) => {
    const cradle = componentAs(component, 'cradle');
    if (!cradle) return [];
    return cradle.sheet.picks.map((pick) => {
      const point = variant.mountingPoints.find((candidate) => candidate.key === pick.point) ?? null;
      if (!point) return { pick, point, spareMm: null };
      const along = pick.slotMm - Math.abs(point.xMm - pick.xMm);
      const aside = HOLE_PLAY_MM - Math.hypot(point.yMm - pick.yMm, point.zMm - pick.zMm);
      return { pick, point, spareMm: aside < 0 ? Math.min(along, aside) : along };
    });
  });
}

/** Picks that meet no mounting point: each would need a new hole. Null when the parts bring no cradle. */
export function newHoleCount(variant: Variant, parts: readonly KitPart[]): number | null {
  const matches = cradleMatches(variant, parts);
  return matches.length === 0 ? null : matches.filter((match) => match.spareMm === null || match.spareMm < 0).length;
}
