import type { Component } from '../component/sheets.ts';
import type { VehicleFunction } from './functions.ts';

/** Components of the catalogue that would cover a function, cheapest first, those without a price last. */
export function closersOf(name: VehicleFunction, components: Iterable<Component>): Component[] {
  const found = [...components].filter(({ covers }) => covers.includes(name));
  const price = ({ priceCents }: Component) => (priceCents > 0 ? priceCents : Number.POSITIVE_INFINITY);
  return found.sort((a, b) => price(a) - price(b) || a.name.localeCompare(b.name));
}
