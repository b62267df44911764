import type { NumberRow } from '../contract/numbers.ts';
import type { StockPlaceName } from '../contract/stores.ts';
import type { MoveKind } from '../core/stores/ledger.ts';
import type { SerialOrigin } from '../core/stores/serials.ts';

/** What a movement was. */
export const MOVE_KIND_NAME: Readonly<Record<MoveKind, string>> = {
  opening: 'There from the start',
  received: 'Came in',
  moved: 'Moved',
  picked: 'Picked',
  putBack: 'Put back',
  fitted: 'Fitted',
  takenOut: 'Taken out',
  sent: 'Sent with a kit',
  counted: 'Counted',
  scrapped: 'Scrapped',
  returned: 'Sent back',
  sold: 'Sold',
  made: 'Made here',
};

export const ORIGIN_NAME: Readonly<Record<SerialOrigin, string>> = {
  delivery: 'delivered',
  donor: 'out of a donor',
  made: 'made here',
  unknown: 'here before it was written down',
};

/** Where something is, in a few words: "A1", "box of 26-101", "Hotel shuttle, 26-104". */
export function placeSays({ kind, name, jobNumber }: Pick<StockPlaceName, 'kind' | 'name' | 'jobNumber'>): string {
  if (kind === 'job') return `box of ${name}`;
  if (kind === 'vehicle') return jobNumber ? `${name}, ${jobNumber}` : name;
  if (kind === 'scrap') return 'scrapped';
  if (kind === 'refurbishing') return `into ${name}`;
  if (kind === 'count') return 'the count';
  return name;
}

const NNBSP = '\u202f';

/** A quantity of stores: "12", or metres to the centimetre where it is kept by length. */
export const stockText = (quantity: number, unitSize: number): string =>
  unitSize === 1 ? String(quantity) : `${Number((quantity / unitSize).toFixed(2))}${NNBSP}m`;

/** A number to choose: where it lies, what it holds, and what it is wanted or worked on for. */
export const numberChoice = (row: NumberRow): { value: string; label: string } => ({
  value: row.serial,
  label: [
    ...[row.serial, placeSays(row.place)],
    row.graded && `${row.graded.capacityAh} Ah`,
    row.forJob && `held for ${row.forJob}`,
    row.beingRefurbished && 'being refurbished',
  ]
    .filter(Boolean)
    .join(', '),
});
