import { type CurvePoint, curveTorque, type MotorLimits } from '../drive/motorCurve.ts';
import { loadedVoltage } from '../pack/loadedVoltage.ts';
import { powerAt } from '../pack/powerAt.ts';
import type { BatteryLimit, HeldBy, LinkId } from './links.ts';

/** The motor (or motors on one shaft) as its sheet has it. */
export interface ChainMotor {
  readonly part: string | null;
  readonly motors: number;
  /** Of one motor. */
  readonly torqueNm: number;
  readonly powerW: number;
  readonly maxRpm: number;
  readonly curve: readonly CurvePoint[] | null;
  readonly column: 'peakNm' | 'continuousNm';
  /** Pack voltage at which curve and power are stated; null: at any voltage. */
  readonly ratedV: number | null;
  /** Battery to shaft at full load, 0..1. */
  readonly efficiency: number;
  /** Torque the phase current of one inverter makes, N·m; null where a sheet does not say. */
  readonly phaseNm: number | null;
  readonly torqueCapNm: number | null;
  readonly powerCapW: number | null;
}

export interface ChainAsk {
  /** Open-circuit voltage at the state of charge asked for. */
  readonly openV: number;
  readonly resistanceOhm: number;
  /** Current that accessories and heating draw beside the drive, A. */
  readonly besideA: number;
  readonly battery: readonly BatteryLimit[];
  readonly motor: ChainMotor;
}

/** What the whole chain gives at full throttle at the speed at which it takes most from the battery. */
export interface FullThrottle {
  readonly rpm: number;
  readonly shaftW: number;
  readonly batteryW: number;
  readonly volts: number;
  readonly amps: number;
  readonly heldBy: HeldBy;
}

export interface Chain {
  readonly ask: ChainAsk;
  /** Most battery current any link leaves to the drive, A, and the power at it, W. */
  readonly limitA: number;
  readonly limitW: number;
  readonly limitBy: HeldBy;
  readonly torqueBy: HeldBy;
  readonly powerBy: HeldBy;
  /** What is left at the shaft by speed: torque, power and curve with every link asked. */
  readonly motor: MotorLimits;
  readonly full: FullThrottle;
}

const RPM_TO_RAD = (2 * Math.PI) / 60;
/** Parts each stretch of a torque curve is cut into before the voltage under load moves it. */
const CUTS = 8;

interface Bound extends HeldBy {
  readonly value: number;
}

const least = (bounds: readonly Bound[]): Bound => bounds.reduce((low, one) => (one.value < low.value ? one : low));

/**
 * The chain from cells to motor shaft, solved for the working point (trade §5.1, §5.4). The pack is an open-circuit
 * voltage behind a resistance: V = V0 − I·R. Its current is held by every battery-side link, by every lowest voltage
 * (I ≤ (V0 − Vmin)/R) and by V0/2R, past which more current gives less power: the power then stays at V0²/4R, it does not
 * vanish. The motor is held by torque, caps, phase current, power and, where its sheet names the voltage it speaks of, by
 * the voltage under that very load: a point (n, T) of the sheet moves to n·V/Vs, and since its power moves with V too, its
 * battery current c/(η·Vs) does not depend on V, so that V = V0 − R·c/(η·Vs) needs no iteration. Between two points of a
 * moved curve torque runs in a straight line (each stretch is cut in eight first).
 *
 * What the accessories draw beside the drive passes the links of the pack with it and lowers the voltage that the drive
 * finds: a constant current beside a source of V0 behind R is the same as a source of V0 − R·I behind R.
 */
export function solveChain(ask: ChainAsk): Chain {
  const { resistanceOhm: ohm, motor } = ask;
  const openV = sourceV(ask);
  const { motors, efficiency } = motor;
  const limit = least(batteryBounds(ask));
  const limitA = Math.max(0, limit.value);
  const limitW = Math.max(0, (openV - limitA * ohm) * limitA);

  const torque = least(torqueBounds(motor));
  const own = motor.part;
  const sheetW = motor.powerW * motors;
  const power = least([
    { link: limit.link, part: limit.part, value: limitW * efficiency },
    { link: 'motorPower', part: own, value: sheetW },
    ...(motor.powerCapW === null ? [] : [{ link: 'powerCap' as const, part: null, value: motor.powerCapW }]),
    // Without a curve constant power falls with the voltage; with one, its speeds move instead.
    ...(motor.curve === null && motor.ratedV !== null
      ? [{ link: 'motorVoltage' as const, part: own, value: powerAtVoltage(ask, sheetW, motor.ratedV) }]
      : []),
  ]);
  const shaftW = Math.max(0, power.value);
  const curve = motor.curve && movedCurve(ask, motor.curve, { limitA, torqueNm: torque.value, shaftW });
  const limits: MotorLimits = {
    peakTorqueNm: torque.value,
    peakPowerW: shaftW,
    maxRpm: motor.maxRpm,
    curve,
    column: motor.column,
  };
  const torqueBy = { link: torque.link, part: torque.part };
  const powerBy = { link: power.link, part: power.part };
  const solved = { ask, limitA, limitW, limitBy: { link: limit.link, part: limit.part }, torqueBy, powerBy };
  const chain = { ...solved, motor: limits };
  return { ...chain, full: fullThrottle(chain) };
}

/** The voltage the drive finds before it draws: what accessories and heating draw has lowered it, V. */
export const sourceV = ({
  openV,
  resistanceOhm,
  besideA,
}: Pick<ChainAsk, 'openV' | 'resistanceOhm' | 'besideA'>): number => Math.max(0, openV - resistanceOhm * besideA);

function batteryBounds(ask: ChainAsk): Bound[] {
  const { resistanceOhm: ohm, battery, besideA } = ask;
  const openV = sourceV(ask);
  const bounds: Bound[] = [
    { link: 'packPower', part: null, value: ohm > 0 ? openV / (2 * ohm) : Number.POSITIVE_INFINITY },
  ];
  for (const { link, part, quantity, limit, whole } of battery) {
    if (limit === null) continue;
    if (quantity === 'batteryCurrent') bounds.push({ link, part, value: whole ? limit - besideA : limit });
    else if (openV < limit) bounds.push({ link, part, value: 0 });
    else if (ohm > 0) bounds.push({ link, part, value: (openV - limit) / ohm });
  }
  return bounds;
}

function torqueBounds(motor: ChainMotor): Bound[] {
  const sheetNm = motor.curve ? Math.max(...motor.curve.map((point) => point[motor.column])) : motor.torqueNm;
  const bounds: Bound[] = [{ link: 'motorTorque', part: motor.part, value: sheetNm * motor.motors }];
  if (motor.phaseNm !== null) bounds.push({ link: 'phaseCurrent', part: null, value: motor.phaseNm * motor.motors });
  if (motor.torqueCapNm !== null) bounds.push({ link: 'torqueCap', part: null, value: motor.torqueCapNm });
  return bounds;
}

/**
 * Shaft power of a constant-power motor at the voltage its own load leaves: it draws I = P/(η·Vs) whatever the voltage,
 * but never more than V0/2R, where the pack gives its most.
 */
function powerAtVoltage(ask: ChainAsk, sheetW: number, ratedV: number): number {
  const { resistanceOhm: ohm, motor } = ask;
  return Math.min(sheetW, motor.efficiency * powerAt(sourceV(ask), ohm, sheetW / (motor.efficiency * ratedV)).watts);
}

function movedCurve(
  ask: ChainAsk,
  points: readonly CurvePoint[],
  held: { limitA: number; torqueNm: number; shaftW: number },
): readonly CurvePoint[] {
  const { resistanceOhm: ohm, motor } = ask;
  const openV = sourceV(ask);
  const { ratedV, motors, column, efficiency } = motor;
  const whole = (rpm: number, nm: number): CurvePoint => ({ rpm, peakNm: nm, continuousNm: nm });
  if (ratedV === null) return points.map((point) => whole(point.rpm, motors * point[column]));
  // Where something else holds the load back the voltage sags no further than that leaves it.
  const heldV = Math.max(openV - held.limitA * ohm, loadedVoltage(openV, ohm, held.shaftW / efficiency).volts);
  const moved: CurvePoint[] = [];
  for (const { rpm, nm } of cutUp(points, column)) {
    const load = Math.min(nm * motors, held.torqueNm) * rpm * RPM_TO_RAD;
    const volts = Math.max(heldV, openV - (ohm * load) / (efficiency * ratedV));
    const at = (rpm * volts) / ratedV;
    if (moved.length === 0 || at > moved.at(-1)!.rpm) moved.push(whole(at, nm * motors));
  }
  return moved;
}

function cutUp(points: readonly CurvePoint[], column: 'peakNm' | 'continuousNm'): { rpm: number; nm: number }[] {
  return points.flatMap((point, i) => {
    const next = points[i + 1];
    if (!next) return [{ rpm: point.rpm, nm: point[column] }];
    return Array.from({ length: CUTS }, (_, j) => {
      const rpm = point.rpm + ((next.rpm - point.rpm) * j) / CUTS;
      return { rpm, nm: curveTorque(points, rpm, column) };
    });
  });
}

/** The speed at which most is taken from the battery: a corner, a point of the curve, or the peak between two of them. */
function fullThrottle(chain: Omit<Chain, 'full'>): FullThrottle {
  const { motor, ask } = chain;
  const { peakPowerW, peakTorqueNm, maxRpm, curve } = motor;
  let rpm = peakTorqueNm > 0 ? Math.min(maxRpm, peakPowerW / peakTorqueNm / RPM_TO_RAD) : 0;
  const atShaft = (n: number) => n * RPM_TO_RAD * torqueOf(motor, n);
  if (curve) {
    for (const n of curvePeaks(curve, maxRpm)) if (atShaft(n) > atShaft(rpm) * (1 + 1e-12)) rpm = n;
  }
  const shaftW = atShaft(rpm);
  const { volts, amps } = loadedVoltage(sourceV(ask), ask.resistanceOhm, shaftW / ask.motor.efficiency);
  return { rpm, shaftW, batteryW: shaftW / ask.motor.efficiency, volts, amps, heldBy: fullHeldBy(chain, rpm, shaftW) };
}

/** Points of a curve and, between two of them, where speed × torque peaks on the straight line. */
function curvePeaks(curve: readonly CurvePoint[], maxRpm: number): number[] {
  const all = curve.map((point) => point.rpm);
  for (let i = 1; i < curve.length; i++) {
    const [a, b] = [curve[i - 1]!, curve[i]!];
    const slope = (b.peakNm - a.peakNm) / (b.rpm - a.rpm);
    const peak = slope < 0 ? (slope * a.rpm - a.peakNm) / (2 * slope) : -1;
    if (peak > a.rpm && peak < b.rpm) all.push(peak);
  }
  return [...all.filter((n) => n <= maxRpm), maxRpm];
}

function torqueOf(motor: MotorLimits, rpm: number): number {
  const byPower = rpm > 0 ? motor.peakPowerW / (rpm * RPM_TO_RAD) : Number.POSITIVE_INFINITY;
  const byCurve = motor.curve ? curveTorque(motor.curve, rpm, motor.column ?? 'peakNm') : Number.POSITIVE_INFINITY;
  return Math.min(motor.peakTorqueNm, byPower, byCurve);
}

/** More power would come of this link alone: power where it is reached, else what keeps torque × revolutions down. */
function fullHeldBy(chain: Omit<Chain, 'full'>, rpm: number, shaftW: number): HeldBy {
  if (shaftW >= chain.motor.peakPowerW * (1 - 1e-9)) return chain.powerBy;
  return heldAt(chain, rpm);
}

const MOTOR_CURVE: LinkId = 'motorCurve';

/** The link that holds the torque at a motor speed: what decides there and nothing else. */
export function heldAt(chain: Pick<Chain, 'motor' | 'torqueBy' | 'powerBy' | 'ask'>, rpm: number): HeldBy {
  const { motor, torqueBy, powerBy, ask } = chain;
  const part = ask.motor.part;
  if (rpm > motor.maxRpm) return { link: 'revolutions', part };
  const bounds: Bound[] = [{ ...torqueBy, value: motor.peakTorqueNm }];
  if (rpm > 0) bounds.push({ ...powerBy, value: motor.peakPowerW / (rpm * RPM_TO_RAD) });
  // A flat part of a curve is the motor's torque itself.
  if (motor.curve) {
    const value = curveTorque(motor.curve, rpm, motor.column ?? 'peakNm');
    if (value < motor.peakTorqueNm * (1 - 1e-9)) bounds.push({ link: MOTOR_CURVE, part, value });
  }
  const { link, part: of } = least(bounds);
  return { link, part: of };
}
