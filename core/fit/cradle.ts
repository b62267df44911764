import { type CradleSheet, componentAs } from '../component/sheets.ts';
import type { KitPart } from '../kit/kit.ts';
import type { MountingPoint, Variant } from '../vehicle/variant.ts';
import { type CradleSlide, cradleSlides, HOLE_PLAY_MM } from './cradleSlide.ts';

export interface CradleMatch {
  readonly pick: CradleSheet['picks'][number];
  /** Where the hole lies once the cradle is slid. */
  readonly xMm: number;
  readonly point: MountingPoint | null;
  /** Slot travel left when the bolt is in (negative: short by so much); null without such a point. */
  readonly spareMm: number | null;
}

/**
 * Every pick of every cradle among the parts with the mounting point it is made for on this variant, where the cradle is
 * slid to; unslid where no one slide suits it.
 */
export function cradleMatches(
  variant: Variant,
  parts: readonly KitPart[],
  slides: readonly CradleSlide[],
): CradleMatch[] {
  return parts.flatMap(({ component }) => {
    const cradle = componentAs(component, 'cradle');
    if (!cradle) return [];
    const found = slides.find((one) => one.cradle.id === cradle.id)?.slide;
    const slideMm = found?.found ? found.slideMm : 0;
    return cradle.sheet.picks.map((pick) => {
      const point = variant.mountingPoints.find((candidate) => candidate.key === pick.point) ?? null;
      const xMm = pick.xMm + slideMm;
      if (!point) return { pick, point, xMm, spareMm: null };
      const along = pick.slotMm - Math.abs(point.xMm - xMm);
      const aside = HOLE_PLAY_MM - Math.hypot(point.yMm - pick.yMm, point.zMm - pick.zMm);
      return { pick, point, xMm, spareMm: aside < 0 ? Math.min(along, aside) : along };
    });
  });
}

/** Picks that meet no mounting point: each would need a new hole. Null when the parts bring no cradle. */
export function newHoleCount(variant: Variant, parts: readonly KitPart[]): number | null {
  const slides = cradleSlides(variant, variant.figures.wheelbase.value, parts, []);
  const matches = cradleMatches(variant, parts, slides);
  return matches.length === 0 ? null : matches.filter((match) => match.spareMm === null || match.spareMm < 0).length;
}
