import { type BoxString, type ComposedPack, composePack } from '../../pack/compose.ts';
import { temperatureIn, type Weather } from '../../road/weather.ts';
import { type Entry, interim, interimAnswer, type Missing, missing } from '../figure.ts';
import type { Slots } from '../slots.ts';

/** The boxes as the electrics see them; refused while a box holds more than its bay takes. */
export const packStrings: Entry<readonly BoxString[]> = interim({
  id: 'packStrings',
  reads: ['pack'],
  compute: (_, { pack }) => {
    const open = boxesOpen(pack);
    if (open) return open;
    return interimAnswer(
      pack.boxes.map(({ bay, modules, parallel, module, pack: which }) => ({
        name: bay.name,
        modules,
        parallel,
        sheet: module!.sheet,
        // A measured capacity is of the pack's own modules; boxes of another kind keep their sheet.
        capacityAh: (module === pack.module && pack.measuredAh) || module!.sheet.capacityAh,
        pack: which,
      })),
      'boxes of the design',
    );
  },
});

function boxesOpen(pack: Slots['pack']): Missing | null {
  if (pack.boxes.length === 0) return missing(pack.module ? 'noModules' : 'noModule');
  if (pack.boxes.some((box) => box.module === null)) return missing('noModule');
  if (pack.boxes.some((box) => box.outer === null)) return missing('boxTooFull');
  return null;
}

/** A pack whose resistance was measured: it moves with temperature as that of the sheets does. */
function asMeasured(pack: ComposedPack, measuredOhm: number, sheetsOhm: number): ComposedPack {
  if (sheetsOhm === 0) return { ...pack, resistanceOhm: measuredOhm, warmOhm: measuredOhm };
  const off = measuredOhm / sheetsOhm;
  return { ...pack, resistanceOhm: pack.resistanceOhm * off, warmOhm: pack.warmOhm * off };
}

const factsIn = (id: string, weather: Weather): Entry<ComposedPack> =>
  interim({
    id,
    needs: { boxes: packStrings },
    reads: ['pack', 'use'],
    compute: ({ boxes }, { pack, use }) => {
      const value = composePack(boxes, pack.wiring, temperatureIn(weather, use.ambientC));
      if (typeof value === 'string') return missing(value);
      if (pack.measuredOhm === null) return interimAnswer(value, 'trade: modules in series and parallel');
      return interimAnswer(
        asMeasured(value, pack.measuredOhm, (composePack(boxes, pack.wiring) as ComposedPack).resistanceOhm),
        'trade: modules in series and parallel; resistance measured',
      );
    },
  });

/** Electrical facts of the whole pack at the temperature of the use. */
export const packFacts = factsIn('packFacts', 'mild');
/** The same on a day at freezing. */
export const packFactsFrost = factsIn('packFactsFrost', 'frost');
