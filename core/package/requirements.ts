import { type Component, componentAs } from '../component/sheets.ts';
import { type CoverLine, isCompanion } from '../fit/cover.ts';
import type { VehicleFunction } from '../fit/functions.ts';
import type { KitPart } from '../kit/kit.ts';
import { satelliteCount } from '../pack/satellites.ts';

/** A function nobody covers yet, or a kind of part that no function names and no vehicle runs without. */
export type Requirement = VehicleFunction | 'bmsSatellite' | 'inlet' | 'mainFuse';

/** Main components are the workshop's choice: nothing is proposed for these. */
const CHOSEN: ReadonlySet<Requirement> = new Set(['store', 'drive']);
/** A branch fuse is no main fuse: below this rating, A. Common practice. */
const LEAST_MAIN_FUSE_A = 63;

/** What is still wanted, beyond the main components. */
export function requirementsOf(parts: readonly KitPart[], cover: readonly CoverLine[]): Requirement[] {
  const kinds = new Set(parts.map(({ component }) => component.kind));
  const charges = kinds.has('charger') || kinds.has('combinedUnit');
  return [
    // What a part needs beside it comes with the part, not by itself.
    ...cover.flatMap(({ by, function: name }) => (by === 'gap' && !isCompanion(name) ? [name] : [])),
    ...(kinds.has('bmsSatellite') ? [] : ['bmsSatellite' as const]),
    ...(kinds.has('inlet') || !charges ? [] : ['inlet' as const]),
    ...(parts.some(({ component }) => isMainFuse(component)) ? [] : ['mainFuse' as const]),
  ].filter((one) => !CHOSEN.has(one));
}

const isMainFuse = (component: Component): boolean => {
  const fuse = componentAs(component, 'fuse');
  return fuse !== null && fuse.sheet.ratedA >= LEAST_MAIN_FUSE_A;
};

/** Does a component meet a requirement? */
export const meets = (component: Component, requirement: Requirement): boolean =>
  requirement === 'bmsSatellite' || requirement === 'inlet'
    ? component.kind === requirement
    : requirement === 'mainFuse'
      ? isMainFuse(component)
      : component.covers.includes(requirement);

/** How many of a component a pack wants: satellites by the channels of each box, one of anything else. */
export function piecesOf(component: Component, channelsPerBox: readonly number[]): number {
  const satellite = componentAs(component, 'bmsSatellite');
  return satellite ? Math.max(1, satelliteCount(channelsPerBox, satellite.sheet.channels)) : 1;
}
