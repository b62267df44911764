import { type MotorLimits, motorTorque } from './motorCurve.ts';

/** From motor shaft to road. */
export interface Gearing {
  /** Motor revolutions per wheel revolution. */
  readonly ratio: number;
  readonly efficiency: number;
  readonly wheelRadiusM: number;
}

/** Motor speed at a road speed, rpm. */
export function rpmAt(gearing: Gearing, speedMs: number): number {
  return (speedMs / (2 * Math.PI * gearing.wheelRadiusM)) * 60 * gearing.ratio;
}

/** Road speed per 1000 motor revolutions per minute, km/h: 2π·r·1000/60/ratio (trade §5.5). */
export function kmhPer1000Rpm(gearing: Gearing): number {
  return ((2 * Math.PI * gearing.wheelRadiusM * 1000) / 60 / gearing.ratio) * 3.6;
}

/** Pull at the wheels the motor can give at a road speed, N, before grip is asked. */
export function motorPull(motor: MotorLimits, gearing: Gearing, speedMs: number): number {
  return (motorTorque(motor, rpmAt(gearing, speedMs)) * gearing.ratio * gearing.efficiency) / gearing.wheelRadiusM;
}
