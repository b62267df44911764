import { type RoadVehicle, roadForces } from '../road/roadLoad.ts';
import { fitTwoTerms } from './leastSquares.ts';
import type { Log } from './readLog.ts';

/** What a road log shows of the way from battery to road. */
export interface RoadEfficiency {
  /** Work at the road ÷ energy taken for it, 0..1, with its standard error. */
  readonly efficiency: number;
  readonly error: number;
  /** What is drawn besides driving, W. */
  readonly besidesW: number;
  readonly windows: number;
}
export type RoadEfficiencyProblem = 'noSpeedInLog' | 'tooFewPulls' | 'notTheVehicle';

/** Length of a stretch over which energy and work are summed, s: long enough for a speed in whole km/h. */
const STRETCH_S = 5;
/** A stretch counts where the road asks at least this of the drive, W: less is lost in the noise of the speed. */
const LEAST_W = 1500;
const FEWEST = 8;

/**
 * Fits E = W/η + P0·t over stretches of five seconds that pull: E from the battery, W the work of tyres, air and change
 * of speed by the vehicle's own figures (∫(m·g·C_rr + ½·ρ·CdA·v²)v dt + ½·m·k·Δv²), level road. What it says rests on
 * those figures: adopt a coast-down first. Amperes are positive on discharge.
 */
export function fitRoadEfficiency(
  { columns }: Log,
  vehicle: RoadVehicle,
  discharging = dischargeSign(columns),
): RoadEfficiency | RoadEfficiencyProblem {
  const { time, volts, amps, speed } = columns;
  if (!time || !volts || !amps || !speed) return 'noSpeedInLog';
  const work: number[] = [];
  const span: number[] = [];
  const taken: number[] = [];
  let from = 0;
  while (from < time.length - 1) {
    let to = from;
    let energy = 0;
    let asked = 0;
    let whole = true;
    while (to < time.length - 1 && time[to]! - time[from]! < STRETCH_S - 1e-9) {
      const dt = time[to + 1]! - time[to]!;
      if (dt > STRETCH_S) whole = false;
      const v = (speed[to]! + speed[to + 1]!) / 2 / 3.6;
      const { tyresN, airN } = roadForces(vehicle, v, 0);
      asked += (tyresN + airN) * v * dt;
      const watts = (discharging * (volts[to]! * amps[to]! + volts[to + 1]! * amps[to + 1]!)) / 2;
      // What is put back within a stretch comes through other losses: the whole stretch is left out.
      if (watts < 0) whole = false;
      energy += watts * dt;
      to++;
    }
    const [before, after] = [speed[from]! / 3.6, speed[to]! / 3.6];
    asked += (vehicle.massKg * vehicle.rotationFactor * (after ** 2 - before ** 2)) / 2;
    const dt = time[to]! - time[from]!;
    if (whole && dt > 0 && asked / dt >= LEAST_W && energy > 0) {
      work.push(asked);
      span.push(dt);
      taken.push(energy);
    }
    from = Math.max(to, from + 1);
  }
  const fit = work.length < FEWEST ? null : fitTwoTerms(work, span, taken);
  if (!fit) return 'tooFewPulls';
  // No drive gives more than it takes, or eats half of it twice over: mass, tyres or air are another vehicle's.
  if (!(fit.a > 1 && fit.a < 4)) return 'notTheVehicle';
  return { efficiency: 1 / fit.a, error: fit.aError / fit.a ** 2, besidesW: fit.b, windows: work.length };
}

/** +1 where positive amperes discharge: the sign that takes more than it puts back. */
export function dischargeSign({ volts, amps }: Log['columns']): 1 | -1 {
  if (!volts || !amps) return 1;
  let sum = 0;
  for (let i = 0; i < volts.length; i++) sum += volts[i]! * amps[i]!;
  return sum < 0 ? -1 : 1;
}
