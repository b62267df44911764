import type { Chain } from '../../chain/solve.ts';
import { type Entry, type FigureAbout, figure } from '../figure.ts';
import { chainPeak, chainPeakLow } from './chain.ts';
import { heldWords } from './held.ts';

function full(about: FigureAbout, chain: Entry<Chain>) {
  return figure({
    ...about,
    kind: 'electricPower',
    needs: { chain },
    compute: ({ chain: { full, ask, limitW } }) => ({
      value: full.batteryW,
      formula: 'P = shaft power ÷ efficiency, with every limit from cell to shaft',
      terms: [
        { symbol: 'voltage without load', value: ask.openV, kind: 'voltage' },
        { symbol: 'shaft power', value: full.shaftW, kind: 'shaftPower' },
        { symbol: 'at', value: full.rpm, kind: 'rotation' },
        { symbol: 'efficiency', value: ask.motor.efficiency, kind: 'share' },
        { symbol: 'voltage under that load', value: full.volts, kind: 'voltage' },
        { symbol: 'current', value: full.amps, kind: 'current' },
        { symbol: 'accessories and heating beside it', value: ask.besideA, kind: 'current' },
        { symbol: 'battery side leaves to the drive', value: limitW, kind: 'electricPower' },
      ],
      source: 'sheets of the parts; Ohm',
      held: heldWords(full.heldBy),
    }),
  });
}

/** Battery power at full throttle, at the speed at which most is taken: every link from cell to shaft asked. */
export const drivePower = full({ id: 'drivePower', name: 'Battery power at full throttle', group: 'road' }, chainPeak);
/** The same with a fifth of the charge left: a low pack sags deeper, and meets its lowest voltages sooner. */
export const drivePowerLow = full(
  { id: 'drivePowerLow', name: 'Battery power, a fifth of the charge left', group: 'road' },
  chainPeakLow,
);
