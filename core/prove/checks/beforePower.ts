import { type Check, constantLimit, seen } from '../check.ts';

export const beforePower: readonly Check[] = [
  seen(
    'torqueMarks',
    'beforePower',
    'Torque marks on every fixing',
    'Go round cradles, boxes and drive; each bolt carries its paint mark.',
  ),
  {
    id: 'clearance',
    group: 'beforePower',
    title: 'Clearance to moving parts',
    how: 'Full droop and full bump, steering from lock to lock; measure the tightest place.',
    kind: 'length',
    liveHv: false,
    limit: constantLimit(25, null, 'common practice: 25 mm to moving parts'),
  },
  seen(
    'oldCircuits',
    'beforePower',
    'Lights, horn, wipers, seat belts',
    'Old circuits were disturbed: try every one of them.',
  ),
  seen(
    'serviceSwitch',
    'beforePower',
    'Service switch locks open',
    'Pull it, lock it, try to put it back with the lock on.',
  ),
];
