import { eq } from 'drizzle-orm';
import type { Component } from '../../core/component/sheets.ts';
import { type DesignInputs, designComponents } from '../../core/design/inputs.ts';
import { placeBox } from '../../core/design/placeBox.ts';
import { composePack } from '../../core/pack/compose.ts';
import type { Tx } from '../db/connect.ts';
import { bay, vehicle } from '../db/schema/index.ts';
import { BadInput } from '../problems.ts';
import { libraryOf } from '../read/components.ts';

/** Where in the inputs each kind of component is named. */
const FIELDS = ['moduleId', 'driveId', 'inverterId', 'chargerId', 'inletId'] as const;

/**
 * Refuses what cannot be built, each at its field: components the library does not have, bays this variant does not
 * have, more modules than a bay takes, and modules that do not divide into the wished strings.
 */
export async function refuseImpossible(tx: Tx, vehicleId: string, inputs: DesignInputs): Promise<void> {
  const bays = await tx
    .select({ bay })
    .from(vehicle)
    .innerJoin(bay, eq(bay.variantId, vehicle.variantId))
    .where(eq(vehicle.id, vehicleId));
  // Boxes are fitted by their modules: with those that are named everything is there that is judged here.
  const library = await libraryOf(
    tx,
    designComponents(inputs).map(({ componentId }) => componentId),
  );
  const faults = { ...unknownParts(inputs, library) };
  const placed = inputs.boxes.flatMap((choice, i) => {
    const place = bays.find((row) => row.bay.key === choice.bay)?.bay;
    if (!place) {
      faults[`inputs.boxes.${i}.bay`] = `This variant has no bay “${choice.bay}”.`;
      return [];
    }
    const box = placeBox(inputs, library, { ...place, source: 'drawing' }, choice);
    if (box.module && choice.modules > box.most) {
      faults[`inputs.boxes.${i}.modules`] =
        `${choice.modules} modules do not go into the ${place.name} bay: it takes ${box.most}.`;
    }
    return box.module && choice.modules > 0 ? [{ ...box, module: box.module }] : [];
  });
  if (placed.length > 0) Object.assign(faults, unwiredFaults(inputs, placed));
  if (Object.keys(faults).length > 0) throw new BadInput(faults);
}

function unknownParts(inputs: DesignInputs, library: ReadonlyMap<string, Component>): Record<string, string> {
  const faults: Record<string, string> = {};
  for (const { componentId } of designComponents(inputs)) {
    if (library.has(componentId)) continue;
    const field = FIELDS.find((name) => inputs[name] === componentId);
    const at = inputs.others.findIndex((other) => other.componentId === componentId);
    const path = field ? `inputs.${field}` : at >= 0 ? `inputs.others.${at}.componentId` : 'inputs.boxes';
    faults[path] = `The library has no component “${componentId}”.`;
  }
  return faults;
}

type Placed = ReturnType<typeof placeBox> & { module: NonNullable<ReturnType<typeof placeBox>['module']> };

function unwiredFaults(inputs: DesignInputs, boxes: readonly Placed[]): Record<string, string> {
  const pack = composePack(
    boxes.map(({ bay: place, modules, parallel, module, pack: which }) => ({
      name: place.name,
      modules,
      parallel,
      sheet: module.sheet,
      capacityAh: module.sheet.capacityAh,
      pack: which,
    })),
    inputs.packs ?? 'one',
  );
  if (typeof pack !== 'string') return {};
  const total = boxes.reduce((sum, box) => sum + box.modules, 0);
  const uneven = inputs.boxes.findIndex((box) => box.modules % (box.parallel ?? inputs.strings) !== 0);
  switch (pack) {
    case 'unequalStrings':
      return { 'inputs.strings': `${total} modules do not make ${inputs.strings} equal strings.` };
    case 'boxUneven':
      return {
        [`inputs.boxes.${uneven}.parallel`]: `${inputs.boxes[uneven]?.modules} modules do not divide into ${inputs.boxes[uneven]?.parallel ?? inputs.strings} in parallel.`,
      };
    case 'secondPackEmpty':
      return { 'inputs.packs': 'Two packs need boxes in both: put at least one box into each.' };
    case 'packsDiffer':
      return { 'inputs.packs': 'Two packs in parallel must have the same chemistry and full voltage.' };
    case 'mixedChemistry':
      return { 'inputs.boxes': 'Cells of different chemistry do not go into one pack.' };
    case 'noModules':
      return {};
  }
}
