import type { Component } from '../core/component/sheets.ts';
import components from './components.json' with { type: 'json' };

export type DemoComponent = Component & { readonly onHand: number };

/** The first number of each supplier's own. */
const FIRST_NUMBER = 101;

/** Each supplier numbers its parts in its own way: its letters and a running number. */
function numbered(all: readonly DemoComponent[]): DemoComponent[] {
  const next = new Map<string, number>();
  return all.map((part) => {
    const letters = part.supplier.replace(/[^A-Z]/g, '');
    const n = next.get(part.supplier) ?? FIRST_NUMBER;
    next.set(part.supplier, n + 1);
    return { ...part, partNumber: `${letters}-${n}` };
  });
}

/** About a hundred invented components, plausible for their kind; one a line in components.json. */
export const COMPONENTS = numbered(components as unknown as readonly DemoComponent[]);
