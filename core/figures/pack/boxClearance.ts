import { boxGaps } from '../../pack/boxGaps.ts';
import { figure, missing } from '../figure.ts';

/** Tightest distance of any box to the walls of its bay, or to another box. Negative: it stands in it. */
export const boxClearance = figure({
  id: 'boxClearance',
  name: 'Tightest clearance of a box',
  group: 'pack',
  kind: 'length',
  reads: ['pack'],
  compute: (_, { pack }) => {
    const gaps = boxGaps(pack.boxes);
    const tightest = gaps[0];
    if (!tightest) return missing(pack.boxes.length > 0 ? 'boxTooFull' : 'noModules');
    return {
      value: tightest.gapMm,
      formula: 'least distance between the outside of a box and its bay, or another box',
      terms: gaps
        .slice(0, 4)
        .map((gap) => ({ symbol: `${gap.box}, ${gap.to}`, value: gap.gapMm, kind: 'length' as const })),
      source: `bays of the variant; ${pack.clearanceMm} mm is wanted all round`,
    };
  },
});
