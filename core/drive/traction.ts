import { GRAVITY } from '../road/roadLoad.ts';

/** Masses and lengths that decide how hard the driven tyres press on the road. */
export interface Stance {
  readonly frontAxleKg: number;
  readonly rearAxleKg: number;
  readonly wheelbaseM: number;
  readonly massCentreHeightM: number;
  readonly drivenAxle: 'front' | 'rear' | 'both';
}

/** Grip of an ordinary tyre, common practice. */
export const GRIP_DRY = 0.8;
export const GRIP_WET = 0.5;

/**
 * Greatest traction force before the driven tyres slip, N, with the weight transfer that this very force causes and
 * on a grade. From N_front = m·(g·b − a·h)/L and N_rear = m·(g·a' + a·h)/L with the drive force in balance:
 * F = μ·N(F) solved for F. A rear axle whose transfer would outrun the grip is limited by the front wheels lifting.
 */
export function gripLimit(stance: Stance, grip: number, grade = 0): number {
  const mass = stance.frontAxleKg + stance.rearAxleKg;
  const cos = 1 / Math.sqrt(1 + grade * grade);
  const weight = mass * GRAVITY * cos;
  const lever = (grip * stance.massCentreHeightM) / stance.wheelbaseM;
  if (stance.drivenAxle === 'both') return grip * weight;
  if (stance.drivenAxle === 'front') return (grip * stance.frontAxleKg * GRAVITY * cos) / (1 + lever);
  const wheelLift = (stance.frontAxleKg * GRAVITY * cos * stance.wheelbaseM) / stance.massCentreHeightM;
  return lever >= 1 ? wheelLift : Math.min((grip * stance.rearAxleKg * GRAVITY * cos) / (1 - lever), wheelLift);
}
