import Joi from 'joi';
import type { ComponentKind } from '../core/component/sheets.ts';
import type { NeededBasis } from '../core/stores/neededDay.ts';
import type { NeedState } from '../core/stores/needs.ts';
import { A_FILE, address, answers } from './address.ts';
import { isoDate, text, uuid } from './fields.ts';

/** A line that wants something, and where its pieces come from. Quantities in ledger units, days ISO. */
export interface NeedLine {
  readonly lineId: string;
  /** Of a job, or of a kit order. */
  readonly number: string;
  readonly title: string;
  readonly quantity: number;
  readonly neededOn: string | null;
  readonly basis: NeededBasis | 'order';
  readonly from: 'held' | 'stock' | 'order' | 'none';
  readonly comesOn: string | null;
  readonly short: number;
}

/** A component over all jobs: what is wanted, what there is, what to do by when. */
export interface NeedRow {
  readonly componentId: string;
  readonly name: string;
  readonly kind: ComponentKind;
  readonly supplierId: string;
  readonly supplier: string;
  readonly unitSize: number;
  readonly priceCents: number;
  readonly leadDays: number;
  /** How many days late its supplier usually is; null where nobody knows. */
  readonly lateDays: number | null;
  readonly state: NeedState;
  readonly needed: number;
  readonly onHand: number;
  readonly ordered: number;
  readonly first: NeedLine | null;
  readonly order: number;
  readonly orderBy: string | null;
}

export interface CurveStep {
  readonly day: string;
  readonly balance: number;
}

export interface AllocationOutcome {
  readonly lineId: string;
  readonly number: string;
  readonly readyOn: string | null;
  readonly partOn: string;
  readonly promised: string | null;
  readonly lateDays: number;
}
export interface AllocationChoice {
  readonly lineId: string;
  readonly number: string;
  /** It holds them now. */
  readonly holds: boolean;
  readonly outcomes: readonly AllocationOutcome[];
  readonly lateInAll: number;
  readonly advised: boolean;
}

/** Pieces that went from one job to another, with what was known of it then. */
export interface TakenRow {
  readonly id: string;
  readonly at: string;
  readonly by: string;
  readonly fromJob: string;
  readonly toJob: string;
  readonly quantity: number;
  readonly fromBefore: string | null;
  readonly fromAfter: string | null;
  readonly toBefore: string | null;
  readonly toAfter: string | null;
  readonly why: string;
}

export interface NeedSheet {
  readonly row: NeedRow;
  readonly lines: readonly NeedLine[];
  readonly curve: readonly CurveStep[];
  /** With what is to be ordered, ordered today; empty where nothing is. */
  readonly withOrder: readonly CurveStep[];
  /** Who could have what is there; empty where there is enough for all, or one only wants it. */
  readonly choices: readonly AllocationChoice[];
  readonly taken: readonly TakenRow[];
}

export interface TakeBody {
  /** The line that is to have them, and the one that holds them. */
  readonly toLineId: string;
  readonly fromLineId: string;
  /** The days both jobs were shown to be ready on after it: nobody decides about what they have not seen. */
  readonly toReadyOn: string | null;
  readonly fromReadyOn: string | null;
  readonly why: string;
}
const takeSchema = Joi.object<TakeBody, true>({
  toLineId: uuid('For').required(),
  fromLineId: uuid('From').required(),
  toReadyOn: isoDate('Ready').allow(null).required(),
  fromReadyOn: isoDate('Ready').allow(null).required(),
  why: text('Why', 200).min(3).required(),
});

export const needsAddress = {
  list: address({ method: 'get', path: '/stores/needs', may: 'viewer', answer: answers<NeedRow[]>() }),
  table: address({ method: 'get', path: '/stores/needs.csv', may: 'viewer', answer: A_FILE }),
  one: address({ method: 'get', path: '/stores/needs/:component', may: 'viewer', answer: answers<NeedSheet>() }),
  take: address({
    method: 'post',
    path: '/stores/take',
    may: 'manager',
    body: takeSchema,
    answer: answers<{ readonly id: string }>(),
  }),
} as const;
