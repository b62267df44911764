/**
 * Power a pack gives at a current, W, and the current it really is: (V − I·R)·I, where past V/2R more current gives less
 * power, so that the current is held there and the power at V²/4R.
 */
export function powerAt(openV: number, ohm: number, wantedA: number): { amps: number; watts: number } {
  const amps = ohm > 0 ? Math.min(wantedA, openV / (2 * ohm)) : wantedA;
  return { amps, watts: (openV - amps * ohm) * amps };
}
