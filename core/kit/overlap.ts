import { rootOf } from '../vehicle/revisions.ts';
import type { KitLine } from './kit.ts';

type When = KitLine['appliesWhen'];

/** Is there a variant and a choice of options with which both of these apply? */
export function canBoth(a: When, b: When): boolean {
  if (a?.variantIds && b?.variantIds) {
    const other = new Set(b.variantIds.map(rootOf));
    if (!a.variantIds.some((id) => other.has(rootOf(id)))) return false;
  }
  if (a?.option && a.option === b?.without) return false;
  return !(b?.option && b.option === a?.without);
}

/**
 * Pairs of lines that name one component and can apply to one vehicle: it would be counted twice. Fourteen modules always
 * and thirteen with the boot kept make twenty-seven.
 *
 * @returns positions in the list, the earlier one first
 */
export function doubled(lines: readonly Pick<KitLine, 'componentId' | 'appliesWhen'>[]): [number, number][] {
  const pairs: [number, number][] = [];
  const seen = new Map<string, number[]>();
  for (const [i, { componentId, appliesWhen }] of lines.entries()) {
    const before = seen.get(componentId) ?? [];
    for (const k of before) if (canBoth(lines[k]!.appliesWhen, appliesWhen)) pairs.push([k, i]);
    seen.set(componentId, [...before, i]);
  }
  return pairs;
}
