import type { Component } from '../component/sheets.ts';
import { type CoverKey, isCompanion } from './cover.ts';

/** Does a component close a line of the cover: does it the function, or is it (or does instead of) what a part needs? */
export const closes = (
  { id, covers, alternatives = [] }: Pick<Component, 'id' | 'covers' | 'alternatives'>,
  key: CoverKey,
) => (isCompanion(key) ? [id, ...alternatives].some((one) => key === `companion:${one}`) : covers.includes(key));

/** Components of the catalogue that would close a line of the cover, cheapest first, those without a price last. */
export function closersOf(key: CoverKey, components: Iterable<Component>): Component[] {
  const found = [...components].filter((one) => closes(one, key));
  const price = ({ priceCents }: Component) => (priceCents > 0 ? priceCents : Number.POSITIVE_INFINITY);
  return found.sort((a, b) => price(a) - price(b) || a.name.localeCompare(b.name));
}
