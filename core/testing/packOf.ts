import type { ModuleSheet } from '../component/sheets.ts';
import { type ComposedPack, type ComposeProblem, composePack } from '../pack/compose.ts';

/** A pack of equal modules in one box, for tests. */
export const packOf = (sheet: ModuleSheet, modules: number, strings: number): ComposedPack | ComposeProblem =>
  composePack([{ name: 'box', modules, parallel: strings, sheet, capacityAh: sheet.capacityAh, pack: 1 }], 'one');
