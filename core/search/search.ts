import { judgeLine } from '../brief/judgeLine.ts';
import type { BriefKind, BriefLine } from '../brief/lines.ts';
import { componentAs, voltageWindow } from '../component/sheets.ts';
import { type BoxChoice, type DesignInputs, designComponents } from '../design/inputs.ts';
import { placeBox } from '../design/placeBox.ts';
import { type Library, type ResolveInput, resolveDesign } from '../design/resolve.ts';
import { massItems } from '../figures/balance/massItems.ts';
import { createSheet, type FigureSheet } from '../figures/evaluate.ts';
import type { MissingReason } from '../figures/figure.ts';
import { FIGURES, type FigureId } from '../figures/index.ts';
import type { PlacedBox, Slots } from '../figures/slots.ts';
import { createFront, type Objectives } from './front.ts';
import type { DriveOption, ModuleOption, SearchSpace } from './space.ts';

/** What cannot be built, whatever the client wants. */
export type BuildReason =
  | 'noModules'
  | 'strings'
  | 'stock'
  | 'voltage'
  | 'sag'
  | 'bayFull'
  | 'bayMass'
  | 'plate'
  | 'frontAxle'
  | 'rearAxle'
  | 'incomplete';

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

export interface SearchState {
  /** Candidates decided so far, looked at one by one or ruled out together. */
  readonly looked: number;
  readonly total: number;
  /** Reason or id of the firm line → how many candidates it stopped first. */
  readonly broke: Readonly<Record<string, number>>;
  /** How many got through every firm line. */
  readonly good: number;
  readonly front: readonly Candidate[];
  readonly done: boolean;
}

export interface SearchTask extends Omit<ResolveInput, 'design' | 'free'> {
  readonly free: ReadonlyMap<string, number>;
  readonly base: DesignInputs;
  readonly space: SearchSpace;
  readonly brief: readonly BriefLine[];
}

/** Firm lines are asked in this order, cheap ones first. */
const COST: Partial<Record<BriefKind, number>> = {
  time0to20: 9,
  time0to50: 9,
  topSpeed: 8,
  rangeCycle: 6,
  rangeRound: 5,
};

/** A figure that a design can never have breaks its line; one that is merely not known yet does not. */
const NEVER: ReadonlySet<MissingReason> = new Set(['neverReached', 'tooWeak', 'meanTooFast', 'noCharger', 'noDrive']);

/** Weights and places are summed in another order here than in the catalogue; this much may differ by rounding, kg. */
const ROUNDING_KG = 1e-6;
/** How many candidates are decided between two looks at the state. */
const BREATH = 2048;

/** The range that speaks for the vehicle: on the stated round, the recorded route, or the cycle. */
export function mainRange({ use, route }: Pick<Slots, 'use' | 'route'>): FigureId {
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

function boxChoice(base: DesignInputs, bay: string, modules: number): BoxChoice {
  const before = base.boxes.find((box) => box.bay === bay);
  return {
    bay,
    modules,
    shiftMm: before?.shiftMm ?? 0,
    shiftYMm: before?.shiftYMm ?? 0,
    shiftZMm: before?.shiftZMm ?? 0,
  };
}

/** The base without what the search chooses; packs are one, boxes alike. */
export const searchBase = (base: DesignInputs): DesignInputs => ({
  ...base,
  packs: 'one',
  boxes: [],
  measuredAh: null,
});

/** Lines that no choice of the search can change: the kit decides about holes, the shop about the day. */
const BEYOND: ReadonlySet<BriefKind> = new Set(['free', 'readyBy', 'reversible']);

/** Whether the search can do anything about a line of this kind. */
export const searchDecides = (kind: BriefKind): boolean => !BEYOND.has(kind);

/** Firm lines the search can hold a candidate against, cheapest first. */
export function firmLines(brief: readonly BriefLine[]): BriefLine[] {
  return brief
    .filter((line) => line.firm && searchDecides(line.kind))
    .sort((a, b) => (COST[a.kind] ?? 1) - (COST[b.kind] ?? 1));
}

/** First firm line a design breaks, or null. */
export function brokenLine(lines: readonly BriefLine[], sheet: FigureSheet): string | null {
  for (const line of lines) {
    const { state, reason } = judgeLine(line, sheet);
    if (state === 'broken' || (state === 'unknown' && reason !== null && NEVER.has(reason))) return line.id;
  }
  return null;
}

/** Combination of everything but the numbers of modules by bay. */
interface Combination {
  readonly module: ModuleOption;
  readonly strings: number;
  readonly drive: DriveOption;
  readonly gear: number | null;
  readonly chargerId: string | null;
}

/**
 * Looks at every buildable design of the space (trade §5.15): a depth-first walk over the bays for each combination of
 * module, strings, drive, gear and charger. Whole branches are ruled out where that is exact — the series count leaves
 * the voltage window, the stock is used up, the mass is over the plate — and counted as if looked at one by one. What
 * is left is judged by the figures catalogue, firm lines cheapest first, and what passes is offered to the front.
 * A generator: it hands out its state now and then and goes on when asked, so that the caller can show and stop it.
 */
export function* search(task: SearchTask): Generator<SearchState, SearchState> {
  const { base: given, space, brief, library, vehicle } = task;
  const base = searchBase(given);
  const lines = firmLines(brief);
  const bays = space.bays.map((option) => ({
    option,
    bay: vehicle.variant.bays.find((candidate) => candidate.name === option.bay) ?? null,
  }));
  const front = createFront<Candidate>();
  const broke: Record<string, number> = {};
  let looked = 0;
  let good = 0;
  const count = (reason: BuildReason | (string & {}), many: number) => {
    if (many <= 0) return;
    broke[reason] = (broke[reason] ?? 0) + many;
    looked += many;
  };
  const perCombination = bays.reduce((product, { option }) => product * (option.most + 1), 1);
  const combinations = [...combinationsOf(space)];
  const total = perCombination * combinations.length;
  const state = (done: boolean): SearchState => ({
    looked,
    total,
    broke: { ...broke },
    good,
    front: front.members(),
    done,
  });
  const boxCache = new Map<string, PlacedBox>();
  let nextBreath = BREATH;

  for (const combination of combinations) {
    const module = componentAs(library.get(combination.module.moduleId), 'module');
    if (!module || bays.some(({ bay }) => bay === null)) {
      count('incomplete', perCombination);
      continue;
    }
    const { strings, drive, gear, chargerId } = combination;
    const own = {
      ...base,
      moduleId: module.id,
      strings,
      driveId: drive.driveId,
      inverterId: drive.inverterId,
      gear,
      chargerId,
    };
    const slots = resolveDesign({ ...task, design: own });
    const window = windowOf(own, library);
    const { minV, maxV } = module.sheet;
    // Most and least modules in all that keep the pack inside every window; the loaded voltage is asked later.
    const fewest = Math.max(strings, Math.ceil(window.minV / minV - 1e-9) * strings);
    const most = Math.floor(window.maxV / maxV + 1e-9) * strings;
    const stock = combination.module.available ?? Number.POSITIVE_INFINITY;
    const sheet = createSheet(slots, { compare: 'identity' });
    const rest = sheet.get(massItems).value ?? [];
    const restKg = rest.reduce((sum, item) => sum + item.massKg, 0) + task.use.payloadKg;
    const { grossMass } = vehicle.figures;
    const aim = shareAim(brief, sheet);
    const priceRest = slots.work.partsCents ?? 0;
    const leadRest = slots.work.leadDays ?? 0;
    const free = task.free.get(module.id) ?? 0;
    const leadWith = Math.max(leadRest, module.leadDays);
    const boxAt = (i: number, modules: number): PlacedBox => {
      const key = `${module.id} ${strings} ${i} ${modules}`;
      const known = boxCache.get(key);
      if (known) return known;
      const made = placeBox(own, library, bays[i]!.bay!, boxChoice(base, bays[i]!.bay!.name, modules));
      boxCache.set(key, made);
      return made;
    };
    const counts = new Array<number>(bays.length).fill(0);
    /** How many vectors of the bays from `i` on there are, and how many modules they take at most. */
    const branch: number[] = new Array<number>(bays.length + 1).fill(1);
    const room: number[] = new Array<number>(bays.length + 1).fill(0);
    for (let i = bays.length - 1; i >= 0; i--) {
      branch[i] = branch[i + 1]! * (bays[i]!.option.most + 1);
      room[i] = room[i + 1]! + Math.min(bays[i]!.option.most, boxAt(i, 1).most);
    }

    function* walk(i: number, modules: number, massKg: number): Generator<SearchState> {
      if (i === bays.length) {
        decide(modules);
        if (looked >= nextBreath) {
          nextBreath = looked + BREATH;
          yield state(false);
        }
        return;
      }
      const bay = bays[i]!;
      for (let n = 0; n <= bay.option.most; n++) {
        const left = branch[i + 1]! * (bay.option.most - n + 1);
        if (modules + n > most) return count('voltage', left);
        if (modules + n > stock) return count('stock', left);
        if (n > 0) {
          const box = boxAt(i, n);
          if (box.outer === null) return count('bayFull', left);
          if (box.massKg > bay.bay!.maxMassKg) return count('bayMass', left);
          if (massKg + box.massKg > grossMass.value + ROUNDING_KG) return count('plate', left);
        }
        if (modules + n + room[i + 1]! < fewest) {
          count('voltage', branch[i + 1]!);
          continue;
        }
        counts[i] = n;
        yield* walk(i + 1, modules + n, massKg + (n > 0 ? boxAt(i, n).massKg : 0));
      }
      counts[i] = 0;
    }

    const decide = (modules: number) => {
      if (modules === 0) return count('noModules', 1);
      if (modules % strings !== 0) return count('strings', 1);
      if (modules < fewest) return count('voltage', 1);
      const boxes = counts.flatMap((n, i) => (n > 0 ? [boxAt(i, n)] : []));
      sheet.update({
        ...slots,
        pack: { ...slots.pack, boxes },
        work: {
          ...slots.work,
          partsCents: priceRest + modules * module.priceCents,
          leadDays: modules > free ? leadWith : leadRest,
        },
      });
      const overloaded = overload(sheet);
      if (overloaded) return count(overloaded, 1);
      const sag = sheet.get(FIGURES.packSagVoltage).value;
      if (sag === null || sag < window.minV - 1e-9) return count('sag', 1);
      const line = brokenLine(lines, sheet);
      if (line) return count(line, 1);
      const objectives = objectivesOf(sheet, aim);
      if (!objectives) return count('incomplete', 1);
      looked++;
      good++;
      front.offer({
        choice: {
          moduleId: module.id,
          strings,
          driveId: drive.driveId,
          inverterId: drive.inverterId,
          gear,
          chargerId,
          counts: [...counts],
        },
        objectives,
      });
    };

    yield* walk(0, 0, restKg);
  }
  return state(true);
}

function* combinationsOf(space: SearchSpace): Generator<Combination> {
  for (const module of space.modules)
    for (const strings of space.strings)
      for (const drive of space.drives)
        for (const gear of drive.gears)
          for (const chargerId of space.chargerIds) yield { module, strings, drive, gear, chargerId };
}

/** The voltages that every high-voltage component of a design takes. */
export function windowOf(design: DesignInputs, library: Library): { minV: number; maxV: number } {
  let minV = 0;
  let maxV = Number.POSITIVE_INFINITY;
  for (const { componentId } of designComponents(design)) {
    const part = library.get(componentId);
    const window = part ? voltageWindow(part) : null;
    if (!window) continue;
    minV = Math.max(minV, window.minV);
    maxV = Math.min(maxV, window.maxV);
  }
  return { minV, maxV };
}

/** What a design overloads with the usual load on board, or null. */
export function overload(sheet: FigureSheet): 'plate' | 'frontAxle' | 'rearAxle' | null {
  if ((sheet.get(FIGURES.grossMargin).value ?? 0) < -ROUNDING_KG) return 'plate';
  if ((sheet.get(FIGURES.frontAxleMargin).value ?? 0) < -ROUNDING_KG) return 'frontAxle';
  if ((sheet.get(FIGURES.rearAxleMargin).value ?? 0) < -ROUNDING_KG) return 'rearAxle';
  return null;
}
