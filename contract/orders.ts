import Joi from 'joi';
import type { StageTemplate } from '../core/kit/kit.ts';
import type { FitterReading, FitterStageDone } from '../core/order/fitting.ts';
import {
  type FittedBy,
  ORDER_FITTERS,
  ORDER_KINDS,
  ORDER_PAPERS,
  type OrderCrate,
  type OrderFitter,
  type OrderKind,
  type OrderLine,
  type OrderPaper,
  type OrderState,
} from '../core/order/order.ts';
import { A_FILE, address, answers } from './address.ts';
import {
  faultAt,
  isoDate,
  type Made,
  type Mutable,
  quantity,
  sameName,
  slug,
  text,
  uuid,
  type Versioned,
  version,
  whole,
} from './fields.ts';

/** A kit order in a line of the order book. */
export interface OrderRow {
  readonly number: string;
  readonly kitId: string;
  readonly kitName: string;
  readonly revision: string;
  readonly client: { readonly id: string; readonly name: string };
  readonly partner: { readonly id: string; readonly name: string } | null;
  readonly variantName: string;
  readonly kind: OrderKind;
  readonly fitter: OrderFitter;
  readonly promisedOn: string;
  readonly comesOn: string | null;
  readonly state: OrderState;
  /** Lines, those counted once, and those counted twice. */
  readonly lines: number;
  readonly countedOnce: number;
  readonly countedTwice: number;
  readonly questions: number;
  readonly stagesDone: number;
  readonly sentAt: string | null;
  readonly signedAt: string | null;
}

export interface OrderPaperRow {
  readonly kind: OrderPaper;
  readonly reference: string;
  readonly givenBy: string;
  readonly day: string;
  readonly by: string;
}
export interface OrderQuestion {
  readonly id: string;
  readonly orderNumber: string;
  readonly revision: string;
  readonly stageKey: string | null;
  readonly text: string;
  readonly by: string;
  readonly at: string;
  readonly answer: string | null;
  readonly answeredBy: string | null;
  readonly answeredAt: string | null;
}

/** One order, whole. */
export interface OrderSheet
  extends Omit<OrderRow, 'lines' | 'countedOnce' | 'countedTwice' | 'questions' | 'stagesDone'> {
  readonly id: string;
  readonly revisionId: string;
  readonly revisionState: 'draft' | 'released' | 'withdrawn';
  readonly withdrawnWhy: string | null;
  readonly variantId: string;
  readonly options: readonly string[];
  readonly optionNames: readonly string[];
  /** What parts of it need beside them, and the kit neither brings nor settles. */
  readonly companions: readonly string[];
  readonly exclusions: readonly string[];
  readonly vehicle: string;
  readonly note: string;
  readonly jobNumber: string | null;
  readonly fittedBy: FittedBy;
  readonly loanTool: string | null;
  readonly loanDue: string | null;
  readonly loanBack: string | null;
  readonly cancelledWhy: string | null;
  readonly by: string;
  readonly orderedAt: string;
  readonly version: number;
  readonly lines: readonly OrderLine[];
  readonly crates: readonly OrderCrate[];
  readonly papers: readonly OrderPaperRow[];
  readonly dispatch: {
    readonly carrier: string;
    readonly missing: readonly string[];
    readonly why: string;
    readonly by: string;
    readonly at: string;
  } | null;
  readonly link: { readonly until: string; readonly lastUsedAt: string | null; readonly by: string } | null;
  readonly stages: readonly StageTemplate[];
  readonly done: readonly FitterStageDone[];
  readonly readings: readonly FitterReading[];
  readonly questions: readonly OrderQuestion[];
  readonly sign: { readonly by: string; readonly at: string; readonly remark: string; readonly address: string } | null;
}

export interface NewOrder {
  /** A client who is known, or null with the name of a new one. */
  readonly clientId: string | null;
  readonly clientName: string;
  readonly clientContact: string;
  readonly revisionId: string;
  readonly variantId: string;
  readonly options: readonly string[];
  readonly kind: OrderKind;
  readonly fitter: OrderFitter;
  readonly partnerId: string | null;
  readonly vehicle: string;
  readonly promisedOn: string;
  readonly comesOn: string | null;
  readonly note: string;
}
const kind = Joi.string()
  .valid(...ORDER_KINDS)
  .label('Where the vehicle is')
  .required();
const fitter = Joi.string()
  .valid(...ORDER_FITTERS)
  .label('Who fits it')
  .required();
const terms = {
  fitter,
  partnerId: uuid('Shop that fits it').allow(null).required(),
  vehicle: text('Their vehicle', 120).allow('').required(),
  promisedOn: isoDate('Promised for').required(),
  comesOn: isoDate('Vehicle comes on').allow(null).required(),
  note: text('Note', 400).allow('').required(),
};
/** What belongs together: a shop is named where a shop fits, a day where the vehicle comes. */
const held = <T extends Pick<NewOrder, 'fitter' | 'partnerId' | 'comesOn' | 'promisedOn'>>(
  one: T,
  helpers: Joi.CustomHelpers,
) => {
  if (one.fitter === 'partner' && one.partnerId === null)
    return faultAt(helpers, 'partnerId', 'Shop that fits it', 'is needed');
  if (one.comesOn !== null && one.comesOn < one.promisedOn)
    return faultAt(helpers, 'comesOn', 'Vehicle comes on', 'is before the kit is promised');
  return one.fitter === 'partner' ? one : { ...one, partnerId: null };
};

export interface OrderChange
  extends Pick<NewOrder, 'fitter' | 'partnerId' | 'vehicle' | 'promisedOn' | 'comesOn' | 'note'> {
  readonly fittedBy: FittedBy;
  readonly jobNumber: string | null;
  readonly loanTool: string | null;
  readonly loanDue: string | null;
  readonly loanBack: string | null;
  readonly version: number;
}

export interface CountBody {
  readonly which: 'first' | 'second';
  /** Null takes the count back. */
  readonly pieces: number | null;
}
export interface SerialsBody {
  readonly serials: readonly string[];
}
export interface PaperBody {
  readonly kind: OrderPaper;
  readonly reference: string;
  readonly givenBy: string;
  readonly day: string;
}
export interface SendBody {
  readonly carrier: string;
  /** What was still missing on the page, by need; held against what is missing on the server. */
  readonly missing: readonly string[];
  readonly why: string;
  readonly version: number;
}
export interface LinkBody {
  /** Made by the page and never kept: the server keeps its hash. */
  readonly token: string;
  readonly days: number;
}

const why = text('Why', 300);
const day = isoDate('Day');
/** The word of a link: 24 bytes as base64url. */
const token = Joi.string()
  .pattern(/^[A-Za-z0-9_-]{32}$/, { name: 'is not the word of a link' })
  .label('Word of the link')
  .required();

export const orderAddress = {
  list: address({ method: 'get', path: '/orders', may: 'viewer', answer: answers<OrderRow[]>() }),
  whole: address({ method: 'get', path: '/orders/:order', may: 'viewer', answer: answers<OrderSheet>() }),
  add: address({
    method: 'post',
    path: '/orders',
    may: 'manager',
    body: Joi.object<Mutable<NewOrder>, true>({
      clientId: uuid('Client').allow(null).required(),
      clientName: text('Name of the client', 80).allow('').required(),
      clientContact: text('How to reach them', 200).allow('').required(),
      revisionId: slug('Kit').required(),
      variantId: slug('Model of their vehicle').required(),
      options: Joi.array().items(slug('Option')).max(20).unique().label('Options').required(),
      kind,
      ...terms,
    })
      .custom(held)
      .custom((order: NewOrder, helpers) =>
        order.clientId === null && order.clientName === ''
          ? faultAt(helpers, 'clientName', 'Name of the client', 'is needed, or choose one who is known')
          : order,
      ),
    answer: answers<{ readonly number: string }>(),
  }),
  change: address({
    method: 'put',
    path: '/orders/:order',
    may: 'manager',
    body: Joi.object<Mutable<OrderChange>, true>({
      ...terms,
      fittedBy: Joi.object()
        .pattern(slug('Stage'), Joi.string().valid('fitter', 'here'))
        .label('Who does which stage')
        .required() as never,
      jobNumber: text('Job', 12).allow(null).required(),
      loanTool: text('Tool on loan', 80).allow('', null).required(),
      loanDue: isoDate('Due back').allow(null).required(),
      loanBack: isoDate('Came back').allow(null).required(),
      version,
    }).custom(held),
    answer: answers<Versioned>(),
  }),
  cancel: address({
    method: 'post',
    path: '/orders/:order/cancel',
    may: 'manager',
    body: Joi.object<{ why: string; version: number }, true>({ why: why.min(3).required(), version }),
    answer: answers<Versioned>(),
  }),
  count: address({
    method: 'put',
    path: '/order-lines/:id/count',
    may: 'technician',
    body: Joi.object<CountBody, true>({
      which: Joi.string().valid('first', 'second').label('Which count').required(),
      pieces: whole('Pieces', 0, 10_000).allow(null).required(),
    }),
    answer: answers<Made>(),
  }),
  serials: address({
    method: 'put',
    path: '/order-lines/:id/serials',
    may: 'technician',
    body: Joi.object<Mutable<SerialsBody>, true>({
      serials: Joi.array()
        .items(text('Serial number', 60))
        .max(400)
        .unique(sameName)
        .label('Serial numbers')
        .required(),
    }),
    answer: answers<Made>(),
  }),
  crate: address({
    method: 'put',
    path: '/orders/:order/crates',
    may: 'technician',
    body: Joi.object<Mutable<OrderCrate>, true>({
      name: text('Crate', 40).required(),
      lengthMm: quantity('Length', 'length', 50, 6000).integer().required(),
      widthMm: quantity('Width', 'length', 50, 3000).integer().required(),
      heightMm: quantity('Height', 'length', 20, 3000).integer().required(),
      massKg: quantity('Mass', 'mass', 0.1, 2000).required(),
    }),
    answer: answers<Made>(),
  }),
  paper: address({
    method: 'put',
    path: '/orders/:order/papers',
    may: 'technician',
    body: Joi.object<PaperBody, true>({
      kind: Joi.string()
        .valid(...ORDER_PAPERS)
        .label('Paper')
        .required(),
      reference: text('Number or title', 80).min(2).required(),
      givenBy: text('Given by', 80).min(2).required(),
      day: day.required(),
    }),
    answer: answers<Made>(),
  }),
  send: address({
    method: 'post',
    path: '/orders/:order/send',
    may: 'technician',
    body: Joi.object<Mutable<SendBody>, true>({
      carrier: text('Carrier', 80).min(2).required(),
      missing: Joi.array().items(text('What is missing', 300)).max(2000).label('What is missing').required(),
      why: why.allow('').required(),
      version,
    }),
    answer: answers<Versioned>(),
  }),
  link: address({
    method: 'post',
    path: '/orders/:order/link',
    may: 'manager',
    secret: true,
    body: Joi.object<LinkBody, true>({ token, days: whole('Days', 1, 400).required() }),
    answer: answers<{ readonly until: string }>(),
  }),
  revoke: address({ method: 'post', path: '/orders/:order/revoke', may: 'manager', answer: answers<Made>() }),
  allow: address({
    method: 'post',
    path: '/order-readings/:id/allow',
    may: 'manager',
    body: Joi.object<{ why: string }, true>({ why: why.min(3).required() }),
    answer: answers<Made>(),
  }),
  answer: address({
    method: 'post',
    path: '/order-questions/:id/answer',
    may: 'technician',
    body: Joi.object<{ answer: string }, true>({ answer: text('Answer', 1000).min(2).required() }),
    answer: answers<Made>(),
  }),
  ofKit: address({
    method: 'get',
    path: '/kits/:kit/questions',
    may: 'viewer',
    answer: answers<OrderQuestion[]>(),
  }),
  packing: address({ method: 'get', path: '/orders/:order/packing.pdf', may: 'viewer', answer: A_FILE }),
  labels: address({ method: 'get', path: '/orders/:order/labels.pdf', may: 'viewer', answer: A_FILE }),
  fitting: address({ method: 'get', path: '/orders/:order/fitting.pdf', may: 'viewer', answer: A_FILE }),
} as const;
