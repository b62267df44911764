import { FIGURES } from '../figures/index.ts';
import { type KitOnVehicle, kitOnVehicle } from '../fit/kitSheet.ts';
import { kitHours } from './kit.ts';

/** What a choice of options comes to on a vehicle; null where a figure has no value. */
export interface OptionFigures {
  readonly rangeKm: number | null;
  readonly luggageL: number | null;
  readonly chargeH: number | null;
  readonly massKg: number | null;
  readonly hours: number;
  readonly partsCents: number | null;
  readonly priceCents: number | null;
}

export interface OptionEffect {
  /** Null: as it is, with no option. */
  readonly option: string | null;
  readonly figures: OptionFigures;
}

/** A kit on a vehicle as it is, and with each of its options alone. */
export function optionEffects(ground: Omit<KitOnVehicle, 'options'>): OptionEffect[] {
  return [null, ...ground.revision.options.map(({ id }) => id)].map((option) => {
    const { sheet } = kitOnVehicle({ ...ground, options: option === null ? [] : [option] });
    const value = (id: 'luggage' | 'rangeConstant' | 'chargeTime' | 'unladenMass' | 'partsPrice' | 'salePrice') =>
      sheet.get(FIGURES[id]).value;
    return {
      option,
      figures: {
        rangeKm: value('rangeConstant'),
        luggageL: value('luggage'),
        chargeH: value('chargeTime'),
        massKg: value('unladenMass'),
        hours: kitHours(ground.revision, ground.vehicle.variant.id, option === null ? [] : [option]),
        partsCents: value('partsPrice'),
        priceCents: value('salePrice'),
      },
    };
  });
}
