import { type Check, figureLimit, seen } from '../check.ts';

export const packEnds: readonly Check[] = [
  {
    id: 'chargeStops',
    group: 'topOfPack',
    title: 'Charging stops by itself',
    how: 'Charge to the end unattended by software; note the pack voltage when the current has gone.',
    kind: 'voltage',
    liveHv: false,
    limit: figureLimit('packVoltageFull', (v) => [0.96 * v, v], 'between 96 % and 100 % of the full pack voltage'),
  },
  seen(
    'regenReduced',
    'topOfPack',
    'Regeneration reduced when full',
    'Drive off full, lift gently; braking by the drive must be weak and the driver told.',
  ),
  {
    id: 'lowWarning',
    group: 'bottomOfPack',
    title: 'Warning before empty',
    how: 'Drive the pack down on a quiet road; note the pack voltage when the warning comes.',
    kind: 'voltage',
    liveHv: false,
    limit: figureLimit('packVoltageEmpty', (v) => [v * 1.02, null], '2 % above the empty pack voltage or more'),
  },
  seen(
    'noCutOut',
    'bottomOfPack',
    'Power fades, does not cut out',
    'Below the warning the vehicle slows gently and can still leave the road.',
  ),
];
