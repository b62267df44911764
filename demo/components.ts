import type { Component } from '../core/component/sheets.ts';
import components from './components.json' with { type: 'json' };

export type DemoComponent = Component & { readonly onHand: number };

/** About a hundred invented components, plausible for their kind; one a line in components.json. */
export const COMPONENTS = components as unknown as readonly DemoComponent[];
