import { type Component, type ComponentOf, componentAs } from '../component/sheets.ts';
import type { DesignInputs } from '../design/inputs.ts';
import type { Library } from '../design/resolve.ts';
import { findCoupling } from '../fit/couples.ts';
import { arrangeModules } from '../pack/arrange.ts';
import type { Variant } from '../vehicle/variant.ts';

/** A module the search may use; `available` null: as many as needed are bought. */
export interface ModuleOption {
  readonly moduleId: string;
  readonly available: number | null;
}

/** A bay and the most modules a person lets into it; the bay's own space may hold fewer. */
export interface BayOption {
  readonly bay: string;
  readonly most: number;
}

export interface DriveOption {
  readonly driveId: string;
  readonly inverterId: string | null;
  /** Gears it may be left in; [null] for a single reduction. */
  readonly gears: readonly (number | null)[];
}

/** What the search may choose from. Everything else stays as in the design it starts from. */
export interface SearchSpace {
  readonly modules: readonly ModuleOption[];
  readonly bays: readonly BayOption[];
  readonly strings: readonly number[];
  readonly drives: readonly DriveOption[];
  readonly chargerIds: readonly (string | null)[];
}

const partsOf = <K extends Component['kind']>(library: Library, kind: K): ComponentOf<K>[] =>
  [...library.values()].map((part) => componentAs(part, kind)).filter((part): part is ComponentOf<K> => part !== null);

/** The cheapest inverter that takes this drive's voltage and current; null for a drive with its own, or when none does. */
export function inverterFor(drive: ComponentOf<'drive'>, library: Library): ComponentOf<'inverter'> | null {
  if (drive.sheet.hasInverter) return null;
  const fitting = partsOf(library, 'inverter').filter(
    ({ sheet }) =>
      sheet.maxCurrentA >= drive.sheet.maxCurrentA && sheet.minV <= drive.sheet.minV && sheet.maxV >= drive.sheet.maxV,
  );
  return fitting.sort((a, b) => a.priceCents - b.priceCents)[0] ?? null;
}

/** Drives that couple to this variant, directly or by an adapter of the library, with their inverter and gears. */
export function drivesFor(variant: Variant, library: Library): DriveOption[] {
  const adapters = partsOf(library, 'adapter');
  return partsOf(library, 'drive').flatMap((drive): DriveOption[] => {
    const { direct, adapter } = findCoupling(drive.sheet, variant.gearbox, adapters);
    if (!direct && !adapter) return [];
    const inverter = inverterFor(drive, library);
    if (!drive.sheet.hasInverter && !inverter) return [];
    const gears = drive.sheet.output === 'gearboxInput' ? variant.gearbox.ratios.map((_, i) => i + 1) : [null];
    return [{ driveId: drive.id, inverterId: inverter?.id ?? null, gears: gears.length > 0 ? gears : [null] }];
  });
}

/** The widest space that makes sense for a vehicle: all modules (from stores or bought), bays, fitting drives, chargers. */
export function wholeSpace(
  variant: Variant,
  library: Library,
  free: ReadonlyMap<string, number>,
  base: DesignInputs,
  buy: boolean,
): SearchSpace {
  const modules = partsOf(library, 'module');
  const chargers = [...partsOf(library, 'charger'), ...partsOf(library, 'combinedUnit')].map((part) => part.id);
  const drives = drivesFor(variant, library);
  return {
    modules: modules.map(({ id }) => ({ moduleId: id, available: buy ? null : (free.get(id) ?? 0) })),
    bays: variant.bays.map((bay) => ({
      bay: bay.key,
      most: Math.max(0, ...modules.map((module) => arrangeModules(module, 0, bay, base.clearanceMm).most)),
    })),
    strings: [1, 2],
    drives:
      drives.length > 0 || !base.driveId
        ? drives
        : [{ driveId: base.driveId, inverterId: base.inverterId, gears: [base.gear] }],
    chargerIds: chargers,
  };
}
