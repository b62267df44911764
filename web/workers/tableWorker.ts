import { expose } from 'comlink';
import { readComponentTable } from '../../wording/componentTable.ts';
import { readPriceList } from '../../wording/priceList.ts';
import { readVariants } from '../../wording/variantTable.ts';

/** Reads tables away from the page: two thousand components, or five hundred models, are held against their schema. */
const READERS = {
  prices: readPriceList,
  components: readComponentTable,
  models: (text: string) => readVariants(text),
};
export type TableReaders = typeof READERS;

expose(READERS);
