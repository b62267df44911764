import { type Entry, figure } from '../figure.ts';
import { packUsable } from '../pack/packUsable.ts';
import { consumptionConstant, consumptionCycle, consumptionRound } from './consumption.ts';

function range(id: string, consumption: Entry<number>) {
  return figure({
    id,
    kind: 'distance',
    needs: { packUsable, consumption },
    compute: ({ packUsable: usable, consumption: use }) => ({
      value: usable / use,
      formula: 'range = usable energy ÷ consumption',
      terms: [
        { symbol: 'usable energy', value: usable, kind: 'energy' },
        { symbol: 'consumption', value: use, kind: 'consumption' },
      ],
      source: 'division; the working of consumption says the rest',
    }),
  });
}

export const rangeConstant = range('rangeConstant', consumptionConstant);
export const rangeCycle = range('rangeCycle', consumptionCycle);
export const rangeRound = range('rangeRound', consumptionRound);
