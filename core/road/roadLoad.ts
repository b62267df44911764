export const GRAVITY = 9.80665;

/** What the road does to a vehicle: mass with load, resistance figures, density of the air, wind against. */
export interface RoadVehicle {
  readonly massKg: number;
  readonly rollingCoefficient: number;
  readonly dragAreaM2: number;
  readonly airDensity: number;
  /** Wheels, motor and gears that must spin up too: effective mass ÷ mass. */
  readonly rotationFactor: number;
  readonly headwindMs: number;
}

export interface RoadForces {
  readonly tyresN: number;
  readonly airN: number;
  readonly hillN: number;
}

/**
 * Resisting forces at speed `v` (m/s) on `grade` (rise ÷ run): m·g·C_rr·cosθ, ½·ρ·CdA·v², m·g·sinθ (trade §5.2).
 * Standing still the tyres resist nothing; a tail wind faster than the vehicle pushes.
 */
export function roadForces(vehicle: RoadVehicle, v: number, grade: number): RoadForces {
  const hypotenuse = Math.sqrt(1 + grade * grade);
  const weight = vehicle.massKg * GRAVITY;
  const through = v + vehicle.headwindMs;
  return {
    tyresN: v > 0 ? (weight * vehicle.rollingCoefficient) / hypotenuse : 0,
    airN: v > 0 ? 0.5 * vehicle.airDensity * vehicle.dragAreaM2 * through * Math.abs(through) : 0,
    hillN: (weight * grade) / hypotenuse,
  };
}
