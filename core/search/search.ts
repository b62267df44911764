import type { BriefLine } from '../brief/lines.ts';
import { componentAs } from '../component/sheets.ts';
import type { DesignInputs } from '../design/inputs.ts';
import { placeBox } from '../design/placeBox.ts';
import { type ResolveInput, resolveDesign } from '../design/resolve.ts';
import { massItems } from '../figures/balance/massItems.ts';
import { createSheet } from '../figures/evaluate.ts';
import { FIGURES } from '../figures/index.ts';
import type { PlacedBox } from '../figures/slots.ts';
import { boxChoice, type Candidate, objectivesOf, searchBase, shareAim } from './candidate.ts';
import { createFront } from './front.ts';
import { brokenLine, firmLines, overload, ROUNDING_KG, windowOf } from './limits.ts';
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

/** How many candidates are decided between two looks at the state. */
const BREATH = 2048;

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
          // More modules only make it heavier for sure once the modules alone are too heavy: a box's shell may shrink.
          const bare = n * module!.massKg;
          const here = branch[i + 1]!;
          if (bare > bay.bay!.maxMassKg) return count('bayMass', left);
          if (massKg + bare > grossMass.value + ROUNDING_KG) return count('plate', left);
          if (box.massKg > bay.bay!.maxMassKg) {
            count('bayMass', here);
            continue;
          }
          if (massKg + box.massKg > grossMass.value + ROUNDING_KG) {
            count('plate', here);
            continue;
          }
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
