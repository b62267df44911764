import type { Library } from '../design/resolve.ts';
import { type CoverChoice, type CoverWay, type KitPart, type KitRevision, kitParts } from '../kit/kit.ts';
import { VEHICLE_FUNCTIONS, type VehicleFunction } from './functions.ts';

export interface CoverLine {
  readonly function: VehicleFunction;
  /** `kit` when a component covers it, a way chosen by a person, or `gap`. */
  readonly by: 'kit' | CoverWay | 'gap';
  /** The covering component's name, or the reason given. */
  readonly what: string;
}

/** How a job's kit and its own choices cover every function; null while it has no kit. */
export const jobCover = (
  library: Library,
  variantId: string,
  kit: { readonly revision: KitRevision; readonly options: readonly string[] } | null,
  choices: Readonly<Record<string, CoverChoice>>,
): CoverLine[] | null =>
  kit && coverOf(kitParts(kit.revision, library, variantId, kit.options), { ...kit.revision.cover, ...choices });

/** Goes through every function: a component of the kit first, then the choices made, else it is a gap. */
export function coverOf(parts: readonly KitPart[], choices: Readonly<Record<string, CoverChoice>>): CoverLine[] {
  return VEHICLE_FUNCTIONS.map((name) => {
    const part = parts.find(({ component }) => component.covers.includes(name));
    if (part) return { function: name, by: 'kit', what: part.component.name };
    const choice = choices[name];
    return choice ? { function: name, by: choice.way, what: choice.why } : { function: name, by: 'gap', what: '' };
  });
}
