import { type ComponentOf, componentAs } from '../component/sheets.ts';
import { USUAL_LIMIT_DEG } from '../drive/shafts.ts';
import type { PlacedBox } from '../figures/slots.ts';
import type { KitPart } from '../kit/kit.ts';
import { readTyreSize, rollingRadiusM } from '../vehicle/tyre.ts';
import type { MovingPart, Variant } from '../vehicle/variant.ts';
import { commonSlide, type Demand, keepsApart, type Slide, type Span } from './slide.ts';

/** Sideways and up-and-down play of a bolt in a cradle hole, mm; common practice. */
export const HOLE_PLAY_MM = 4;
/** Room to a part that moves with the suspension, mm; common practice. */
export const MOVING_CLEARANCE_MM = 25;

export interface CradleSlide {
  readonly cradle: ComponentOf<'cradle'>;
  readonly slide: Slide;
  readonly demands: readonly Demand[];
}

const ANYWHERE: Span = { from: Number.NEGATIVE_INFINITY, to: Number.POSITIVE_INFINITY };

/** A bolt on its point: the slot lets the cradle lie so far either way; aside it must be within the play of the hole. */
function pointDemand(variant: Variant, pick: ComponentOf<'cradle'>['sheet']['picks'][number]): Demand {
  const point = variant.mountingPoints.find(({ key }) => key === pick.point);
  if (!point) return { name: pick.point, kind: 'point', allows: [] };
  const off = point.xMm - pick.xMm;
  const aside = Math.hypot(point.yMm - pick.yMm, point.zMm - pick.zMm);
  return {
    name: point.name,
    kind: 'point',
    allows: aside > HOLE_PLAY_MM ? [] : [{ from: off - pick.slotMm, to: off + pick.slotMm }],
  };
}

/** Where a moving part stands at rest, at full droop and at full bump: middle height, mm. */
export const statesOf = ({ zMm, droopMm, bumpMm }: MovingPart) =>
  [
    ['at rest', zMm],
    ['at full droop', zMm - droopMm],
    ['at full bump', zMm + bumpMm],
  ] as const;

const spanOf = (middle: number, size: number): Span => ({ from: middle - size / 2, to: middle + size / 2 });
const gap = (a: Span, b: Span) => Math.max(a.from, b.from) - Math.min(a.to, b.to);

/** A box clear of a moving part in every state of the suspension. A damper that only touches on full droop still counts. */
function clearanceDemands(box: PlacedBox, parts: readonly MovingPart[]): Demand[] {
  const { outer } = box;
  if (!outer) return [];
  return parts.flatMap((part) =>
    statesOf(part).map(([state, zMm]): Demand => {
      const clearOtherwise =
        gap(spanOf(box.yMm, outer.widthMm), spanOf(part.yMm, part.widthMm)) >= MOVING_CLEARANCE_MM ||
        gap(spanOf(box.zMm, outer.heightMm), spanOf(zMm, part.heightMm)) >= MOVING_CLEARANCE_MM;
      return {
        name: `${box.bay.name} box to ${part.name} ${state}`,
        kind: 'clearance',
        allows: clearOtherwise
          ? [ANYWHERE]
          : keepsApart(spanOf(box.xMm, outer.lengthMm), spanOf(part.xMm, part.lengthMm), MOVING_CLEARANCE_MM),
      };
    }),
  );
}

/** The output of the drive towards the wheels: as far off the axle as the joints may turn. */
function aimDemand(variant: Variant, { aim }: ComponentOf<'cradle'>['sheet'], wheelbaseMm: number): Demand[] {
  if (!aim) return [];
  const tyre = readTyreSize(variant.tyre);
  const axleX = variant.drivenAxle === 'rear' ? wheelbaseMm : 0;
  const axleZ = tyre ? rollingRadiusM(tyre) * 1000 : aim.zMm;
  const reach = aim.alongMm * Math.tan(((aim.limitDeg ?? USUAL_LIMIT_DEG.ball) * Math.PI) / 180);
  const down = Math.abs(aim.zMm - axleZ);
  const along = down > reach ? null : Math.sqrt(reach ** 2 - down ** 2);
  const off = axleX - aim.xMm;
  return [
    {
      name: 'aim of the half shafts',
      kind: 'aim',
      allows: along === null ? [] : [{ from: off - along, to: off + along }],
    },
  ];
}

/** For every cradle of a kit: the one slide that suits its bolts, the boxes it carries and the aim of its drive. */
export function cradleSlides(
  variant: Variant,
  wheelbaseMm: number,
  parts: readonly KitPart[],
  boxes: readonly PlacedBox[],
): CradleSlide[] {
  return parts.flatMap(({ component }) => {
    const cradle = componentAs(component, 'cradle');
    if (!cradle) return [];
    const carried = boxes.filter(({ bay }) => cradle.sheet.carries !== undefined && bay.key === cradle.sheet.carries);
    const demands = [
      ...cradle.sheet.picks.map((pick) => pointDemand(variant, pick)),
      ...carried.flatMap((box) => clearanceDemands(box, variant.moving ?? [])),
      ...aimDemand(variant, cradle.sheet, wheelbaseMm),
    ];
    return [{ cradle, demands, slide: commonSlide(demands) }];
  });
}
