import type { MassItem } from '../balance/axleLoads.ts';
import {
  type Component,
  type ComponentKind,
  type ComponentOf,
  componentAs,
  voltageWindow,
} from '../component/sheets.ts';
import { NO_WISHES, type Shelf, type Slots, type VehicleUse, type Wishes, type WorkOutside } from '../figures/slots.ts';
import { STATIC_CLEARANCE_MM } from '../pack/arrange.ts';
import { USUAL_HOLDING_G } from '../pack/holding.ts';
import type { Route } from '../road/route.ts';
import type { VehicleState } from '../vehicle/state.ts';
import type { Variant } from '../vehicle/variant.ts';
import { type DesignInputs, designComponents, driveChoice, electricChoice } from './inputs.ts';
import { mainLinks } from './mainLinks.ts';
import { placeBox } from './placeBox.ts';

export type Library = ReadonlyMap<string, Component>;

/** Where the engine sat, mm behind the front axle: the place of whatever has no place of its own. */
export function engineX(variant: Variant): number {
  return variant.removed.find((item) => item.name === 'engine')?.xMm ?? 0;
}

/** Where a drive unit sits: on its axle when it drives half shafts, else where the engine was. */
function driveX(variant: Variant, output: string, wheelbaseMm: number): number {
  if (output !== 'halfShafts') return engineX(variant);
  return variant.drivenAxle === 'front' ? 0 : wheelbaseMm;
}

export interface ResolveInput {
  readonly design: DesignInputs;
  readonly library: Library;
  readonly vehicle: VehicleState;
  readonly use: VehicleUse;
  /** @default NO_WISHES */
  readonly wishes?: Wishes;
  readonly route?: Route | null;
  readonly newHoles: number | null;
  /** On the register of the vehicle. @default 0 */
  readonly registered?: number;
  readonly work: WorkOutside;
  /** How many of each component are on hand and promised to nobody; without it nothing is known about lead times. */
  readonly free?: ReadonlyMap<string, number>;
}

const shelves = new WeakMap<Library, Shelf>();

/** The fittings of a library by kind; made once for each library. */
export function shelfOf(library: Library): Shelf {
  const known = shelves.get(library);
  if (known) return known;
  const all = [...library.values()];
  const of = <K extends ComponentKind>(kind: K) =>
    all.map((part) => componentAs(part, kind)).filter((part): part is ComponentOf<K> => part !== null);
  const shelf: Shelf = {
    cables: of('cable'),
    fuses: of('fuse'),
    resistors: of('resistor'),
    radiators: of('radiator'),
    pumps: of('coolantPump'),
    heaters: of('heater'),
    converters: of('dcdc'),
  };
  shelves.set(library, shelf);
  return shelf;
}

/**
 * Turns choices (ids, bays) into slots (sheets, boxes with outsides and masses). A bay or component that the library
 * does not have is left out: the figures then say what is missing.
 */
export function resolveDesign({
  design,
  library,
  vehicle,
  use,
  wishes = NO_WISHES,
  route = null,
  newHoles,
  registered = 0,
  work,
  free,
}: ResolveInput): Slots {
  const { variant } = vehicle;
  const boxes = design.boxes.flatMap((choice) => {
    const bay = variant.bays.find((candidate) => candidate.key === choice.bay);
    return bay && choice.modules > 0 ? [placeBox(design, library, bay, choice)] : [];
  });
  const chosenCharger = library.get(design.chargerId ?? '');
  const charger = componentAs(chosenCharger, 'charger') ?? componentAs(chosenCharger, 'combinedUnit');
  const inlet = componentAs(library.get(design.inletId ?? ''), 'inlet');
  const other = <K extends ComponentKind>(kind: K): ComponentOf<K> | null =>
    design.others.map(({ componentId }) => componentAs(library.get(componentId), kind)).find((p) => p !== null) ?? null;
  const links = mainLinks(design.others.flatMap(({ componentId }) => library.get(componentId) ?? []));
  return {
    vehicle,
    pack: {
      module: componentAs(library.get(design.moduleId ?? ''), 'module'),
      measuredAh: design.measuredAh ?? null,
      measuredOhm: design.measuredOhm ?? null,
      wiring: design.packs ?? 'one',
      boxes,
      satelliteChannels: other('bmsSatellite')?.sheet.channels ?? 18,
      usableShare: design.usableShare,
      cooling: design.packCooling ?? 'air',
      holdingG: design.holdingG ?? USUAL_HOLDING_G,
      clearanceMm: design.clearanceMm ?? STATIC_CLEARANCE_MM,
    },
    drive: {
      ...driveChoice(design),
      unit: componentAs(library.get(design.driveId ?? ''), 'drive'),
      inverter: componentAs(library.get(design.inverterId ?? ''), 'inverter'),
      gear: design.gear,
      torqueCapNm: design.torqueCapNm,
    },
    charge: {
      charger,
      inletAmps: inlet?.sheet.maxAmps ?? null,
      inletPhases: inlet?.sheet.phases ?? null,
      inletDc: inlet?.sheet.dc ?? false,
      inletDcA: inlet?.sheet.dcAmps ?? null,
      dcMaxW: design.dcMaxW ?? null,
    },
    electric: {
      ...electricChoice(design),
      heater: other('heater'),
      converter: other('dcdc') ?? componentAs(chosenCharger, 'combinedUnit'),
      lvBattery: other('lvBattery'),
      lvBatteries: lvBatteries(design, library),
      contactorBox: links.contactorBox,
      cable: links.cable,
      fuse: links.fuse,
      windowed: designComponents(design)
        .map(({ componentId }) => library.get(componentId))
        .filter((part): part is Component => part !== undefined && voltageWindow(part) !== null),
      cradlePoints: other('cradle')?.sheet.picks.map((pick) => pick.point) ?? [],
    },
    use,
    wishes,
    route,
    shelf: shelfOf(library),
    added: addedItems(design, library, vehicle),
    kit: { newHoles, registered },
    work: {
      ...work,
      partsCents: withBoxes(partsPrice(design, library), work),
      leadDays: free ? leadDays(design, library, free) : null,
    },
  };
}

/** Batteries of the kind that the design names first, in parallel. */
function lvBatteries(design: DesignInputs, library: Library): number {
  const first = design.others.find(({ componentId }) => library.get(componentId)?.kind === 'lvBattery');
  return design.others
    .filter(({ componentId }) => componentId === first?.componentId)
    .reduce((sum, { quantity }) => sum + quantity, 0);
}

function addedItems(design: DesignInputs, library: Library, vehicle: VehicleState): MassItem[] {
  const items: MassItem[] = [];
  const at = engineX(vehicle.variant);
  const { motors } = driveChoice(design);
  const unit = componentAs(library.get(design.driveId ?? ''), 'drive');
  if (unit) {
    items.push({
      drive: true,
      name: motors > 1 ? `${motors} × ${unit.name}` : unit.name,
      massKg: unit.massKg * motors,
      xMm: driveX(vehicle.variant, unit.sheet.output, vehicle.figures.wheelbase.value),
    });
  }
  for (const [id, count] of [
    [design.inverterId, motors],
    [design.chargerId, 1],
    [design.inletId, 1],
  ] as const) {
    const part = id ? library.get(id) : undefined;
    if (part) items.push({ name: part.name, massKg: part.massKg * count, xMm: at });
  }
  for (const { componentId, quantity, xMm, yMm } of design.others) {
    const part = library.get(componentId);
    if (part) items.push({ name: part.name, massKg: part.massKg * quantity, xMm: xMm ?? at, yMm: yMm ?? 0 });
  }
  for (const item of design.items ?? []) items.push(item);
  return items;
}

/** Parts of a design with the boxes its kit brings; a design without parts has no price, boxes or not. */
const withBoxes = (partsCents: number | null, { boxCents = 0 }: WorkOutside): number | null =>
  partsCents === null ? null : partsCents + boxCents;

/** Price of everything the design names, cents; null while it names nothing. */
function partsPrice(design: DesignInputs, library: Library): number | null {
  const parts = designComponents(design);
  if (parts.length === 0) return null;
  return parts.reduce(
    (sum, { componentId, quantity }) => sum + (library.get(componentId)?.priceCents ?? 0) * quantity,
    0,
  );
}

/** Longest lead time of what is short in the stores, days; 0 when everything is there; null while nothing is named. */
function leadDays(design: DesignInputs, library: Library, free: ReadonlyMap<string, number>): number | null {
  const parts = designComponents(design);
  if (parts.length === 0) return null;
  return parts.reduce((longest, { componentId, quantity }) => {
    const part = library.get(componentId);
    return part && (free.get(componentId) ?? 0) < quantity ? Math.max(longest, part.leadDays) : longest;
  }, 0);
}
