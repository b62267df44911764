import type { Library } from '../design/resolve.ts';
import { type CoverChoice, type CoverWay, type KitPart, type KitRevision, kitParts } from '../kit/kit.ts';
import { companionsOf } from './companionsOf.ts';
import { VEHICLE_FUNCTIONS, type VehicleFunction } from './functions.ts';

/** What a part needs beside it, by the id of what it needs; settled like a function. */
export type CompanionKey = `companion:${string}`;
export type CoverKey = VehicleFunction | CompanionKey;

/** What a cover's key may be, beside the functions. */
export const COMPANION_KEY = /^companion:[a-z0-9][a-z0-9-]{0,80}$/;

export const isCompanion = (key: CoverKey): key is CompanionKey => key.startsWith('companion:');

export interface CoverLine {
  readonly function: CoverKey;
  /** Of a companion: "Heater needs a contactor". Functions are named by the wording. */
  readonly name?: string;
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
  kit &&
  coverOf(kitParts(kit.revision, library, variantId, kit.options), { ...kit.revision.cover, ...choices }, library);

/**
 * Goes through every function: a component of the kit first, then the choices made, else it is a gap. Then what parts need
 * beside them by their own sheets and nothing in the kit is: settled by a choice, or a gap.
 */
export function coverOf(
  parts: readonly KitPart[],
  choices: Readonly<Record<string, CoverChoice>>,
  library: Library,
): CoverLine[] {
  const lines = VEHICLE_FUNCTIONS.map((name): CoverLine => {
    const part = parts.find(({ component }) => component.covers.includes(name));
    if (part) return { function: name, by: 'kit', what: part.component.name };
    const choice = choices[name];
    return choice ? { function: name, by: choice.way, what: choice.why } : { function: name, by: 'gap', what: '' };
  });
  return [...lines, ...companionLines(parts, choices, library)];
}

/** What parts need and the kit does not bring, one line for each thing needed. */
function companionLines(
  parts: readonly KitPart[],
  choices: Readonly<Record<string, CoverChoice>>,
  library: Library,
): CoverLine[] {
  const lines = new Map<string, CoverLine>();
  for (const { component, what, id, found } of companionsIn(parts, library)) {
    const key: CompanionKey = `companion:${id}`;
    if (found || lines.has(key)) continue;
    const choice = choices[key];
    const name = `${component} needs ${what}`;
    lines.set(key, { function: key, name, by: choice?.way ?? 'gap', what: choice?.why ?? '' });
  }
  return [...lines.values()];
}

/** Everything that the sheets of parts ask for beside them, and whether it, or what does instead, is there. */
export function companionsIn(parts: readonly KitPart[], library: Library) {
  const there = new Set(parts.flatMap(({ component }) => [component.id, ...(component.alternatives ?? [])]));
  return parts.flatMap(({ component }) =>
    companionsOf(component).map(({ what, component: id }) => ({
      ...{ component: component.name, what, id },
      one: library.get(id) ?? null,
      found: there.has(id) || (library.get(id)?.alternatives ?? []).some((other) => there.has(other)),
    })),
  );
}
