import type { HeldBy } from '../../chain/links.ts';
import { type Chain, heldAt } from '../../chain/solve.ts';
import type { GearWay } from '../../drive/gears.ts';
import type { MotorLimits } from '../../drive/motorCurve.ts';
import { motorPull, rpmAt } from '../../drive/pull.ts';
import { GRIP_DRY, GRIP_WET, gripLimit, type Stance } from '../../drive/traction.ts';
import { ladenLoads } from '../balance/ladenLoads.ts';
import { type Entry, interim, interimAnswer } from '../figure.ts';
import { chainContinuous, chainPeak, chainPeakFrost, chainPeakLow } from './chain.ts';
import { gearing, gears } from './gearing.ts';

/** Pull in one gear, tyres asked last. */
export interface GearPull {
  readonly way: GearWay;
  /** What the motor brings to the road, N, before grip is asked. */
  readonly motorN: (speedMs: number) => number;
  readonly continuousN: (speedMs: number) => number;
  /** The same held to dry grip. */
  readonly at: (speedMs: number) => number;
  readonly maxSpeedMs: number;
}

export interface Pull {
  /** Force at the road by speed, N, on the level with dry grip: the gear engaged, or the best of those changed into. */
  readonly at: (speedMs: number) => number;
  /** What the drive brings to the road by speed, N, before grip is asked. */
  readonly motorN: (speedMs: number) => number;
  /** Force at the road at a speed on a grade, N: grip there too. */
  readonly onGrade: (speedMs: number, grade: number) => number;
  /** The link that holds the pull at a speed and grade. */
  readonly heldBy: (speedMs: number, grade?: number) => HeldBy;
  readonly motor: MotorLimits;
  readonly motorPart: string | null;
  readonly stance: Stance;
  readonly maxSpeedMs: number;
  readonly gears: readonly GearPull[];
  readonly engaged: GearPull;
  /** Gears above the engaged one that are changed into; empty without gear changes. */
  readonly upper: readonly GearPull[];
  readonly gripDryN: number;
  readonly gripWetN: number;
}

function pullIn(id: string, peak: Entry<Chain>): Entry<Pull> {
  return interim({
    id,
    needs: { gears, gearing, peak, chainContinuous, ladenLoads },
    reads: ['drive', 'vehicle'],
    compute: ({ gears: ways, gearing: g, peak: chain, chainContinuous: long, ladenLoads: loads }, slots, read) => {
      const { drive, vehicle } = slots;
      const stance: Stance = {
        frontAxleKg: Math.max(0, loads.frontKg),
        rearAxleKg: Math.max(0, loads.rearKg),
        wheelbaseM: read('wheelbase') / 1000,
        massCentreHeightM: read('massCentreHeight') / 1000,
        drivenAxle: vehicle.variant.drivenAxle,
      };
      const { motor } = chain;
      const gripDryN = gripLimit(stance, GRIP_DRY);
      const inGear = (way: GearWay): GearPull => ({
        way,
        motorN: (v) => motorPull(motor, way, v),
        continuousN: (v) => motorPull(long.motor, way, v),
        at: (v) => Math.min(motorPull(motor, way, v), gripDryN),
        maxSpeedMs: ((motor.maxRpm / way.ratio) * 2 * Math.PI * way.wheelRadiusM) / 60,
      });
      const all = ways.map(inGear);
      const index = Math.max(0, ways.indexOf(g));
      const engaged = all[index]!;
      const upper = drive.shifting ? all.slice(index + 1) : [];
      const driven = [engaged, ...upper];
      const best = (v: number) => driven.reduce((a, b) => (b.motorN(v) > a.motorN(v) ? b : a));
      const motorN = upper.length === 0 ? engaged.motorN : (v: number) => best(v).motorN(v);
      const value: Pull = {
        at: (v) => Math.min(motorN(v), gripDryN),
        motorN,
        onGrade: (v, grade) => Math.min(motorN(v), gripLimit(stance, GRIP_DRY, grade)),
        heldBy: (v, grade = 0) => {
          const gear = best(v);
          if (gripLimit(stance, GRIP_DRY, grade) < gear.motorN(v)) return { link: 'grip', part: null };
          return heldAt(chain, rpmAt(gear.way, v));
        },
        motor,
        motorPart: chain.ask.motor.part,
        stance,
        maxSpeedMs: Math.max(...driven.map((gear) => gear.maxSpeedMs)),
        gears: all,
        engaged,
        upper,
        gripDryN,
        gripWetN: gripLimit(stance, GRIP_WET),
      };
      return interimAnswer(value, 'every link from cell to road; grip 0.8, common practice');
    },
  });
}

/** Pull at the wheels with every limit in it: from the cells to the motor, and grip with weight transfer. */
export const pull = pullIn('pull', chainPeak);
/** The same on a day at freezing. */
export const pullFrost = pullIn('pullFrost', chainPeakFrost);
/** The same with a fifth of the charge left. */
export const pullLow = pullIn('pullLow', chainPeakLow);
