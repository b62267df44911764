import type { ModuleSheet } from '../component/sheets.ts';
import { HOTTEST_C, moduleAt, SHEET_C } from './temperature.ts';

/** Electrical facts of a whole pack. */
export interface PackFacts {
  readonly modules: number;
  /** Modules in series in one string. */
  readonly seriesModules: number;
  readonly strings: number;
  readonly seriesCells: number;
  readonly emptyV: number;
  readonly nominalV: number;
  readonly fullV: number;
  readonly energyWh: number;
  readonly continuousA: number;
  readonly peakA: number;
  /** At the temperature asked for. */
  readonly resistanceOhm: number;
}

/** One pack, or two packs wired in series or in parallel. */
export type PackWiring = 'one' | 'series' | 'parallel';

/** The modules of one box, as the electrics see them. */
export interface BoxString {
  readonly name: string;
  readonly modules: number;
  /** Modules side by side in parallel in this box. */
  readonly parallel: number;
  readonly sheet: ModuleSheet;
  /** Capacity of one module, Ah: measured or by its sheet. */
  readonly capacityAh: number;
  readonly pack: 1 | 2;
}

/** The box that holds the rest of a mixed pack back, and how much capacity the others cannot use because of it. */
export interface WeakestBox {
  readonly name: string;
  readonly capacityAh: number;
  readonly idleWh: number;
}

export interface ComposedPack extends PackFacts {
  readonly capacityAh: number;
  /** Energy it gives at the temperature asked for, Wh: the string ends with the box that gives least. */
  readonly givesWh: number;
  /** Resistance at its lowest, in a warm pack: what a fault is fed through, Ω. */
  readonly warmOhm: number;
  /** Null where all boxes are alike. */
  readonly weakest: WeakestBox | null;
  /** Box whose modules allow the least current. */
  readonly currentBox: string;
}

export type ComposeProblem =
  | 'noModules'
  | 'unequalStrings'
  | 'boxUneven'
  | 'secondPackEmpty'
  | 'packsDiffer'
  | 'mixedChemistry';

interface Part {
  seriesModules: number;
  seriesCells: number;
  strings: number;
  emptyV: number;
  nominalV: number;
  fullV: number;
  capacityAh: number;
  continuousA: number;
  peakA: number;
  resistanceOhm: number;
  warmOhm: number;
  /** Capacity that can be drawn at the temperature, Ah. */
  givesAh: number;
  storedWh: number;
  chemistry: string;
  weakest: { name: string; capacityAh: number } | null;
  currentBox: string;
}

/** Two packs in parallel may differ by this much in voltage, empty, nominal or full, before they are refused; common practice. */
const SAME_VOLTAGE = 0.005;

/**
 * The whole pack from its boxes (trade §5.1). Boxes of one pack are in series; inside a box `parallel` modules stand
 * side by side. Where all boxes are alike strings may run across boxes, so that only the total must divide; otherwise
 * each box must. A series string carries what its weakest box holds: energy = nominal voltage × that capacity.
 * Two packs in parallel share current by their resistances, the one that reaches its limit first decides. Cells of
 * different chemistry never go into one string: their voltages part on the way, and no management sees both.
 */
export function composePack(
  boxes: readonly BoxString[],
  wiring: PackWiring,
  temperatureC = SHEET_C,
): ComposedPack | ComposeProblem {
  const filled = filledBoxes(boxes);
  if (filled.length === 0) return 'noModules';
  const first = onePack(wiring === 'one' ? filled : filled.filter((box) => box.pack === 1), temperatureC);
  if (wiring === 'one') return typeof first === 'string' ? first : whole(first, filled);
  const second = onePack(
    filled.filter((box) => box.pack === 2),
    temperatureC,
  );
  if (first === 'noModules' || second === 'noModules') return 'secondPackEmpty';
  if (typeof first === 'string') return first;
  if (typeof second === 'string') return second;
  if (wiring === 'series')
    return first.chemistry === second.chemistry ? whole(inSeries(first, second), filled) : 'mixedChemistry';
  const apart = (key: 'emptyV' | 'nominalV' | 'fullV') => Math.abs(first[key] / second[key] - 1) > SAME_VOLTAGE;
  if (first.chemistry !== second.chemistry || apart('emptyV') || apart('nominalV') || apart('fullV'))
    return 'packsDiffer';
  return whole(inParallel(first, second), filled);
}

/** The boxes that have something in them, in an order of their own: nothing may depend on who was named first. */
export const filledBoxes = (boxes: readonly BoxString[]): readonly BoxString[] =>
  boxes.filter((box) => box.modules > 0).sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0));

/** Resistance of boxes in series at a temperature, Ω. */
export const stringResistance = (boxes: readonly BoxString[], temperatureC: number): number =>
  boxes.reduce(
    (sum, { modules, parallel, sheet }) =>
      sum + ((modules / parallel) * sheet.resistanceOhm * moduleAt(sheet, temperatureC).resistance) / parallel,
    0,
  );

function onePack(boxes: readonly BoxString[], temperatureC: number): Part | ComposeProblem {
  const [lead] = boxes;
  if (!lead) return 'noModules';
  if (boxes.some((box) => box.sheet.chemistry !== lead.sheet.chemistry)) return 'mixedChemistry';
  const alike = boxes.every(
    (box) => box.sheet === lead.sheet && box.parallel === lead.parallel && box.capacityAh === lead.capacityAh,
  );
  const total = boxes.reduce((sum, box) => sum + box.modules, 0);
  if (boxes.some((box) => !(box.parallel >= 1))) return 'unequalStrings';
  if (alike && total % lead.parallel !== 0) return 'unequalStrings';
  if (!alike && boxes.some((box) => box.modules % box.parallel !== 0)) return 'boxUneven';
  const part: Part = {
    seriesModules: 0,
    seriesCells: 0,
    strings: Math.min(...boxes.map((box) => box.parallel)),
    emptyV: 0,
    nominalV: 0,
    fullV: 0,
    capacityAh: Number.POSITIVE_INFINITY,
    continuousA: Number.POSITIVE_INFINITY,
    peakA: Number.POSITIVE_INFINITY,
    resistanceOhm: stringResistance(boxes, temperatureC),
    warmOhm: stringResistance(boxes, HOTTEST_C),
    givesAh: Number.POSITIVE_INFINITY,
    storedWh: 0,
    chemistry: lead.sheet.chemistry,
    weakest: null,
    currentBox: lead.name,
  };
  for (const { name, modules, parallel, sheet, capacityAh } of boxes) {
    const series = modules / parallel;
    part.seriesModules += series;
    part.seriesCells += series * sheet.cellsSeries;
    part.emptyV += series * sheet.minV;
    part.nominalV += series * sheet.nominalV;
    part.fullV += series * sheet.maxV;
    part.givesAh = Math.min(part.givesAh, parallel * capacityAh * moduleAt(sheet, temperatureC).energy);
    part.storedWh += modules * sheet.nominalV * capacityAh;
    if (parallel * capacityAh < part.capacityAh) {
      part.capacityAh = parallel * capacityAh;
      part.weakest = alike ? null : { name, capacityAh: parallel * capacityAh };
    }
    if (parallel * sheet.continuousA < part.continuousA) {
      part.continuousA = parallel * sheet.continuousA;
      part.currentBox = name;
    }
    part.peakA = Math.min(part.peakA, parallel * sheet.peakA);
  }
  return part;
}

function inSeries(a: Part, b: Part): Part {
  const weaker = a.capacityAh <= b.capacityAh ? a : b;
  const tighter = a.continuousA <= b.continuousA ? a : b;
  return {
    ...a,
    seriesModules: a.seriesModules + b.seriesModules,
    seriesCells: a.seriesCells + b.seriesCells,
    strings: Math.min(a.strings, b.strings),
    emptyV: a.emptyV + b.emptyV,
    nominalV: a.nominalV + b.nominalV,
    fullV: a.fullV + b.fullV,
    resistanceOhm: a.resistanceOhm + b.resistanceOhm,
    warmOhm: a.warmOhm + b.warmOhm,
    givesAh: Math.min(a.givesAh, b.givesAh),
    storedWh: a.storedWh + b.storedWh,
    capacityAh: weaker.capacityAh,
    continuousA: tighter.continuousA,
    currentBox: tighter.currentBox,
    peakA: Math.min(a.peakA, b.peakA),
    weakest:
      a.capacityAh === b.capacityAh
        ? (a.weakest ?? b.weakest)
        : (weaker.weakest ?? { name: weaker.currentBox, capacityAh: weaker.capacityAh }),
  };
}

function inParallel(a: Part, b: Part): Part {
  const sum = a.resistanceOhm + b.resistanceOhm;
  // Current divides inversely to resistance: of one ampere together, a carries R_b/(R_a+R_b).
  const shareA = sum > 0 ? b.resistanceOhm / sum : 0.5;
  const together = (limitA: number, limitB: number) => Math.min(limitA / shareA, limitB / (1 - shareA));
  return {
    ...a,
    strings: a.strings + b.strings,
    resistanceOhm: sum > 0 ? (a.resistanceOhm * b.resistanceOhm) / sum : 0,
    warmOhm: a.warmOhm + b.warmOhm > 0 ? (a.warmOhm * b.warmOhm) / (a.warmOhm + b.warmOhm) : 0,
    givesAh: a.givesAh + b.givesAh,
    capacityAh: a.capacityAh + b.capacityAh,
    storedWh: a.storedWh + b.storedWh,
    continuousA: together(a.continuousA, b.continuousA),
    peakA: together(a.peakA, b.peakA),
    currentBox: a.continuousA / shareA <= b.continuousA / (1 - shareA) ? a.currentBox : b.currentBox,
    weakest: a.weakest ?? b.weakest,
  };
}

function whole(part: Part, boxes: readonly BoxString[]): ComposedPack {
  const energyWh = part.nominalV * part.capacityAh;
  return {
    modules: boxes.reduce((sum, box) => sum + box.modules, 0),
    seriesModules: part.seriesModules,
    strings: part.strings,
    seriesCells: part.seriesCells,
    emptyV: part.emptyV,
    nominalV: part.nominalV,
    fullV: part.fullV,
    energyWh,
    givesWh: part.nominalV * part.givesAh,
    warmOhm: part.warmOhm,
    continuousA: part.continuousA,
    peakA: part.peakA,
    resistanceOhm: part.resistanceOhm,
    capacityAh: part.capacityAh,
    weakest: part.weakest && { ...part.weakest, idleWh: Math.max(0, part.storedWh - energyWh) },
    currentBox: part.currentBox,
  };
}
