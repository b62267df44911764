import type { BriefLine } from '../brief/lines.ts';
import { type ComponentOf, componentAs } from '../component/sheets.ts';
import type { DesignInputs } from '../design/inputs.ts';
import { placeBox } from '../design/placeBox.ts';
import { type ResolveInput, resolveDesign } from '../design/resolve.ts';
import { massItems } from '../figures/balance/massItems.ts';
import { createSheet } from '../figures/evaluate.ts';
import type { PlacedBox, Slots } from '../figures/slots.ts';
import type { Bay } from '../vehicle/variant.ts';
import { boxChoice, shareAim } from './candidate.ts';
import { windowOf } from './limits.ts';
import type { BayOption, DriveOption, ModuleOption, SearchSpace } from './space.ts';

export interface SearchTask extends Omit<ResolveInput, 'design' | 'free'> {
  readonly free: ReadonlyMap<string, number>;
  readonly base: DesignInputs;
  readonly space: SearchSpace;
  readonly brief: readonly BriefLine[];
}

/** A bay of the space with what the vehicle says of it. */
export interface SearchBay {
  readonly option: BayOption;
  readonly bay: Bay;
}

/** Combination of everything but the numbers of modules by bay. */
export interface Combination {
  readonly module: ModuleOption;
  readonly strings: number;
  readonly drive: DriveOption;
  readonly gear: number | null;
  readonly chargerId: string | null;
}

export function* combinationsOf(space: SearchSpace): Generator<Combination> {
  for (const module of space.modules)
    for (const strings of space.strings)
      for (const drive of space.drives)
        for (const gear of drive.gears)
          for (const chargerId of space.chargerIds) yield { module, strings, drive, gear, chargerId };
}

/** A combination with everything that does not depend on how many modules each bay takes. */
export interface Prepared extends Combination {
  readonly part: ComponentOf<'module'>;
  readonly slots: Slots;
  readonly sheet: ReturnType<typeof createSheet>;
  readonly window: { readonly minV: number; readonly maxV: number };
  /** Least and most modules in all that keep the pack inside every window; the loaded voltage is asked later. */
  readonly fewest: number;
  readonly most: number;
  /** Modules that may be used. */
  readonly stock: number;
  /** Mass of everything but the boxes, laden, kg. */
  readonly restKg: number;
  /** Highest laden mass, kg. */
  readonly grossKg: number;
  readonly aim: ReturnType<typeof shareAim>;
  readonly boxAt: (bay: number, modules: number) => PlacedBox;
}

/** Prepares a combination; null where its module is not in the library. `boxes` is kept between combinations. */
export function prepare(
  task: SearchTask,
  base: DesignInputs,
  combination: Combination,
  bays: readonly SearchBay[],
  boxes: Map<string, PlacedBox>,
): Prepared | null {
  const { library, vehicle, use, brief } = task;
  const part = componentAs(library.get(combination.module.moduleId), 'module');
  if (!part) return null;
  const { strings, drive, gear, chargerId } = combination;
  const { driveId, inverterId } = drive;
  const own = { ...base, moduleId: part.id, strings, driveId, inverterId, gear, chargerId };
  const slots = resolveDesign({ ...task, design: own });
  const window = windowOf(own, library);
  const sheet = createSheet(slots, { compare: 'identity' });
  const rest = sheet.get(massItems).value ?? [];
  return {
    ...combination,
    part,
    slots,
    sheet,
    window,
    fewest: Math.max(strings, Math.ceil(window.minV / part.sheet.minV - 1e-9) * strings),
    most: Math.floor(window.maxV / part.sheet.maxV + 1e-9) * strings,
    stock: combination.module.available ?? Number.POSITIVE_INFINITY,
    restKg: rest.reduce((sum, item) => sum + item.massKg, 0) + use.payloadKg,
    grossKg: vehicle.figures.grossMass.value,
    aim: shareAim(brief, sheet),
    boxAt: (i, modules) => {
      const key = `${part.id} ${strings} ${i} ${modules}`;
      const known = boxes.get(key);
      if (known) return known;
      const { bay } = bays[i]!;
      const made = placeBox(own, library, bay, boxChoice(base, bay.key, modules));
      boxes.set(key, made);
      return made;
    },
  };
}
