import type { Sourced } from '../quantity/sourced.ts';
import type { Variant } from './variant.ts';
import type { VehicleFigureId } from './vehicleFigures.ts';

/** Four corner masses, kg, with the state the vehicle was in: as received, or with engine and tank already out. */
export interface Weighing {
  readonly frontLeftKg: number;
  readonly frontRightKg: number;
  readonly rearLeftKg: number;
  readonly rearRightKg: number;
  readonly state: 'asReceived' | 'stripped';
  readonly by: string;
  readonly at: string;
}

/** The vehicle in front of you: its variant, with measured figures standing in for the library's. */
export interface VehicleState {
  readonly variant: Variant;
  readonly figures: Readonly<Record<VehicleFigureId, Sourced>>;
  readonly weighing: Weighing | null;
}

/**
 * Lays measured figures and the newest weighing over the library's figures of the variant.
 * A weighing sets both axle masses; single measured figures win over the library, a weighing wins over both.
 */
export function vehicleState(
  variant: Variant,
  measured: Partial<Record<VehicleFigureId, Sourced>>,
  weighing: Weighing | null,
): VehicleState {
  const figures = { ...variant.figures, ...measured };
  if (weighing) {
    const { by, at } = weighing;
    figures.frontAxleMass = { value: weighing.frontLeftKg + weighing.frontRightKg, source: 'measured', by, at };
    figures.rearAxleMass = { value: weighing.rearLeftKg + weighing.rearRightKg, source: 'measured', by, at };
  }
  return { variant, figures, weighing };
}
