import { e24Down } from './e24.ts';

export interface PrechargeWish {
  readonly fullV: number;
  readonly capacitanceF: number;
  /** Time in which the share must be reached, s. */
  readonly timeS: number;
  /** Share of the pack voltage, 0..1. */
  readonly share: number;
}

export interface Precharge {
  /** Resistance that takes exactly the wished time, Ω. */
  readonly idealOhm: number;
  /** Next E24 value not above it, Ω: not slower than wished. */
  readonly chosenOhm: number;
  /** Time with the chosen value, s. */
  readonly timeS: number;
  /** Energy into the resistor in one precharge, J: as much as ends up in the link. */
  readonly energyJ: number;
  readonly peakW: number;
  readonly peakA: number;
  /** After this long without the share something is wrong: open again and say so, s. */
  readonly timeOutS: number;
}

/** Three times the wished time before giving up; common practice. */
const PATIENCE = 3;

/**
 * Precharge resistor of a link: t = −R·C·ln(1 − p), energy ½·C·V², peak V²/R (trade §5.9; charging of a capacitor, any
 * textbook). Throws for a share outside (0, 1) or values not above zero: that is a fault of the caller.
 */
export function precharge({ fullV, capacitanceF, timeS, share }: PrechargeWish): Precharge {
  if (!(share > 0 && share < 1) || !(fullV > 0) || !(capacitanceF > 0) || !(timeS > 0))
    throw new RangeError('precharge needs a share between 0 and 1 and positive voltage, capacitance and time');
  const constants = -Math.log(1 - share);
  const idealOhm = timeS / (capacitanceF * constants);
  const chosenOhm = e24Down(idealOhm);
  return {
    idealOhm,
    chosenOhm,
    timeS: chosenOhm * capacitanceF * constants,
    energyJ: 0.5 * capacitanceF * fullV * fullV,
    peakW: (fullV * fullV) / chosenOhm,
    peakA: fullV / chosenOhm,
    timeOutS: PATIENCE * timeS,
  };
}

/** Link voltage over time while precharging, V. */
export const linkVoltage = (fullV: number, ohm: number, capacitanceF: number, timeS: number): number =>
  fullV * (1 - Math.exp(-timeS / (ohm * capacitanceF)));
