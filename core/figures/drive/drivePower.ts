import { figure } from '../figure.ts';
import { chainPeak } from './chain.ts';
import { heldWords } from './held.ts';

/** Battery power at full throttle, at the speed at which most is taken: every link from cell to shaft asked. */
export const drivePower = figure({
  id: 'drivePower',
  name: 'Battery power at full throttle',
  group: 'road',
  kind: 'electricPower',
  needs: { chainPeak },
  compute: ({ chainPeak: { full, ask, limitW } }) => ({
    value: full.batteryW,
    formula: 'P = shaft power ÷ efficiency, with every limit from cell to shaft',
    terms: [
      { symbol: 'shaft power', value: full.shaftW, kind: 'shaftPower' },
      { symbol: 'at', value: full.rpm, kind: 'rotation' },
      { symbol: 'efficiency', value: ask.motor.efficiency, kind: 'share' },
      { symbol: 'voltage under that load', value: full.volts, kind: 'voltage' },
      { symbol: 'current', value: full.amps, kind: 'current' },
      { symbol: 'battery side allows', value: limitW, kind: 'electricPower' },
    ],
    source: 'sheets of the parts; Ohm',
    held: heldWords(full.heldBy),
  }),
});
