import Joi from 'joi';
import type { ComponentKind } from '../core/component/sheets.ts';
import type { MoveKind, StockPlaceKind } from '../core/stores/ledger.ts';
import type { BodySize } from './address.ts';
import { A_FILE, address, answers } from './address.ts';
import { componentId, type Made, type Mutable, text, uuid, type Versioned, version, whole } from './fields.ts';
import { serialNumbers } from './parts.ts';

/** Where something is, as people say it. */
export interface StockPlaceName {
  readonly id: string;
  readonly kind: StockPlaceKind;
  /** Of the bin, vehicle, supplier or client; the number of a job. */
  readonly name: string;
  /** The job in which it is, or was last, in the house; null where there is none. */
  readonly jobNumber: string | null;
}

/** Quantities of stores are in ledger units: pieces, or millimetres where `unitSize` is 1000. */
export interface ItemRow {
  readonly id: string;
  readonly name: string;
  readonly kind: ComponentKind;
  readonly supplier: string;
  readonly partNumber: string;
  /** 1, or 1000 for what is kept by length. */
  readonly unitSize: number;
  /** Names of the bins in which some lie; its own bin where none do. */
  readonly bins: readonly string[];
  readonly onHand: number;
  readonly held: number;
  /** Wanted by jobs and not held for them. */
  readonly wanted: number;
  readonly ordered: number;
  readonly reorderAt: number | null;
  readonly priceCents: number;
}

export interface ItemPage {
  readonly rows: readonly ItemRow[];
  readonly count: number;
  /** What all of them cost, at today's prices, minor units. */
  readonly worthCents: number;
}
/** So many a page. */
export const ITEMS_A_PAGE = 200;
/** What is kept in bins, what should be ordered again, or the whole catalogue. */
export const ITEM_LISTS = ['kept', 'low', 'all'] as const;
export type ItemList = (typeof ITEM_LISTS)[number];

export interface MoveRow {
  readonly id: number;
  readonly at: string;
  readonly by: string | null;
  readonly kind: MoveKind;
  readonly quantity: number;
  readonly from: StockPlaceName;
  readonly to: StockPlaceName;
  readonly note: string;
  readonly serials: readonly string[];
}

export interface HolderRow {
  readonly partId: string;
  readonly jobNumber: string;
  readonly jobTitle: string;
  readonly state: 'missing' | 'ordered' | 'inStores' | 'picked';
  /** In units of lists. */
  readonly quantity: number;
  readonly due: string | null;
  readonly promised: string | null;
}

export interface ItemSheet extends Omit<ItemRow, 'bins'> {
  readonly binId: string | null;
  readonly reorderTo: number | null;
  readonly numbered: boolean;
  readonly places: readonly { readonly place: StockPlaceName; readonly quantity: number; readonly numbers: number }[];
  readonly holders: readonly HolderRow[];
  /** The newest first, at most a hundred. */
  readonly moves: readonly MoveRow[];
  readonly version: number;
}

export interface BinRow {
  readonly id: string;
  readonly name: string;
  readonly items: number;
  readonly closed: boolean;
  readonly countedAt: string | null;
  readonly countedBy: string | null;
  readonly version: number;
}

export interface BinLine {
  readonly componentId: string;
  readonly name: string;
  readonly partNumber: string;
  readonly unitSize: number;
  readonly quantity: number;
  readonly serials: readonly string[];
}

export interface StocktakeRow {
  readonly id: string;
  readonly at: string;
  readonly by: string;
  readonly bin: string;
  readonly note: string;
  readonly differences: readonly {
    readonly componentId: string;
    readonly name: string;
    readonly unitSize: number;
    readonly expected: number;
    readonly counted: number;
    /** At today's price, minor units. */
    readonly worthCents: number;
  }[];
  readonly lines: number;
}

const MOST = 2_000_000_000;
const MOST_LINES = 400;
const LARGE: BodySize = { bytes: 400_000, bounds: { values: 60_000, depth: 10, text: 400_000 } };

export interface BinBody {
  readonly name: string;
  readonly closed: boolean;
}
const binSchema = Joi.object<BinBody, true>({
  name: text('Bin', 40).min(1).required(),
  closed: Joi.boolean().label('Given up').required(),
});
export interface BinChange extends BinBody {
  readonly version: number;
}
const binChangeSchema = (binSchema as Joi.ObjectSchema).keys({ version }) as Joi.ObjectSchema<BinChange>;

/** How a component is kept: its bin, when to order again, by the piece or by length. */
export interface KeepingBody {
  readonly binId: string | null;
  readonly reorderAt: number | null;
  readonly reorderTo: number | null;
  readonly byLength: boolean;
  readonly version: number;
}
const keepingSchema = Joi.object<KeepingBody, true>({
  binId: uuid('Bin').allow(null).required(),
  reorderAt: whole('Order again at', 0, MOST).allow(null).required(),
  reorderTo: whole('Up to', 1, MOST).allow(null).required(),
  byLength: Joi.boolean().label('By length').required(),
  version,
});

export interface CountBody {
  readonly note: string;
  readonly lines: readonly {
    readonly componentId: string;
    /** What the books said when it was counted. */
    readonly expected: number;
    readonly counted: number;
    /** Numbers that are not there any more. */
    readonly gone: readonly string[];
  }[];
}
const countSchema = Joi.object<Mutable<CountBody>, true>({
  note: text('Note', 200).allow('').required(),
  lines: Joi.array()
    .items(
      Joi.object({
        componentId: componentId('Part').required(),
        expected: whole('In the books', 0, MOST).required(),
        counted: whole('Counted', 0, MOST).required(),
        gone: serialNumbers(500).default([]),
      }),
    )
    .min(1)
    .max(MOST_LINES)
    .unique('componentId')
    .label('Lines')
    .required(),
});

/** What came in, line by line, in ledger units. */
export interface GoodsInBody {
  /** Delivery note, donor vehicle: where it came from. */
  readonly note: string;
  readonly origin: 'delivery' | 'donor' | 'made';
  readonly lines: readonly GoodsInLine[];
}
export interface GoodsInLine {
  readonly componentId: string;
  readonly quantity: number;
  readonly serials: readonly string[];
  readonly batch: string;
  readonly binId: string | null;
}
const goodsInSchema = Joi.object<Mutable<GoodsInBody>, true>({
  note: text('Delivery note', 200).allow('').required(),
  origin: Joi.string().valid('delivery', 'donor', 'made').label('Where it comes from').required(),
  lines: Joi.array()
    .items(
      Joi.object({
        componentId: componentId('Part').required(),
        quantity: whole('Quantity', 1, MOST).required(),
        serials: serialNumbers(1000).required(),
        batch: text('Batch', 60).allow('').required(),
        binId: uuid('Bin').allow(null).required(),
      }),
    )
    .min(1)
    .max(MOST_LINES)
    .label('Lines')
    .required(),
});

export interface MoveBody {
  readonly fromBinId: string;
  /** Null: scrapped. */
  readonly toBinId: string | null;
  readonly quantity: number;
  readonly serials: readonly string[];
  readonly note: string;
}
const moveSchema = Joi.object<Mutable<MoveBody>, true>({
  fromBinId: uuid('From').required(),
  toBinId: uuid('To').allow(null).required(),
  quantity: whole('Quantity', 1, MOST).required(),
  serials: serialNumbers(1000).required(),
  note: text('Why', 200).allow('').required(),
});

export const storesAddress = {
  items: address({ method: 'get', path: '/stores/items/:list/page/:page', may: 'viewer', answer: answers<ItemPage>() }),
  findItems: address({
    method: 'get',
    path: '/stores/items/:list/find/:word/page/:page',
    may: 'viewer',
    answer: answers<ItemPage>(),
  }),
  item: address({ method: 'get', path: '/stores/items/:component', may: 'viewer', answer: answers<ItemSheet>() }),
  table: address({ method: 'get', path: '/stores/items.csv', may: 'viewer', answer: A_FILE }),
  moves: address({ method: 'get', path: '/stores/items/:component/moves.csv', may: 'viewer', answer: A_FILE }),
  label: address({ method: 'get', path: '/stores/items/:component/label.pdf', may: 'viewer', answer: A_FILE }),
  keep: address({
    method: 'put',
    path: '/stores/items/:component',
    may: 'manager',
    body: keepingSchema,
    answer: answers<Versioned>(),
  }),
  move: address({
    method: 'post',
    path: '/stores/items/:component/move',
    may: 'technician',
    body: moveSchema,
    answer: answers<Made>(),
  }),
  goodsIn: address({
    method: 'post',
    path: '/stores/goods-in',
    may: 'technician',
    body: goodsInSchema,
    size: LARGE,
    answer: answers<{ readonly lines: number }>(),
  }),
  bins: address({ method: 'get', path: '/stores/bins', may: 'viewer', answer: answers<BinRow[]>() }),
  binLabels: address({ method: 'get', path: '/stores/bins/labels.pdf', may: 'viewer', answer: A_FILE }),
  addBin: address({
    method: 'post',
    path: '/stores/bins',
    may: 'technician',
    body: binSchema,
    answer: answers<Made>(),
  }),
  changeBin: address({
    method: 'put',
    path: '/stores/bins/:id',
    may: 'manager',
    body: binChangeSchema,
    answer: answers<Versioned>(),
  }),
  inBin: address({ method: 'get', path: '/stores/bins/:id/contents', may: 'viewer', answer: answers<BinLine[]>() }),
  count: address({
    method: 'post',
    path: '/stores/bins/:id/count',
    may: 'technician',
    body: countSchema,
    size: LARGE,
    answer: answers<{ readonly id: string; readonly differences: number }>(),
  }),
  stocktakes: address({ method: 'get', path: '/stores/stocktakes', may: 'viewer', answer: answers<StocktakeRow[]>() }),
} as const;
