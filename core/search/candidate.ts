import type { BriefLine } from '../brief/lines.ts';
import type { BoxChoice, DesignInputs } from '../design/inputs.ts';
import type { FigureSheet } from '../figures/evaluate.ts';
import { FIGURES, type FigureId } from '../figures/index.ts';
import type { Slots } from '../figures/slots.ts';
import type { Objectives } from './front.ts';
import type { SearchSpace } from './space.ts';

/** One complete choice, small enough to keep many of. */
export interface Choice {
  readonly moduleId: string;
  readonly strings: number;
  readonly driveId: string;
  readonly inverterId: string | null;
  readonly gear: number | null;
  readonly chargerId: string | null;
  /** Modules by bay, in the order of the space. */
  readonly counts: readonly number[];
}

export interface Candidate {
  readonly choice: Choice;
  readonly objectives: Objectives;
}

/** The range that speaks for the vehicle: on the stated round, the recorded route, or the cycle. */
function mainRange({ use, route }: Pick<Slots, 'use' | 'route'>): FigureId {
  return use.round ? 'rangeRound' : route ? 'rangeRoute' : 'rangeCycle';
}

/** The front share aimed at: of the brief's line, else as the maker had it. */
export function shareAim(brief: readonly BriefLine[], sheet: FigureSheet): number {
  const line = brief.find((candidate) => candidate.kind === 'axleShare');
  return line?.school === 'equal' ? 0.5 : (sheet.get(FIGURES.frontShareBefore).value ?? 0.5);
}

/** Objectives of a resolved design; null while a figure is missing. Range to 0.1 km, shift to 0.1 %. */
export function objectivesOf(sheet: FigureSheet, aim: number): Objectives | null {
  const range = sheet.get(FIGURES[mainRange(sheet.slots)]).value;
  const price = sheet.get(FIGURES.partsPrice).value;
  const share = sheet.get(FIGURES.frontShare).value;
  const lead = sheet.get(FIGURES.leadTime).value;
  if (range === null || price === null || share === null || lead === null) return null;
  return {
    rangeKm: Math.round(range * 10) / 10,
    priceCents: price,
    shift: Math.round(Math.abs(share - aim) * 1000) / 1000,
    leadDays: lead,
  };
}

/** The design a choice stands for: the base with its modules, boxes, drive and charger. Shifts of the base stay. */
export function designOf(base: DesignInputs, space: SearchSpace, choice: Choice): DesignInputs {
  const { counts, ...own } = choice;
  return { ...base, ...own, boxes: boxesOf(base, space, counts) };
}

function boxesOf(base: DesignInputs, space: SearchSpace, counts: readonly number[]): BoxChoice[] {
  return counts.flatMap((modules, i) => (modules > 0 ? [boxChoice(base, space.bays[i]!.bay, modules)] : []));
}

export function boxChoice(base: DesignInputs, bay: string, modules: number): BoxChoice {
  const before = base.boxes.find((box) => box.bay === bay);
  return {
    bay,
    modules,
    shiftMm: before?.shiftMm ?? 0,
    shiftYMm: before?.shiftYMm ?? 0,
    shiftZMm: before?.shiftZMm ?? 0,
    hold: before?.hold ?? null,
  };
}

/** The base without what the search chooses; packs are one, boxes alike. */
export const searchBase = (base: DesignInputs): DesignInputs => ({
  ...base,
  packs: 'one',
  boxes: [],
  measuredAh: null,
  measuredOhm: null,
});
