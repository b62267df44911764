import { type Library, resolveDesign } from '../design/resolve.ts';
import { createSheet, type FigureSheet } from '../figures/evaluate.ts';
import { NO_WISHES, type VehicleUse, type Wishes, type WorkOutside } from '../figures/slots.ts';
import {
  boxCents,
  type KitPart,
  type KitRevision,
  kitDesign,
  kitParts,
  type StageTemplate,
  stagesApplying,
} from '../kit/kit.ts';
import { rateOf } from '../practice/practice.ts';
import type { VehicleState } from '../vehicle/state.ts';
import { newHoleCount } from './cradle.ts';

/** A kit with its options, and the vehicle it is put against. */
export interface KitOnVehicle {
  readonly revision: KitRevision;
  readonly options: readonly string[];
  readonly library: Library;
  readonly vehicle: VehicleState;
  readonly use: VehicleUse;
  /** @default NO_WISHES */
  readonly wishes?: Wishes;
  readonly work: Omit<WorkOutside, 'labourHours'>;
}

/** Hours of a kit's own stages and what they are sold for, whatever kit the job has. */
const labourOf = (stages: readonly StageTemplate[], { rateCents, ratesBySkill = {} }: KitOnVehicle['work']) => ({
  labourHours: stages.reduce((sum, { hours }) => sum + hours, 0),
  labourCents: Math.round(
    stages.reduce((sum, { hours, skill }) => sum + hours * rateOf(skill, rateCents, { ratesBySkill }), 0),
  ),
});

/** The figures of the design that a kit makes on a vehicle, and the parts it brings there. */
export function kitOnVehicle({ revision, options, library, vehicle, use, wishes = NO_WISHES, work }: KitOnVehicle): {
  readonly parts: readonly KitPart[];
  readonly sheet: FigureSheet;
} {
  const parts = kitParts(revision, library, vehicle.variant.id, options);
  const stages = stagesApplying(revision, vehicle.variant.id, options);
  const slots = resolveDesign({
    design: kitDesign(revision, parts, vehicle.variant.id, options),
    library,
    vehicle,
    use,
    wishes,
    newHoles: newHoleCount(vehicle.variant, parts),
    work: { ...work, ...labourOf(stages, work), boxCents: boxCents(parts) },
  });
  return { parts, sheet: createSheet(slots) };
}
