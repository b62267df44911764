import { type Library, resolveDesign } from '../design/resolve.ts';
import { createSheet, type FigureSheet } from '../figures/evaluate.ts';
import type { VehicleUse, WorkOutside } from '../figures/slots.ts';
import { type KitPart, type KitRevision, kitDesign, kitHours, kitParts } from '../kit/kit.ts';
import type { VehicleState } from '../vehicle/state.ts';
import { newHoleCount } from './cradle.ts';

/** A kit with its options, and the vehicle it is put against. */
export interface KitOnVehicle {
  readonly revision: KitRevision;
  readonly options: readonly string[];
  readonly library: Library;
  readonly vehicle: VehicleState;
  readonly use: VehicleUse;
  readonly work: Omit<WorkOutside, 'labourHours'>;
}

/** The figures of the design that a kit makes on a vehicle, and the parts it brings there. */
export function kitOnVehicle({ revision, options, library, vehicle, use, work }: KitOnVehicle): {
  readonly parts: readonly KitPart[];
  readonly sheet: FigureSheet;
} {
  const parts = kitParts(revision, library, vehicle.variant.id, options);
  const slots = resolveDesign({
    design: kitDesign(revision, parts, vehicle.variant.id, options),
    library,
    vehicle,
    use,
    newHoles: newHoleCount(vehicle.variant, parts),
    work: { ...work, labourHours: kitHours(revision, vehicle.variant.id, options) },
  });
  return { parts, sheet: createSheet(slots) };
}
