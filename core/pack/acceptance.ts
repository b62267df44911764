import { rateAt, USUAL_RATES } from '../charge/dcCharge.ts';
import { type BoxString, filledBoxes, type PackWiring, stringResistance } from './compose.ts';
import { moduleAt } from './temperature.ts';

/**
 * Charging current a pack takes at a state of charge and temperature, A: in series the box that takes least decides;
 * two packs in parallel divide it by their resistances, and the one at its limit first decides. Each module by the rates
 * of its own sheet, else those usual for its chemistry. 0 without modules.
 */
export function chargeCurrentA(
  boxes: readonly BoxString[],
  wiring: PackWiring,
  state: number,
  temperatureC: number,
): number {
  const filled = filledBoxes(boxes);
  const least = (list: readonly BoxString[]) =>
    list.reduce((amps, { sheet, parallel, capacityAh }) => {
      const rates = sheet.rates ?? USUAL_RATES[sheet.chemistry];
      const own = parallel * capacityAh * rateAt(rates, state) * moduleAt(sheet, temperatureC).charge;
      return Math.min(amps, own);
    }, Number.POSITIVE_INFINITY);
  if (filled.length === 0) return 0;
  if (wiring !== 'parallel') return least(filled);
  const [a, b] = [1, 2].map((pack) => filled.filter((box) => box.pack === pack)) as [BoxString[], BoxString[]];
  if (a.length === 0 || b.length === 0) return least(filled);
  const ohmA = stringResistance(a, temperatureC);
  const ohmB = stringResistance(b, temperatureC);
  const shareA = ohmA + ohmB > 0 ? ohmB / (ohmA + ohmB) : 0.5;
  return Math.min(least(a) / shareA, least(b) / (1 - shareA));
}
