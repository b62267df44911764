import { type Component, type ComponentOf, componentAs } from '../component/sheets.ts';
import type { Bay } from '../vehicle/variant.ts';
import type { DesignInputs } from './inputs.ts';
import { placeBox } from './placeBox.ts';
import type { Library } from './resolve.ts';

/** Pieces put into a design, or taken out of it where below zero. */
export interface PlacedPart {
  readonly componentId: string;
  readonly quantity: number;
}

/** The slot of a design that a kind of part has to itself. */
const SLOT: Partial<Record<Component['kind'], 'driveId' | 'inverterId' | 'chargerId' | 'inletId'>> = {
  drive: 'driveId',
  inverter: 'inverterId',
  charger: 'chargerId',
  combinedUnit: 'chargerId',
  inlet: 'inletId',
};

/**
 * A design with pieces put in or taken out, each where it belongs: modules into the boxes (first where there is most room,
 * taken from where most are; among the others where no box holds their kind), drive, inverter, charger and inlet into their slots, all else among the others. A second one
 * beside a slot that is taken stands among the others. Modules that no box has room for go into the first all the same: the
 * figures then say that it is too full.
 */
export function placeParts(
  design: DesignInputs,
  parts: readonly PlacedPart[],
  library: Library,
  bays: readonly Bay[],
): DesignInputs {
  // What goes out makes room first.
  return [...parts]
    .sort((a, b) => a.quantity - b.quantity)
    .reduce((now, part) => placed(now, part, library, bays), design);
}

function placed(design: DesignInputs, part: PlacedPart, library: Library, bays: readonly Bay[]): DesignInputs {
  const component = library.get(part.componentId);
  const module = componentAs(component, 'module');
  if (module) return withModules(design, module, part.quantity, library, bays);
  const slot = component && SLOT[component.kind];
  if (slot && part.quantity > 0 && design[slot] === null) {
    const filled = { ...design, [slot]: part.componentId };
    return part.quantity > 1 ? withOthers(filled, { ...part, quantity: part.quantity - 1 }) : filled;
  }
  if (slot && part.quantity < 0 && design[slot] === part.componentId) {
    const emptied = { ...design, [slot]: null };
    return part.quantity < -1 ? withOthers(emptied, { ...part, quantity: part.quantity + 1 }) : emptied;
  }
  return withOthers(design, part);
}

function withModules(
  design: DesignInputs,
  module: ComponentOf<'module'>,
  quantity: number,
  library: Library,
  bays: readonly Bay[],
): DesignInputs {
  const chosen = design.moduleId === null ? { ...design, moduleId: module.id } : design;
  const mine = chosen.boxes.map((box) => (box.moduleId ?? chosen.moduleId) === module.id);
  // No box to put them in: they stand among the others, weigh, and give nothing.
  if (quantity > 0 && !mine.includes(true)) return withOthers(design, { componentId: module.id, quantity });
  const most = chosen.boxes.map((box) => {
    const bay = bays.find(({ key }) => key === box.bay);
    return bay ? placeBox(chosen, library, bay, box).most : 0;
  });
  const modules = chosen.boxes.map((box) => box.modules);
  const by = (i: number) => (quantity > 0 ? most[i]! - modules[i]! : modules[i]!);
  for (let left = Math.abs(quantity); left > 0; left--) {
    const at = modules.reduce((best, _, i) => (mine[i] && (best < 0 || by(i) > by(best)) ? i : best), -1);
    if (at < 0 || (quantity < 0 && modules[at] === 0)) break;
    modules[at]! += Math.sign(quantity);
  }
  return { ...chosen, boxes: chosen.boxes.map((box, i) => ({ ...box, modules: modules[i]! })) };
}

function withOthers(design: DesignInputs, { componentId, quantity }: PlacedPart): DesignInputs {
  const known = design.others.find((one) => one.componentId === componentId);
  const left = (known?.quantity ?? 0) + quantity;
  const rest = design.others.filter((one) => one !== known);
  if (left <= 0) return { ...design, others: rest };
  const next = { componentId, xMm: null, ...known, quantity: left };
  return { ...design, others: known ? design.others.map((one) => (one === known ? next : one)) : [...rest, next] };
}
