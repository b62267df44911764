import { expose } from 'comlink';
import type { ComponentKind } from '../../core/component/sheets.ts';
import type { Currency } from '../../core/quantity/currency.ts';
import { type ReadTable, readComponentTable } from '../../wording/componentTable.ts';

/** Reads a table of components away from the page: two thousand rows are held against their schema. */
export const read = (kind: ComponentKind, text: string, currency: Currency): Promise<ReadTable> =>
  readComponentTable(kind, text, { currency });

expose({ read });
