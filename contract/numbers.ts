import Joi from 'joi';
import type { ComponentKind } from '../core/component/sheets.ts';
import type { MoveKind } from '../core/stores/ledger.ts';
import type { RefurbishingCost, RefurbishingState } from '../core/stores/refurbishing.ts';
import type { SerialOrigin } from '../core/stores/serials.ts';
import { A_FILE, address, answers } from './address.ts';
import { isoDate, type Made, type Mutable, text, uuid, type Versioned, version } from './fields.ts';
import { serialNumbers } from './parts.ts';
import type { StockPlaceName } from './stores.ts';

/** What a module was found to hold. */
export interface GradingRow {
  readonly id: string;
  readonly day: string;
  readonly capacityAh: number;
  readonly energyWh: number | null;
  readonly resistanceOhm: number | null;
  readonly temperatureC: number | null;
  readonly currentA: number | null;
  readonly fromV: number | null;
  readonly toV: number | null;
  readonly method: string;
  readonly by: string | null;
  /** Its log among the files. */
  readonly logFileId: string | null;
}

/** A thing with a number of its own. */
export interface NumberRow {
  readonly id: string;
  readonly serial: string;
  readonly componentId: string;
  readonly component: string;
  readonly kind: ComponentKind;
  readonly batch: string;
  readonly origin: SerialOrigin;
  readonly originNote: string;
  readonly place: StockPlaceName;
  /** The job it is held for, or was fitted by. */
  readonly forJob: string | null;
  readonly pack: string | null;
  readonly graded: GradingRow | null;
  readonly warrantyUntil: string | null;
  /** An order to make it good again is in hand: it stays in its bin until that is over. */
  readonly beingRefurbished: boolean;
}

export interface NumberPage {
  readonly rows: readonly NumberRow[];
  readonly count: number;
}
/** So many a page. */
export const NUMBERS_A_PAGE = 100;

/** One thing that happened to a number, the newest last. */
export type NumberEvent = { readonly at: string; readonly by: string | null } & (
  | {
      readonly what: 'moved';
      readonly kind: MoveKind;
      readonly from: StockPlaceName;
      readonly to: StockPlaceName;
      readonly note: string;
    }
  | { readonly what: 'graded'; readonly grading: GradingRow }
  | { readonly what: 'packed' | 'unpacked'; readonly pack: string }
);

/** An order on a numbered thing: to make it good again. */
export interface RefurbishingRow extends RefurbishingCost {
  readonly id: string;
  readonly what: string;
  readonly state: RefurbishingState;
  readonly boughtCents: number | null;
  /** How it was proved good, or why it was given up. */
  readonly ended: string | null;
  readonly warrantyUntil: string | null;
  readonly by: string;
  readonly at: string;
  readonly endedBy: string | null;
  readonly endedAt: string | null;
  readonly hours: number;
  readonly parts: readonly { readonly name: string; readonly quantity: number; readonly unitCents: number }[];
  readonly work: readonly {
    readonly by: string;
    readonly hours: number;
    readonly day: string;
    readonly what: string;
  }[];
  readonly version: number;
}

export interface NumberSheet extends NumberRow {
  /** The newest first. */
  readonly refurbishing: readonly RefurbishingRow[];
  /** Of a new one, own currency. */
  readonly newCents: number;
  readonly note: string;
  readonly events: readonly NumberEvent[];
  readonly version: number;
}

/** A vehicle, or a kit that was sent, which carries what was looked for. */
export interface RecallRow {
  readonly jobNumber: string | null;
  readonly orderNumber: string | null;
  readonly vehicle: string;
  readonly client: string;
  readonly contact: string;
  /** In the house, handed over, or at the client's. */
  readonly where: 'house' | 'client';
  readonly component: string;
  readonly serials: readonly string[];
}
export interface RecallAnswer {
  /** What the word was found to be. */
  readonly found: readonly ('serial' | 'batch' | 'kitRevision' | 'component')[];
  readonly rows: readonly RecallRow[];
  /** Numbers that are not in a vehicle: in bins, in boxes of jobs, scrapped. */
  readonly elsewhere: readonly Pick<NumberRow, 'id' | 'serial' | 'component' | 'batch' | 'place'>[];
}

export interface NumberBody {
  readonly batch: string;
  readonly warrantyUntil: string | null;
  readonly note: string;
  readonly version: number;
}
const numberSchema = Joi.object<NumberBody, true>({
  batch: text('Batch', 60).allow('').required(),
  warrantyUntil: isoDate('Warranty until').allow(null).required(),
  note: text('Note', 500).allow('').required(),
  version,
});

export interface GiveNumbersBody {
  readonly binId: string;
  readonly serials: readonly string[];
  readonly batch: string;
}
const giveSchema = Joi.object<Mutable<GiveNumbersBody>, true>({
  binId: uuid('Bin').required(),
  serials: serialNumbers(1000).min(1).required(),
  batch: text('Batch', 60).allow('').required(),
});

export interface PackRow {
  readonly id: string;
  readonly name: string;
  readonly note: string;
  readonly madeAt: string;
  readonly endedAt: string | null;
  readonly modules: readonly Pick<NumberRow, 'id' | 'serial' | 'component' | 'place'>[];
  /** Packs that some of its modules went on into, and where they came from. */
  readonly wentInto: readonly string[];
  readonly cameFrom: readonly string[];
  readonly version: number;
}

export interface PackBody {
  readonly name: string;
  readonly note: string;
  readonly serialIds: readonly string[];
}
const packSchema = Joi.object<Mutable<PackBody>, true>({
  name: text('Name', 40).min(1).required(),
  note: text('Note', 200).allow('').required(),
  serialIds: Joi.array().items(uuid('Number')).min(1).max(1000).unique().label('Modules').required(),
});

/** Modules out of a pack: into another one, into a new one of this name, or into none. */
export interface SplitBody {
  readonly serialIds: readonly string[];
  readonly intoPackId: string | null;
  readonly newName: string;
  readonly version: number;
}
const splitSchema = Joi.object<Mutable<SplitBody>, true>({
  serialIds: Joi.array().items(uuid('Number')).min(1).max(1000).unique().label('Modules').required(),
  intoPackId: uuid('Pack').allow(null).required(),
  newName: text('Name', 40).allow('').required(),
  version,
});

/** Where a whole pack goes: into a bin, or into the vehicle of a job. */
export interface PackMoveBody {
  readonly binId: string | null;
  readonly jobNumber: string | null;
  readonly why: string;
  readonly version: number;
}
const packMoveSchema = Joi.object<PackMoveBody, true>({
  binId: uuid('Bin').allow(null).required(),
  jobNumber: Joi.string()
    .pattern(/^\d{2}-\d{3,5}$/, { name: 'is not the number of a job' })
    .allow(null)
    .label('Job')
    .required(),
  why: text('Why', 200).min(3).required(),
  version,
});

export const numbersAddress = {
  page: address({ method: 'get', path: '/stores/numbers/page/:page', may: 'viewer', answer: answers<NumberPage>() }),
  find: address({
    method: 'get',
    path: '/stores/numbers/find/:word/page/:page',
    may: 'viewer',
    answer: answers<NumberPage>(),
  }),
  table: address({ method: 'get', path: '/stores/numbers.csv', may: 'viewer', answer: A_FILE }),
  one: address({ method: 'get', path: '/stores/numbers/:id', may: 'viewer', answer: answers<NumberSheet>() }),
  label: address({ method: 'get', path: '/stores/numbers/:id/label.pdf', may: 'viewer', answer: A_FILE }),
  change: address({
    method: 'put',
    path: '/stores/numbers/:id',
    may: 'technician',
    body: numberSchema,
    answer: answers<Versioned>(),
  }),
  /** Those of a component that lie in bins. */
  inBins: address({
    method: 'get',
    path: '/stores/items/:component/numbers',
    may: 'viewer',
    answer: answers<NumberRow[]>(),
  }),
  /** Writes numbers on pieces that had none. */
  give: address({
    method: 'post',
    path: '/stores/items/:component/numbers',
    may: 'technician',
    body: giveSchema,
    answer: answers<{ readonly numbers: number }>(),
  }),
  recall: address({ method: 'get', path: '/stores/recall/:word', may: 'viewer', answer: answers<RecallAnswer>() }),
  recallTable: address({ method: 'get', path: '/stores/recall/:word/list.csv', may: 'viewer', answer: A_FILE }),
  packs: address({ method: 'get', path: '/stores/packs', may: 'viewer', answer: answers<PackRow[]>() }),
  makePack: address({
    method: 'post',
    path: '/stores/packs',
    may: 'technician',
    body: packSchema,
    answer: answers<Made>(),
  }),
  splitPack: address({
    method: 'post',
    path: '/stores/packs/:id/modules',
    may: 'technician',
    body: splitSchema,
    answer: answers<Made>(),
  }),
  movePack: address({
    method: 'post',
    path: '/stores/packs/:id/move',
    may: 'technician',
    body: packMoveSchema,
    answer: answers<Versioned>(),
  }),
} as const;
