import type { QuantityKind } from '../quantity/kinds.ts';
import { LINK_NAME, type LinkId } from './links.ts';
import type { Chain } from './solve.ts';

/** A link of the chain as a person reads it: what it allows, what full throttle asks of it, what is left. */
export interface ChainRow {
  readonly name: string;
  readonly part: string | null;
  readonly kind: QuantityKind;
  /** What it allows; null: nobody stated it, so it holds nothing back and may still be the weakest. */
  readonly limit: number | null;
  readonly asked: number;
  /** Share of the limit that is left; for a lowest voltage, how far above it the pack stays. Null where the limit is not known. */
  readonly left: number | null;
  /** It is what holds full throttle back, or the pull from rest. */
  readonly holds: boolean;
}

/** A link behind the motor that is not solved for but asked: a part of the driveline, the tyres. */
export interface BehindMotor {
  readonly name: string;
  readonly part: string | null;
  readonly kind: QuantityKind;
  readonly limit: number;
  readonly asked: number;
  readonly holds: boolean;
}

/** The whole chain in the order in which power passes it, from the cells to the road. */
export function chainRows(chain: Chain, behind: readonly BehindMotor[]): ChainRow[] {
  const { ask, full, motor: now, torqueBy } = chain;
  const { motor } = ask;
  // From rest the tyres may slip before torque is asked for: then they hold it, not the motor.
  const slips = behind.some((one) => one.holds);
  const held = (link: LinkId) => full.heldBy.link === link || (!slips && torqueBy.link === link);
  const row = (
    link: LinkId,
    part: string | null,
    kind: QuantityKind,
    limit: number | null,
    asked: number,
  ): ChainRow => ({
    name: LINK_NAME[link],
    part,
    kind,
    limit,
    asked,
    left: limit === null ? null : kind === 'voltage' ? asked / limit - 1 : 1 - asked / limit,
    holds: limit !== null && held(link),
  });
  const battery = ask.battery.map(({ link, part, quantity, limit, whole }) =>
    quantity === 'voltage'
      ? row(link, part, 'voltage', limit, full.volts)
      : row(link, part, 'current', limit, full.amps + (whole ? ask.besideA : 0)),
  );
  const sheetNm = motor.curve ? Math.max(...motor.curve.map((point) => point[motor.column])) : motor.torqueNm;
  const rows = [
    ...battery,
    ...(ask.resistanceOhm > 0
      ? [row('packPower', null, 'current', ask.openV / (2 * ask.resistanceOhm), full.amps + ask.besideA)]
      : []),
    row('phaseCurrent', null, 'torque', motor.phaseNm === null ? null : motor.phaseNm * motor.motors, now.peakTorqueNm),
    row('motorTorque', motor.part, 'torque', sheetNm * motor.motors, now.peakTorqueNm),
    ...(motor.torqueCapNm === null ? [] : [row('torqueCap', null, 'torque', motor.torqueCapNm, now.peakTorqueNm)]),
    row('motorPower', motor.part, 'shaftPower', motor.powerW * motor.motors, full.shaftW),
    ...(motor.powerCapW === null ? [] : [row('powerCap', null, 'shaftPower', motor.powerCapW, full.shaftW)]),
  ];
  return [...rows, ...behind.map((one) => ({ ...one, left: 1 - one.asked / one.limit }))];
}
