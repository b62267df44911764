import { type Check, figureLimit, seen } from '../check.ts';

/** A prediction holds within this share of itself; common practice. */
const RANGE_TOLERANCE = 0.15;
const MASS_TOLERANCE = 0.03;

function axle(id: string, name: string, figure: 'frontAxleNow' | 'rearAxleNow'): Check {
  return {
    id,
    group: 'weigh',
    title: `${name} axle mass`,
    how: 'Four pads on level ground, tyres at pressure, nobody in it, full weight fitted.',
    kind: 'mass',
    liveHv: false,
    limit: figureLimit(
      figure,
      (kg) => [kg * (1 - MASS_TOLERANCE), kg * (1 + MASS_TOLERANCE)],
      'within 3 % of the design',
    ),
  };
}

export const roadAndWeigh: readonly Check[] = [
  seen(
    'brakes',
    'road',
    'Brakes with the vacuum used up',
    'Standing, pump the pedal empty; then from 30 km/h on a clear road. Straight, and hard enough.',
  ),
  {
    id: 'consumption',
    group: 'road',
    title: 'Consumption at steady speed',
    how: 'Both ways on a level road at the steady speed of the brief; mean of the two.',
    kind: 'consumption',
    liveHv: false,
    limit: figureLimit(
      'consumptionConstant',
      (c) => [null, c * (1 + RANGE_TOLERANCE)],
      'no more than 15 % over the design',
    ),
  },
  axle('frontAxle', 'Front', 'frontAxleNow'),
  axle('rearAxle', 'Rear', 'rearAxleNow'),
];
