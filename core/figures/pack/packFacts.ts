import { packFacts as facts, type PackFacts } from '../../pack/pack.ts';
import { missing, step } from '../figure.ts';

/** Electrical facts of the whole pack; refused while a box holds more than its bay takes. */
export const packFacts = step<PackFacts>({
  id: 'packFacts',
  reads: ['pack'],
  compute: (_, { pack }) => {
    if (!pack.module) return missing('noModule');
    if (pack.boxes.some((box) => box.outer === null)) return missing('boxTooFull');
    const modules = pack.boxes.reduce((sum, box) => sum + box.modules, 0);
    const value = facts(pack.module.sheet, modules, pack.strings);
    if (typeof value === 'string') return missing(value);
    return { value, formula: '', terms: [], source: 'trade: modules in series and parallel' };
  },
});
