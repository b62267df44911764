import { CABIN, holdingPower } from '../../cooling/cabin.ts';
import { heaterPower } from '../../cooling/heater.ts';
import { temperatureIn, type Weather } from '../../road/weather.ts';
import { type Entry, interim, interimAnswer } from '../figure.ts';
import { packFacts } from '../pack/packFacts.ts';
import type { Slots } from '../slots.ts';

/** What the cabin takes at an outside temperature, W: nothing without a heater, else what holds it warm or what the heater has. */
function heatW(
  { use, electric, vehicle }: Pick<Slots, 'use' | 'electric' | 'vehicle'>,
  temperatureC: number,
  volts: number,
): number {
  const most = electric.heater ? heaterPower(electric.heater.sheet, volts) : use.heaterW;
  const held = holdingPower(CABIN[vehicle.variant.shape.style], temperatureC);
  return Math.max(use.heaterW, Math.min(most, held));
}

function auxiliaryIn(id: string, weather: Weather): Entry<number> {
  return interim({
    id,
    needs: { packFacts },
    reads: ['use', 'electric', 'vehicle'],
    compute: ({ packFacts: pack }, slots) => {
      const { use } = slots;
      const heat = heatW(slots, temperatureIn(weather, use.ambientC), pack.nominalV);
      return interimAnswer(use.auxiliaryW + heat + (use.seatsW ?? 0), 'accessories as stated, cabin and seats');
    },
  });
}

/** What is drawn beside the drive while driving, W: accessories, cabin and seats, on the day of the use. */
export const auxiliary = auxiliaryIn('auxiliary', 'mild');
/** The same on a day at freezing. */
export const auxiliaryFrost = auxiliaryIn('auxiliaryFrost', 'frost');
