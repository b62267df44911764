/** What a motor with its inverter may do at the shaft. Caps are software limits of the controller. */
export interface MotorLimits {
  readonly peakTorqueNm: number;
  readonly peakPowerW: number;
  readonly maxRpm: number;
}

/**
 * Greatest shaft torque at a speed, N·m: flat up to the corner speed, then constant power, nothing above the
 * highest speed.
 */
export function motorTorque(motor: MotorLimits, rpm: number): number {
  if (rpm > motor.maxRpm) return 0;
  const omega = (rpm * 2 * Math.PI) / 60;
  return omega <= 0 ? motor.peakTorqueNm : Math.min(motor.peakTorqueNm, motor.peakPowerW / omega);
}
