import type { DriveSheet } from '../component/sheets.ts';

/** One point of a torque–speed curve at the shaft. */
export interface CurvePoint {
  readonly rpm: number;
  readonly peakNm: number;
  readonly continuousNm: number;
}

/** What a motor with its inverter may do at the shaft, at one pack voltage. Caps are software limits. */
export interface MotorLimits {
  readonly peakTorqueNm: number;
  readonly peakPowerW: number;
  readonly maxRpm: number;
  /** Measured or stated curve; without one the torque is flat to the corner and of constant power above. */
  readonly curve?: readonly CurvePoint[] | null;
  /** Pack voltage ÷ voltage of the sheet: speeds of the curve move with it. @default 1 */
  readonly voltageScale?: number;
  /** Which column of the curve. @default 'peakNm' */
  readonly column?: 'peakNm' | 'continuousNm';
  /** Motors on the shaft. @default 1 */
  readonly motors?: number;
}

/**
 * Greatest shaft torque at a speed, N·m; nothing above the highest speed. A motor's knee moves in proportion to the
 * voltage it is fed with (back EMF, common practice): T(rpm; V) = T_sheet(rpm · V_sheet/V). Power is capped besides.
 */
export function motorTorque(motor: MotorLimits, rpm: number): number {
  if (rpm > motor.maxRpm) return 0;
  const omega = (rpm * 2 * Math.PI) / 60;
  const byPower = omega > 0 ? motor.peakPowerW / omega : Number.POSITIVE_INFINITY;
  const { curve, voltageScale = 1, motors = 1, column = 'peakNm' } = motor;
  const byCurve = curve ? motors * curveTorque(curve, rpm / voltageScale, column) : motor.peakTorqueNm;
  return Math.min(motor.peakTorqueNm, byPower, byCurve);
}

/** Torque on a curve by straight lines between points: flat before the first, the last one's power kept beyond it. */
export function curveTorque(curve: readonly CurvePoint[], rpm: number, column: 'peakNm' | 'continuousNm'): number {
  const last = curve.at(-1);
  if (!last) return 0;
  if (rpm >= last.rpm) return last.rpm > 0 ? (last[column] * last.rpm) / rpm : last[column];
  const first = curve[0]!;
  if (rpm <= first.rpm) return first[column];
  let from = 0;
  let to = curve.length - 1;
  while (to - from > 1) {
    const middle = (from + to) >> 1;
    if (rpm < curve[middle]!.rpm) to = middle;
    else from = middle;
  }
  const [low, high] = [curve[from]!, curve[to]!];
  return low[column] + ((high[column] - low[column]) * (rpm - low.rpm)) / (high.rpm - low.rpm);
}

/** What had to be put right in a curve before it could be used. */
export type CurveFault = 'notRising' | 'negativeTorque' | 'tooShort';

/**
 * A usable curve from whatever was typed or stored: points sorted by speed, a repeated speed kept once, negative
 * torques taken as none. Fewer than two points make no curve.
 */
export function cleanCurve(points: readonly CurvePoint[]): {
  curve: readonly CurvePoint[] | null;
  faults: readonly CurveFault[];
} {
  const finite = points.filter((p) => Number.isFinite(p.rpm) && Number.isFinite(p.peakNm) && p.rpm >= 0);
  const faults: CurveFault[] = [];
  if (finite.some((p, i) => i > 0 && p.rpm <= finite[i - 1]!.rpm)) faults.push('notRising');
  if (finite.some((p) => p.peakNm < 0 || p.continuousNm < 0)) faults.push('negativeTorque');
  const curve = [...finite]
    .sort((a, b) => a.rpm - b.rpm)
    .filter((p, i, all) => i === 0 || p.rpm > all[i - 1]!.rpm)
    .map((p) => ({
      rpm: p.rpm,
      peakNm: Math.max(0, p.peakNm),
      continuousNm: Math.max(0, Math.min(p.continuousNm, p.peakNm)),
    }));
  if (curve.length < 2) return { curve: null, faults: ['tooShort'] };
  return { curve, faults };
}

/** The curve a sheet implies where it states none: peak and continuous, each flat to its corner, then constant power. */
export function sheetCurve(sheet: DriveSheet): readonly CurvePoint[] {
  const corner = (powerW: number, torqueNm: number) => (powerW / torqueNm) * (60 / (2 * Math.PI));
  const at = (rpm: number, powerW: number, torqueNm: number) =>
    rpm <= 0 ? torqueNm : Math.min(torqueNm, powerW / ((rpm * 2 * Math.PI) / 60));
  const speeds = [
    0,
    corner(sheet.peakPowerW, sheet.peakTorqueNm),
    corner(sheet.continuousPowerW, sheet.continuousTorqueNm),
    ...Array.from({ length: 12 }, (_, i) => ((i + 1) / 12) * sheet.maxRpm),
  ];
  return [...new Set(speeds.map((rpm) => Math.round(rpm)))]
    .filter((rpm) => rpm <= sheet.maxRpm)
    .sort((a, b) => a - b)
    .map((rpm) => ({
      rpm,
      peakNm: at(rpm, sheet.peakPowerW, sheet.peakTorqueNm),
      continuousNm: at(rpm, sheet.continuousPowerW, sheet.continuousTorqueNm),
    }));
}
