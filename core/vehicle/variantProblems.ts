import { readTyreSize } from './tyre.ts';
import type { Variant } from './variant.ts';

export type VariantBody = Omit<Variant, 'id' | 'version'>;

/** What is wrong with a variant as a whole, by the path of the field it is said at. */
export interface VariantProblem {
  readonly path: string;
  readonly problem:
    | 'yearsTurned'
    | 'tyreUnreadable'
    | 'wheelbaseTooLong'
    | 'axlesOverGross'
    | 'outOfBody'
    | 'sameKey'
    | 'ratiosNotFalling';
}

/** Bodies bulge and boxes hang under floors: so far out of the plain outline is still believed, mm; common practice. */
const SLACK_MM = 60;

/**
 * Holds a variant's parts against each other: years, tyre, wheelbase within the length, masses within the plate, every
 * bay and point within the body, keys of one list told apart, gears from the slowest to the fastest.
 */
export function variantProblems(variant: VariantBody): VariantProblem[] {
  const { figures, shape, bays, mountingPoints, gearbox } = variant;
  const of = (id: keyof typeof figures) => figures[id].value;
  const problems: VariantProblem[] = [];
  const say = (path: string, problem: VariantProblem['problem']) => problems.push({ path, problem });

  if (variant.yearTo < variant.yearFrom) say('yearTo', 'yearsTurned');
  if (!readTyreSize(variant.tyre)) say('tyre', 'tyreUnreadable');
  const front = -shape.frontOverhangMm;
  const rear = front + of('length');
  if (of('wheelbase') + shape.frontOverhangMm > of('length')) say('figures.wheelbase.value', 'wheelbaseTooLong');
  if (of('frontAxleMass') + of('rearAxleMass') > of('grossMass')) say('figures.grossMass.value', 'axlesOverGross');
  const inside = (from: number, to: number, least: number, most: number) =>
    from >= least - SLACK_MM && to <= most + SLACK_MM;
  const half = of('width') / 2;
  const fits = (x: number, y: number, z: number, size: { l: number; w: number; h: number }) =>
    inside(x - size.l / 2, x + size.l / 2, front, rear) &&
    inside(y - size.w / 2, y + size.w / 2, -half, half) &&
    inside(z - size.h / 2, z + size.h / 2, 0, of('height'));
  bays.forEach((bay, i) => {
    if (!fits(bay.xMm, bay.yMm, bay.zMm, { l: bay.lengthMm, w: bay.widthMm, h: bay.heightMm }))
      say(`bays.${i}.name`, 'outOfBody');
    if (bays.findIndex(({ key }) => key === bay.key) < i) say(`bays.${i}.name`, 'sameKey');
  });
  mountingPoints.forEach((point, i) => {
    if (!fits(point.xMm, point.yMm, point.zMm, { l: 0, w: 0, h: 0 })) say(`mountingPoints.${i}.name`, 'outOfBody');
    if (mountingPoints.findIndex(({ key }) => key === point.key) < i) say(`mountingPoints.${i}.name`, 'sameKey');
  });
  variant.openings?.forEach((opening, i) => {
    if (!fits(opening.xMm, opening.yMm, opening.zMm, { l: 0, w: 0, h: 0 })) say(`openings.${i}.name`, 'outOfBody');
  });
  gearbox.ratios.forEach((ratio, i) => {
    if (i > 0 && ratio >= gearbox.ratios[i - 1]!) say(`gearbox.ratios.${i}`, 'ratiosNotFalling');
  });
  return problems;
}
