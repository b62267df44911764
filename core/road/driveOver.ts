import { type EfficiencyMap, etaReader, mapEta } from '../drive/efficiency.ts';
import { type RoadVehicle, roadForces } from './roadLoad.ts';
import type { Trace } from './trace.ts';

/** How the drive turns battery power into wheel power and back. */
export interface DriveLine {
  /** Gears and joints between motor and wheel, 0..1. */
  readonly gearEfficiency: number;
  /** Motor and inverter, 0..1; what holds where there is no map. */
  readonly motorEfficiency: number;
  /** Efficiency over speed and torque, with what turns road speed (m/s) and wheel force (N) into them. @default null */
  readonly map?: { readonly map: EfficiencyMap; readonly rpmPerMs: number; readonly nmPerN: number } | null;
  /** Most battery power the drive may take, W. */
  readonly maxPowerW: number;
  /** Most force it brings to the road at a speed, N: torque, revolutions and grip. @default no limit but the power */
  readonly pullN?: (speedMs: number) => number;
  /** Most power it may put back, W; 0 switches regeneration off. */
  readonly regenPowerW: number;
  /** Share of the braking work that goes through the driven wheels' motor, 0..1. */
  readonly regenShare: number;
  readonly auxiliaryW: number;
}

/** Where the energy of a use went, Wh, and what the pack saw. Battery out − in = the sum of the parts. */
export interface UseResult {
  readonly distanceKm: number;
  readonly durationS: number;
  readonly batteryWh: number;
  readonly airWh: number;
  readonly tyresWh: number;
  /** Hills and speed changes that braking did not give back. */
  readonly brakesWh: number;
  readonly hillsWh: number;
  readonly driveLossWh: number;
  readonly auxiliaryWh: number;
  readonly recoveredWh: number;
  readonly meanPowerW: number;
  readonly rmsPowerW: number;
  /** Highest mean over any 30 s, W. */
  readonly peak30sPowerW: number;
  /** Highest mean loss of the drive over any 10 min (or the whole use, if shorter), W. */
  readonly worstLossW: number;
  /** Seconds in which the vehicle was more than 2 km/h behind what the trace asked. */
  readonly shortS: number;
  /** Whether the drive ever gave all it had and still fell short of the trace. */
  readonly limited: boolean;
  /** Where it was furthest behind: what was asked and what was reached, km/h; null when it always kept up. */
  readonly behind: { readonly askedKmh: number; readonly reachedKmh: number } | null;
  /** Battery power second by second, W. */
  readonly powersW: Float64Array;
}

const WORST_LOSS_S = 600;
/** A use counts as followed up to this far behind, m/s: 2 km/h. */
const BEHIND_MS = 2 / 3.6;

/**
 * Drives the trace second by second with mid-point speeds: wheel force = road forces + m·k·Δv; battery power =
 * wheel power/(η_gear·η_motor) + auxiliaries, and on braking wheel power·η·share back into the pack up to the limit
 * (trade §5.2). Where the drive cannot give what the trace asks it goes as fast as it can until it has caught up, as the
 * cycle of UN R83 is driven by a vehicle too weak for it (annex 4, tolerance 2 km/h, from memory): distance, energy and
 * currents are those of the speeds reached, and every second further behind than that is counted in `shortS`.
 */
export function driveOver(trace: Trace, vehicle: RoadVehicle, drive: DriveLine): UseResult {
  const { speedMs, grade } = trace;
  const n = Math.max(0, speedMs.length - 1);
  const { gearEfficiency, motorEfficiency, auxiliaryW, regenShare, regenPowerW, maxPowerW, map = null, pullN } = drive;
  const inertia = vehicle.massKg * vehicle.rotationFactor;
  const powersW = new Float64Array(n);
  const lossesW = new Float64Array(n);
  const etaAt = map ? etaReader(map.map) : null;
  let eta = gearEfficiency * motorEfficiency;
  /** Most power at the wheel at a speed, W. */
  const mostW = (v: number, at: number) => (pullN ? Math.min(maxPowerW * at, pullN(v) * v) : maxPowerW * at);
  /** Fastest speed after a second with all the drive gives, not over what is asked. */
  const fastest = (from: number, asked: number, slope: number, at: number): number => {
    let low = 0;
    let high = asked;
    for (let k = 0; k < 30; k++) {
      const to = (low + high) / 2;
      const v = (from + to) / 2;
      const { airN, tyresN, hillN } = roadForces(vehicle, v, slope);
      const wheelW = (airN + tyresN + hillN) * v + inertia * (to - from) * v;
      if (wheelW <= mostW(v, at)) low = to;
      else high = to;
    }
    return low;
  };
  let air = 0;
  let tyres = 0;
  let hills = 0;
  let brakes = 0;
  let loss = 0;
  let recovered = 0;
  let battery = 0;
  let square = 0;
  let short = 0;
  let v0 = n > 0 ? speedMs[0]! : 0;
  let metres = 0;
  let limited = false;
  let furthest = BEHIND_MS;
  let behind: UseResult['behind'] = null;
  for (let i = 0; i < n; i++) {
    const asked = speedMs[i + 1]!;
    let v1 = asked;
    let v = (v0 + v1) / 2;
    let forces = roadForces(vehicle, v, grade[i]!);
    let inertiaW = inertia * (v1 - v0) * v;
    let wheelW = (forces.airN + forces.tyresN + forces.hillN) * v + inertiaW;
    let batteryW = auxiliaryW;
    let lossW = 0;
    if (map && etaAt && v > 0) {
      // Braking reaches the shaft through the motor's share only.
      const share = wheelW >= 0 ? 1 : regenShare;
      eta = gearEfficiency * etaAt(v * map.rpmPerMs, ((wheelW * share) / v) * map.nmPerN);
    }
    if (wheelW > 0 && wheelW > mostW(v, eta) * (1 + 1e-9)) {
      limited = true;
      v1 = fastest(v0, asked, grade[i]!, eta);
      v = (v0 + v1) / 2;
      forces = roadForces(vehicle, v, grade[i]!);
      inertiaW = inertia * (v1 - v0) * v;
      wheelW = (forces.airN + forces.tyresN + forces.hillN) * v + inertiaW;
      if (asked - v1 > BEHIND_MS) short++;
      if (asked - v1 > furthest) {
        furthest = asked - v1;
        behind = { askedKmh: asked * 3.6, reachedKmh: v1 * 3.6 };
      }
    }
    const airW = forces.airN * v;
    const tyresW = forces.tyresN * v;
    const hillW = forces.hillN * v;
    if (wheelW >= 0) {
      lossW = wheelW / eta - wheelW;
      batteryW += wheelW / eta;
    } else {
      const throughMotor = Math.min(-wheelW * regenShare, regenPowerW / eta);
      const back = throughMotor * eta;
      batteryW -= back;
      recovered += back;
      lossW = throughMotor - back;
      brakes += -wheelW - throughMotor;
    }
    metres += v;
    v0 = v1;
    air += airW;
    tyres += tyresW;
    hills += hillW + inertiaW;
    loss += lossW;
    battery += batteryW;
    square += batteryW * batteryW;
    powersW[i] = batteryW;
    lossesW[i] = lossW;
  }
  const hour = 3600;
  return {
    distanceKm: metres / 1000,
    durationS: n,
    batteryWh: battery / hour,
    airWh: air / hour,
    tyresWh: tyres / hour,
    brakesWh: brakes / hour,
    hillsWh: hills / hour,
    driveLossWh: loss / hour,
    auxiliaryWh: (auxiliaryW * n) / hour,
    recoveredWh: recovered / hour,
    meanPowerW: n > 0 ? battery / n : 0,
    rmsPowerW: n > 0 ? Math.sqrt(square / n) : 0,
    peak30sPowerW: peakMean(powersW, 30),
    worstLossW: peakMean(lossesW, WORST_LOSS_S),
    shortS: short,
    limited,
    behind,
    powersW,
  };
}

function peakMean(powers: Float64Array, window: number): number {
  const width = Math.min(window, powers.length);
  if (width === 0) return 0;
  let sum = 0;
  let best = Number.NEGATIVE_INFINITY;
  for (let i = 0; i < powers.length; i++) {
    sum += powers[i]!;
    if (i >= width) sum -= powers[i - width]!;
    if (i >= width - 1 && sum > best) best = sum;
  }
  return best / width;
}

/** Battery power to hold a steady speed on a grade, W; negative downhill power is braked away, not stored. */
export function steadyBatteryPower(vehicle: RoadVehicle, drive: DriveLine, speedKmh: number, grade: number): number {
  const v = speedKmh / 3.6;
  const { airN, tyresN, hillN } = roadForces(vehicle, v, grade);
  const force = Math.max(0, airN + tyresN + hillN);
  const { map = null } = drive;
  const motor = map && v > 0 ? mapEta(map.map, v * map.rpmPerMs, force * map.nmPerN) : drive.motorEfficiency;
  return (force * v) / (drive.gearEfficiency * motor) + drive.auxiliaryW;
}
