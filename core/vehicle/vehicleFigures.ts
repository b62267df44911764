import type { QuantityKind } from '../quantity/kinds.ts';

/** The numbers of a vehicle that can be measured on it, and what each one is. */
export const VEHICLE_FIGURES = {
  frontAxleMass: 'mass',
  rearAxleMass: 'mass',
  grossMass: 'mass',
  frontAxleRating: 'mass',
  rearAxleRating: 'mass',
  wheelbase: 'length',
  track: 'length',
  length: 'length',
  width: 'length',
  height: 'length',
  groundClearance: 'length',
  massCentreHeight: 'length',
  frontalArea: 'area',
  dragCoefficient: 'coefficient',
  rollingCoefficient: 'coefficient',
  seatsPayload: 'mass',
} as const satisfies Record<string, QuantityKind>;

export type VehicleFigureId = keyof typeof VEHICLE_FIGURES;
export const VEHICLE_FIGURE_IDS = Object.keys(VEHICLE_FIGURES) as VehicleFigureId[];

/**
 * How far an unmeasured value of this kind is usually off, as a fraction of itself. Common practice, no source:
 * kerb masses of old vehicles wander with rust, mends and racks; maker's lengths hold.
 */
export const LIKELY_ERROR: Record<VehicleFigureId, number> = {
  frontAxleMass: 0.06,
  rearAxleMass: 0.06,
  grossMass: 0,
  frontAxleRating: 0,
  rearAxleRating: 0,
  wheelbase: 0.002,
  track: 0.005,
  length: 0.002,
  width: 0.005,
  height: 0.01,
  groundClearance: 0.1,
  massCentreHeight: 0.12,
  frontalArea: 0.06,
  dragCoefficient: 0.12,
  rollingCoefficient: 0.2,
  seatsPayload: 0,
};

/** A figure that is usually no further off than this share of itself is not worth a line on the measuring list. */
export const WORTH_MEASURING = 0.003;
