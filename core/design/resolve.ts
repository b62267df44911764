import type { MassItem } from '../balance/axleLoads.ts';
import { type Component, componentAs } from '../component/sheets.ts';
import type { PlacedBox, Slots, VehicleUse } from '../figures/slots.ts';
import { arrangeModules, emptyBoxMassKg } from '../pack/arrange.ts';
import type { VehicleState } from '../vehicle/state.ts';
import type { Bay, Variant } from '../vehicle/variant.ts';
import { type DesignInputs, designComponents } from './inputs.ts';

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

function placeBox(inputs: DesignInputs, library: Library, bay: Bay, index: number): PlacedBox {
  const choice = inputs.boxes[index]!;
  const module = componentAs(library.get(inputs.moduleId ?? ''), 'module');
  const { fits, most } = module ? arrangeModules(module, choice.modules, bay) : { fits: null, most: 0 };
  const outer = fits?.outer ?? null;
  const massKg = choice.modules * (module?.massKg ?? 0) + (outer ? emptyBoxMassKg(outer) : 0);
  const bottom = bay.zMm - bay.heightMm / 2;
  return {
    bay,
    modules: choice.modules,
    outer,
    most,
    massKg,
    xMm: bay.xMm + choice.shiftMm,
    yMm: bay.yMm,
    zMm: outer ? bottom + outer.heightMm / 2 : bay.zMm,
  };
}

export interface ResolveInput {
  readonly design: DesignInputs;
  readonly library: Library;
  readonly vehicle: VehicleState;
  readonly use: VehicleUse;
  readonly newHoles: number | null;
  readonly work: Omit<Slots['work'], 'partsCents'>;
}

/**
 * Turns choices (ids, bays) into slots (sheets, boxes with outsides and masses). A bay or component that the library
 * does not have is left out: the figures then say what is missing.
 */
export function resolveDesign({ design, library, vehicle, use, newHoles, work }: ResolveInput): Slots {
  const { variant } = vehicle;
  const boxes = design.boxes.flatMap((choice, index) => {
    const bay = variant.bays.find((candidate) => candidate.name === choice.bay);
    return bay && choice.modules > 0 ? [placeBox(design, library, bay, index)] : [];
  });
  const unit = componentAs(library.get(design.driveId ?? ''), 'drive');
  const chosenCharger = library.get(design.chargerId ?? '');
  const inlet = componentAs(library.get(design.inletId ?? ''), 'inlet');
  const satellite = design.others
    .map((other) => componentAs(library.get(other.componentId), 'bmsSatellite'))
    .find((s) => s !== null);
  return {
    vehicle,
    pack: {
      module: componentAs(library.get(design.moduleId ?? ''), 'module'),
      strings: design.strings,
      boxes,
      satelliteChannels: satellite?.sheet.channels ?? 18,
      usableShare: design.usableShare,
    },
    drive: { unit, gear: design.gear, torqueCapNm: design.torqueCapNm },
    charge: {
      charger: componentAs(chosenCharger, 'charger') ?? componentAs(chosenCharger, 'combinedUnit'),
      inletAmps: inlet?.sheet.maxAmps ?? null,
    },
    use,
    added: addedItems(design, library, vehicle),
    kit: { newHoles },
    work: { ...work, partsCents: partsPrice(design, library) },
  };
}

function addedItems(design: DesignInputs, library: Library, vehicle: VehicleState): MassItem[] {
  const items: MassItem[] = [];
  const at = engineX(vehicle.variant);
  const unit = componentAs(library.get(design.driveId ?? ''), 'drive');
  if (unit) {
    items.push({
      name: unit.name,
      massKg: unit.massKg,
      xMm: driveX(vehicle.variant, unit.sheet.output, vehicle.figures.wheelbase.value),
    });
  }
  for (const id of [design.inverterId, design.chargerId, design.inletId]) {
    const part = id ? library.get(id) : undefined;
    if (part) items.push({ name: part.name, massKg: part.massKg, xMm: at });
  }
  for (const other of design.others) {
    const part = library.get(other.componentId);
    if (part) items.push({ name: part.name, massKg: part.massKg * other.quantity, xMm: other.xMm ?? at });
  }
  return items;
}

/** Price of everything the design names, cents; null while it names nothing. */
function partsPrice(design: DesignInputs, library: Library): number | null {
  const parts = designComponents(design);
  if (parts.length === 0) return null;
  return parts.reduce(
    (sum, { componentId, quantity }) => sum + (library.get(componentId)?.priceCents ?? 0) * quantity,
    0,
  );
}
