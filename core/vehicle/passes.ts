import type { Bay, PassThrough, Variant } from './variant.ts';

/** What a person wrote for a place, so that "Rear bed" and "rear-bed" are one. */
export const placeWord = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

const namesOf = (bay: Bay): Set<string> => new Set([placeWord(bay.key), placeWord(bay.name)]);

/** A bay that is reached from under the vehicle: a cable comes to it in the open, clipped to the floor or the frame. */
const inTheOpen = ({ inside, access }: Bay): boolean => !inside && /under|below|side/i.test(access);

/** The bay where a drive stands: the one whose middle is nearest to it, along the vehicle. Null: no bay is known. */
export const driveBay = ({ bays }: Pick<Variant, 'bays'>, driveXMm: number): Bay | null =>
  [...bays].sort((a, b) => Math.abs(a.xMm - driveXMm) - Math.abs(b.xMm - driveXMm))[0] ?? null;

/**
 * The passes on the way between two bays, in order; `[]`: none is needed, both lie in one place or open below; null: no
 * pass that leads there is known. Fewest holes first. A place that two bays or passes call by one word is one place.
 */
export function wayBetween(passes: readonly PassThrough[], from: Bay, to: Bay): PassThrough[] | null {
  if (from.key === to.key || (inTheOpen(from) && inTheOpen(to))) return [];
  const goal = namesOf(to);
  const seen = new Set<string>(namesOf(from));
  let edge: { at: string; way: PassThrough[] }[] = [...seen].map((at) => ({ at, way: [] }));
  while (edge.length > 0) {
    const next: typeof edge = [];
    for (const { at, way } of edge) {
      if (goal.has(at)) return way;
      for (const pass of passes) {
        const [a, b] = [placeWord(pass.from), placeWord(pass.to)];
        const other = a === at ? b : b === at ? a : null;
        if (other === null || seen.has(other)) continue;
        seen.add(other);
        next.push({ at: other, way: [...way, pass] });
      }
    }
    edge = next;
  }
  // One end in the open: the other is reached from below where a bay open there would be, by no hole that is known.
  return inTheOpen(from) !== inTheOpen(to) && openBelow(from, to) ? [] : null;
}

/** An engine bay is open below: from there a cable comes to a bay under the floor without a hole. */
const openBelow = (a: Bay, b: Bay): boolean =>
  [a, b].some((bay) => !bay.inside && /bonnet|engine/i.test(`${bay.access} ${bay.name}`));
