import type { NoLayout } from '../core/layout/solve.ts';
import type { BayUse, LayoutAim } from '../core/layout/task.ts';

export const LAYOUT_AIM_NAME: Readonly<Record<LayoutAim, string>> = {
  weight: 'weight where the brief wants it',
  cable: 'shortest cables',
  boxes: 'fewest boxes',
};
export const BAY_USE_NAME: Readonly<Record<BayUse, string>> = {
  may: 'may be used',
  must: 'must be used',
  not: 'stays empty',
};
export const NO_LAYOUT: Readonly<Record<NoLayout, string>> = {
  noRoom: 'So many modules do not go into the bays that may be used.',
  noLayout: 'No layout keeps both axles, the gross mass and every bay within what they bear.',
  outOfTime: 'None was found in the time allowed.',
};
