import type { GearWay } from '../../drive/gears.ts';
import type { MotorLimits } from '../../drive/motorCurve.ts';
import { motorPull } from '../../drive/pull.ts';
import { GRIP_DRY, GRIP_WET, gripLimit, type Stance } from '../../drive/traction.ts';
import { ladenLoads } from '../balance/ladenLoads.ts';
import { interim, interimAnswer } from '../figure.ts';
import { gearing, gears } from './gearing.ts';
import { motorNow } from './motorNow.ts';

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
  /** The same standing on a grade. */
  readonly atRest: (grade: number) => number;
  readonly motor: MotorLimits;
  readonly stance: Stance;
  readonly maxSpeedMs: number;
  readonly gears: readonly GearPull[];
  readonly engaged: GearPull;
  /** Gears above the engaged one that are changed into; empty without gear changes. */
  readonly upper: readonly GearPull[];
  readonly gripDryN: number;
  readonly gripWetN: number;
}

/** Pull at the wheels with every limit in it: motor and its caps, pack power, grip with weight transfer. */
export const pull = interim({
  id: 'pull',
  needs: { gears, gearing, motorNow, ladenLoads },
  reads: ['drive', 'vehicle'],
  compute: ({ gears: ways, gearing: g, motorNow: motor, ladenLoads: loads }, { drive, vehicle }, read) => {
    const stance: Stance = {
      frontAxleKg: Math.max(0, loads.frontKg),
      rearAxleKg: Math.max(0, loads.rearKg),
      wheelbaseM: read('wheelbase') / 1000,
      massCentreHeightM: read('massCentreHeight') / 1000,
      drivenAxle: vehicle.variant.drivenAxle,
    };
    const gripDryN = gripLimit(stance, GRIP_DRY);
    const inGear = (way: GearWay): GearPull => ({
      way,
      motorN: (v) => motorPull(motor.peak, way, v),
      continuousN: (v) => motorPull(motor.continuous, way, v),
      at: (v) => Math.min(motorPull(motor.peak, way, v), gripDryN),
      maxSpeedMs: ((motor.peak.maxRpm / way.ratio) * 2 * Math.PI * way.wheelRadiusM) / 60,
    });
    const all = ways.map(inGear);
    const index = Math.max(0, ways.indexOf(g));
    const engaged = all[index]!;
    const upper = drive.shifting ? all.slice(index + 1) : [];
    const value: Pull = {
      at: upper.length === 0 ? engaged.at : (v) => Math.max(engaged.at(v), ...upper.map((gear) => gear.at(v))),
      atRest: (grade) => Math.min(engaged.motorN(0), gripLimit(stance, GRIP_DRY, grade)),
      motor: motor.peak,
      stance,
      maxSpeedMs: Math.max(engaged.maxSpeedMs, ...upper.map((gear) => gear.maxSpeedMs)),
      gears: all,
      engaged,
      upper,
      gripDryN,
      gripWetN: gripLimit(stance, GRIP_WET),
    };
    return interimAnswer(value, 'drive sheet; grip 0.8, common practice');
  },
});
