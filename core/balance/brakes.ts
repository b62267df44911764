import { GRAVITY } from '../road/roadLoad.ts';

/** Where a vehicle's mass sits, for its brakes. */
export interface BrakeStance {
  readonly frontKg: number;
  readonly rearKg: number;
  readonly wheelbaseMm: number;
  readonly massCentreHeightMm: number;
}

/** Decelerations a review is asked at, in g. */
export const REVIEW_G = [0.2, 0.4, 0.6, 0.8] as const;

/**
 * Share of the braking that the front axle should do at a deceleration z (in g), so that both axles use as much grip: its
 * share of the load with the transfer, (m_front + m·z·h/L)/m (trade §5.4, §5.19; moments). Held to 0..1: at more than
 * the rear axle can give, it lifts.
 */
export function idealFrontShare({ frontKg, rearKg, wheelbaseMm, massCentreHeightMm }: BrakeStance, z: number): number {
  const mass = frontKg + rearKg;
  return Math.min(1, Math.max(0, (frontKg + (mass * z * massCentreHeightMm) / wheelbaseMm) / mass));
}

/**
 * Deceleration up to which the front axle, with this installed share of the braking, comes to its grip first, in g: where
 * the ideal share is the installed one, (share·m − m_front)·L = m·z·h. Harder, the rear wheels lock first and the vehicle
 * turns round. Zero or less: the rear always locks first.
 */
export const rearLocksFromG = (
  { frontKg, rearKg, wheelbaseMm, massCentreHeightMm }: BrakeStance,
  installedFrontShare: number,
): number => {
  const mass = frontKg + rearKg;
  return ((installedFrontShare * mass - frontKg) * wheelbaseMm) / (mass * massCentreHeightMm);
};

/** Deceleration at which the rear wheels would lift, in g: m_rear·L = m·z·h. */
export const rearLiftsAtG = ({ frontKg, rearKg, wheelbaseMm, massCentreHeightMm }: BrakeStance): number =>
  (rearKg * wheelbaseMm) / ((frontKg + rearKg) * massCentreHeightMm);

/** Energy of one stop from a speed, turning parts included, Wh. */
export const stopEnergyWh = (massKg: number, rotationFactor: number, speedMs: number): number =>
  (0.5 * massKg * rotationFactor * speedMs ** 2) / 3600;

/** Share of a stop at a deceleration that a regeneration power takes: P over the mean braking power m·k·z·g·v/2, at most 1. */
export function regenShareOfStop(
  massKg: number,
  rotationFactor: number,
  speedMs: number,
  z: number,
  regenW: number,
): number {
  const meanW = (massKg * rotationFactor * z * GRAVITY * speedMs) / 2;
  return meanW > 0 ? Math.min(1, regenW / meanW) : 1;
}
