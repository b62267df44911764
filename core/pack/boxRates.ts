import type { ModuleSheet } from '../component/sheets.ts';
import { type BoxString, filledBoxes, type PackWiring, stringResistance } from './compose.ts';
import { SHEET_C } from './temperature.ts';

/** Boxes whose modules take the same share of the pack's current. */
export interface BoxRate {
  readonly boxes: readonly string[];
  readonly sheet: ModuleSheet;
  readonly capacityAh: number;
  /** Of one ampere that the whole pack gives, what passes through each module of them. */
  readonly share: number;
}

/**
 * How the current of a pack divides over the modules of each box: in series all of it, side by side by their number, over
 * two packs in parallel inversely to their resistance. Boxes alike in this are one entry.
 */
export function boxRates(boxes: readonly BoxString[], wiring: PackWiring): BoxRate[] {
  const filled = filledBoxes(boxes);
  const ohm = ([1, 2] as const).map((which) =>
    stringResistance(
      filled.filter(({ pack }) => pack === which),
      SHEET_C,
    ),
  );
  const both = ohm[0]! + ohm[1]!;
  const ofPack = (which: 1 | 2) => (wiring !== 'parallel' ? 1 : both > 0 ? ohm[which === 1 ? 1 : 0]! / both : 0.5);
  const rates: (BoxRate & { boxes: string[] })[] = [];
  for (const { name, parallel, sheet, capacityAh, pack } of filled) {
    const share = ofPack(pack) / Math.max(1, parallel);
    const alike = rates.find((one) => one.sheet === sheet && one.capacityAh === capacityAh && one.share === share);
    if (alike) alike.boxes.push(name);
    else rates.push({ boxes: [name], sheet, capacityAh, share });
  }
  return rates;
}
