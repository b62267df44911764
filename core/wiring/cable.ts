import { cableRating, shortA } from './rating.ts';
import type { ShortTimePoint } from './shortTime.ts';

/** A copper conductor: section, what it carries steadily and for a while, outside diameter. */
export interface CableSize {
  readonly sectionMm2: number;
  readonly continuousA: number;
  readonly outsideMm: number;
  /** What its ends carry steadily, A. @default nobody has said */
  readonly connectorA?: number | undefined;
  readonly shortTime?: readonly ShortTimePoint[] | undefined;
}

/**
 * Largest resistance of class 5 (fine-stranded) plain copper conductors at 20 °C, Ω/km by mm² (IEC 60228, from memory).
 */
const CLASS5_OHM_PER_KM: Readonly<Record<number, number>> = {
  0.5: 39,
  0.75: 26,
  1: 19.5,
  1.5: 13.3,
  2.5: 7.98,
  4: 4.95,
  6: 3.3,
  10: 1.91,
  16: 1.21,
  25: 0.78,
  35: 0.554,
  50: 0.386,
  70: 0.272,
  95: 0.206,
  120: 0.161,
};

/** Temperature coefficient of copper, 1/K, and resistivity at 20 °C, Ω·mm²/m (IEC 60028, from memory). */
const COPPER_PER_K = 0.00393;
export const COPPER_OHM_MM2_PER_M = 1 / 58;

/** Resistance of a conductor, Ω: R20·(1 + 0.00393·(T − 20)), by table, or by resistivity for a section outside it. */
export function conductorOhm(sectionMm2: number, lengthM: number, temperatureC: number): number {
  const perM = (CLASS5_OHM_PER_KM[sectionMm2] ?? (1000 * COPPER_OHM_MM2_PER_M) / sectionMm2) / 1000;
  return perM * lengthM * (1 + COPPER_PER_K * (temperatureC - 20));
}

export interface CableDuty {
  /** What it carries without end, A. */
  readonly continuousA: number;
  /** What the drop is reckoned at: rms over the use that asks most, A. @default continuousA */
  readonly useA?: number;
  /** At full throttle, or the highest mean over 30 s, A, and for how long, s. */
  readonly fullA: number;
  readonly fullS: number;
  readonly nominalV: number;
  /** One way, m; current goes there and back. */
  readonly lengthM: number;
  /** Permissible drop at the continuous current as a share of nominal. */
  readonly drop: number;
  readonly temperatureC: number;
}

export interface CableVerdict<C extends CableSize> {
  readonly cable: C;
  readonly dropV: number;
  readonly dropShare: number;
  readonly spareA: number;
  readonly fits: boolean;
  readonly short: 'continuous' | 'connector' | 'peak' | 'drop' | null;
}

/** One cable against its duty: steady current of cable and ends, full throttle, voltage drop there and back (trade §5.10). */
export function judgeCable<C extends CableSize>(cable: C, duty: CableDuty): CableVerdict<C> {
  const dropV = 2 * conductorOhm(cable.sectionMm2, duty.lengthM, duty.temperatureC) * (duty.useA ?? duty.continuousA);
  const dropShare = duty.nominalV > 0 ? dropV / duty.nominalV : 0;
  const short =
    cable.continuousA < duty.continuousA
      ? 'continuous'
      : cable.connectorA !== undefined && cable.connectorA < duty.continuousA
        ? 'connector'
        : shortA(cableRating(cable), duty.fullS) < duty.fullA
          ? 'peak'
          : dropShare > duty.drop
            ? 'drop'
            : null;
  return { cable, dropV, dropShare, spareA: cable.continuousA - duty.continuousA, fits: short === null, short };
}

/** The cables at hand that meet current, peak and drop, smallest first; empty when none does. */
export const fittingCables = <C extends CableSize>(cables: readonly C[], duty: CableDuty): CableVerdict<C>[] =>
  [...cables]
    .sort((a, b) => a.sectionMm2 - b.sectionMm2)
    .map((cable) => judgeCable(cable, duty))
    .filter((verdict) => verdict.fits);
