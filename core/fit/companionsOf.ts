import type { Component } from '../component/sheets.ts';
import { componentAs } from '../component/sheets.ts';

const KINDS = ['heater', 'hvPump', 'inlet', 'contactorBox', 'other'] as const;
/** What a component needs to work, by its sheet. */
export const companionsOf = (component: Component) =>
  KINDS.map((kind) => componentAs(component, kind)?.sheet.companions).find((list) => list !== undefined) ?? [];
