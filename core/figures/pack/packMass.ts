import { figure, missing } from '../figure.ts';

export const packMass = figure({
  id: 'packMass',
  name: 'Pack mass with boxes',
  group: 'pack',
  kind: 'mass',
  reads: ['pack'],
  compute: (_, { pack }) => {
    if (pack.boxes.length === 0) return missing(pack.module ? 'noModules' : 'noModule');
    if (pack.boxes.some((box) => box.module === null)) return missing('noModule');
    if (pack.boxes.some((box) => box.outer === null)) return missing('boxTooFull');
    return {
      value: pack.boxes.reduce((sum, box) => sum + box.massKg, 0),
      formula: 'm = Σ (modules × module mass + sheet-steel box)',
      terms: pack.boxes.map((box) => ({ symbol: box.bay.name, value: box.massKg, kind: 'mass' as const })),
      source: 'module sheet; boxes of 2 mm sheet, common practice',
    };
  },
});
