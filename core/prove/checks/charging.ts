import { type Check, constantLimit, figureLimit, seen } from '../check.ts';

export const charging: readonly Check[] = [
  {
    id: 'acPower',
    group: 'charging',
    title: 'AC charging power',
    how: 'At the client’s supply setting, pack half full; read power at the meter.',
    kind: 'electricPower',
    liveHv: false,
    limit: figureLimit('chargePower', (w) => [0.9 * w, 1.05 * w], 'from 90 % to 105 % of the design’s charging power'),
  },
  {
    id: 'lvWhileCharging',
    group: 'charging',
    title: 'Low-voltage current while charging',
    how: 'Clamp round the converter’s low-voltage cable while it charges, pump and fan running.',
    kind: 'current',
    liveHv: false,
    limit: figureLimit(
      'lvCharging',
      (a) => [0.5 * a, 1.25 * a],
      'half to 125 % of what the table of loads says; less and a pump or fan stands still. Common practice',
    ),
  },
  seen(
    'driveOff',
    'charging',
    'Cannot drive off while plugged in',
    'Plug in, choose forward and press: nothing may move.',
  ),
  {
    id: 'inletTemperature',
    group: 'charging',
    title: 'Inlet temperature after an hour',
    how: 'Full current for an hour; touch-free thermometer on the inlet’s pins side.',
    kind: 'temperature',
    liveHv: false,
    limit: constantLimit(null, 60, 'common practice: not over 60 °C'),
  },
  seen(
    'interlockOpen',
    'falseAlarms',
    'Open interlock switches off',
    'Standing, pull an interlocked connector: contactors open at once and stay open.',
    true,
  ),
];
