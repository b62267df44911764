import { type ComposedPack, composePack } from '../../pack/compose.ts';
import { type Entry, interim, interimAnswer, missing } from '../figure.ts';

/** Electrical facts of the whole pack; refused while a box holds more than its bay takes. */
export const packFacts: Entry<ComposedPack> = interim({
  id: 'packFacts',
  reads: ['pack'],
  compute: (_, { pack }) => {
    if (pack.boxes.length === 0) return missing(pack.module ? 'noModules' : 'noModule');
    if (pack.boxes.some((box) => box.module === null)) return missing('noModule');
    if (pack.boxes.some((box) => box.outer === null)) return missing('boxTooFull');
    const value = composePack(
      pack.boxes.map(({ bay, modules, parallel, module, pack: which }) => ({
        name: bay.name,
        modules,
        parallel,
        sheet: module!.sheet,
        // A measured capacity is of the pack's own modules; boxes of another kind keep their sheet.
        capacityAh: (module === pack.module && pack.measuredAh) || module!.sheet.capacityAh,
        pack: which,
      })),
      pack.wiring,
    );
    if (typeof value === 'string') return missing(value);
    return interimAnswer(value, 'trade: modules in series and parallel');
  },
});
