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
 * taken from where most are), drive, inverter, charger and inlet into their slots, all else among the others. A second one
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
  let boxes = [...chosen.boxes];
  const mine = (i: number) => (boxes[i]!.moduleId ?? chosen.moduleId) === module.id;
  const room = (i: number) => {
    const bay = bays.find(({ key }) => key === boxes[i]!.bay);
    return bay ? placeBox(chosen, library, bay, boxes[i]!).most - boxes[i]!.modules : 0;
  };
  for (let left = Math.abs(quantity); left > 0; left--) {
    const own = boxes.map((_, i) => i).filter(mine);
    const by = quantity > 0 ? room : (i: number) => boxes[i]!.modules;
    const [at] = own.sort((a, b) => by(b) - by(a) || a - b);
    if (at === undefined || (quantity < 0 && boxes[at]!.modules === 0)) break;
    boxes = boxes.map((box, i) => (i === at ? { ...box, modules: box.modules + Math.sign(quantity) } : box));
  }
  return { ...chosen, boxes };
}

function withOthers(design: DesignInputs, { componentId, quantity }: PlacedPart): DesignInputs {
  const known = design.others.find((one) => one.componentId === componentId);
  const left = (known?.quantity ?? 0) + quantity;
  const rest = design.others.filter((one) => one !== known);
  if (left <= 0) return { ...design, others: rest };
  const next = { componentId, xMm: null, ...known, quantity: left };
  return { ...design, others: known ? design.others.map((one) => (one === known ? next : one)) : [...rest, next] };
}
