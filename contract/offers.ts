import Joi from 'joi';
import type { Actual } from '../core/actual/actual.ts';
import type { Bracket } from '../core/offer/bracket.ts';
import type { DoubtGround } from '../core/offer/doubts.ts';
import type { WishEffect } from '../core/offer/effect.ts';
import type {
  AdditionState,
  ForeignPrice,
  HoursEstimate,
  OfferBody,
  OfferLine,
  OfferState,
} from '../core/offer/offer.ts';
import type { Currency } from '../core/quantity/currency.ts';
import { A_FILE, address, answers, type BodySize } from './address.ts';
import {
  faultAt,
  isoDate,
  type Made,
  type Mutable,
  number,
  slug,
  text,
  uuid,
  type Versioned,
  version,
  versionSchema,
  whole,
} from './fields.ts';
import { CENTS, foreignPrice, offerBodySchema, offerLines } from './offerBody.ts';
import type { MadeGoodRow } from './refurbishing.ts';

/** Who answered what was laid before the client. */
export interface Answered {
  readonly at: string;
  /** The name that was typed. */
  readonly by: string;
  /** It came through the client's page; else a person of the workshop wrote it down. */
  readonly onPage: boolean;
  readonly why: string;
}

interface Sums {
  readonly netCents: number;
  readonly taxCents: number;
  readonly totalCents: number;
}

export interface OfferRow extends Sums {
  readonly id: string;
  readonly number: number;
  readonly state: OfferState;
  readonly body: OfferBody;
  readonly currency: Currency;
  readonly designId: string | null;
  readonly designName: string | null;
  readonly kitName: string | null;
  readonly kitOptions: readonly string[];
  readonly by: string;
  readonly createdAt: string;
  readonly sentAt: string | null;
  readonly answered: Answered | null;
  readonly version: number;
}

/** A kit as a job takes it. */
export interface KitTaken {
  readonly revisionId: string;
  readonly options: readonly string[];
}

export interface AdditionRow extends Sums {
  readonly id: string;
  readonly number: number;
  readonly wish: string;
  readonly state: AdditionState;
  readonly body: OfferBody;
  readonly currency: Currency;
  readonly designId: string | null;
  /** The kit as it would be taken with it. */
  readonly kit: KitTaken | null;
  readonly massKg: number;
  readonly xMm: number | null;
  /** As it was laid before the client; while it is only asked, by today's figures. */
  readonly effect: WishEffect | null;
  readonly askedBy: string;
  readonly createdAt: string;
  readonly pricedAt: string | null;
  readonly answered: Answered | null;
  readonly version: number;
}

/** One of the ways that are compared: a design of the job, or a kit with options. */
export interface WayRow {
  readonly id: string;
  readonly name: string;
  readonly designId: string | null;
  readonly revisionId: string | null;
  readonly options: readonly string[];
  readonly lvByClient: boolean;
  readonly moreCents: number;
  /** A unit made good again, in place of a new one. */
  readonly used: MadeGoodRow | null;
}

/** Everything the Price step of a job shows besides what it takes as it goes. */
export interface PriceSheet {
  /** The newest first. */
  readonly offers: readonly OfferRow[];
  /** An offer as today's figures would make it; null where there is nothing to price yet. */
  readonly fresh: OfferBody | null;
  readonly additions: readonly AdditionRow[];
  readonly ways: readonly WayRow[];
  /** What the figures of an offer are held against. */
  readonly ground: Omit<DoubtGround, 'paidCents'> & { readonly paidCents: Readonly<Record<string, number>> };
  /** Hours of all stages by what earlier vehicles took. */
  readonly hours: HoursEstimate | null;
  readonly bracket: Bracket | null;
}

export interface CostRow {
  readonly id: string;
  readonly text: string;
  readonly cents: number;
  readonly foreign: ForeignPrice | null;
  readonly day: string;
  readonly by: string;
}
/** What a job takes against what was sold; null while nothing is. */
export interface ActualSheet {
  readonly actual: Actual | null;
  readonly costs: readonly CostRow[];
  /** Hours count at what they are sold for, since nobody has set what they cost. */
  readonly hoursAsSold: boolean;
}

export interface OfferChange {
  readonly body: OfferBody;
  readonly version: number;
}
/** How a client answered, as a person of the workshop writes it down. */
export interface AnswerBody {
  readonly accepted: boolean;
  readonly name: string;
  readonly why: string;
  readonly version: number;
}
const answerSchema = Joi.object<AnswerBody, true>({
  accepted: Joi.boolean().label('Accepted').required(),
  name: text('Who answered', 80).min(2).required(),
  why: text('Why', 300).allow('').required(),
  version,
}).custom((body: AnswerBody, helpers) =>
  body.accepted || body.why.length >= 3 ? body : faultAt(helpers, 'why', 'Why', 'is needed: what stood against it'),
);
interface EndBody {
  readonly why: string;
  readonly version: number;
}
const endSchema = Joi.object<EndBody, true>({ why: text('Why', 300).min(3).required(), version });

export interface NewWish {
  readonly wish: string;
  readonly askedBy: string;
  /** Another revision of the kit that was sold, or other options: their parts and hours are put in. */
  readonly kit: KitTaken | null;
}
export interface WishChange {
  readonly wish: string;
  readonly lines: readonly OfferLine[];
  readonly designId: string | null;
  readonly massKg: number;
  readonly xMm: number | null;
  readonly note: string;
  readonly version: number;
}
export interface NewCost {
  readonly text: string;
  readonly cents: number;
  readonly foreign: ForeignPrice | null;
  readonly day: string;
}
export interface NewWay extends Omit<WayRow, 'id' | 'used'> {
  readonly serialId: string | null;
}

const LARGE: BodySize = { bytes: 400_000, bounds: { values: 20_000, depth: 10, text: 300_000 } };
const wishText = text('Wish', 200).min(3).required();

export const offerAddress = {
  sheet: address({ method: 'get', path: '/jobs/:number/price', may: 'viewer', answer: answers<PriceSheet>() }),
  actual: address({ method: 'get', path: '/jobs/:number/actual', may: 'viewer', answer: answers<ActualSheet>() }),
  actualTable: address({ method: 'get', path: '/jobs/:number/actual.csv', may: 'viewer', answer: A_FILE }),
  make: address({ method: 'post', path: '/jobs/:number/offers', act: 'offer', answer: answers<Made>() }),
  change: address({
    method: 'put',
    path: '/offers/:id',
    act: 'offer',
    body: Joi.object<Mutable<OfferChange>, true>({ body: offerBodySchema.required(), version }),
    size: LARGE,
    answer: answers<Versioned>(),
  }),
  /** Parts and hours of today into an offer that is being written. */
  refresh: address({
    method: 'post',
    path: '/offers/:id/refresh',
    act: 'offer',
    body: versionSchema,
    answer: answers<Versioned>(),
  }),
  send: address({
    method: 'post',
    path: '/offers/:id/send',
    act: 'offer',
    body: versionSchema,
    answer: answers<Versioned>(),
  }),
  answer: address({
    method: 'post',
    path: '/offers/:id/answer',
    act: 'offer',
    body: answerSchema,
    answer: answers<Versioned>(),
  }),
  withdraw: address({
    method: 'post',
    path: '/offers/:id/withdraw',
    act: 'offer',
    body: endSchema,
    answer: answers<Versioned>(),
  }),
  paper: address({ method: 'get', path: '/offers/:id/paper', may: 'viewer', answer: A_FILE }),
  table: address({ method: 'get', path: '/offers/:id/table', may: 'viewer', answer: A_FILE }),
  wish: address({
    method: 'post',
    path: '/jobs/:number/wishes',
    act: 'wish',
    body: Joi.object<Mutable<NewWish>, true>({
      wish: wishText,
      askedBy: text('Who wishes it', 80).allow('').required(),
      kit: Joi.object<Mutable<KitTaken>, true>({
        revisionId: slug('Kit').required(),
        options: Joi.array().items(slug('Option')).max(20).unique().label('Options').required(),
      })
        .allow(null)
        .label('Kit')
        .required(),
    }),
    answer: answers<Made>(),
  }),
  changeWish: address({
    method: 'put',
    path: '/wishes/:id',
    act: 'offer',
    body: Joi.object<Mutable<WishChange>, true>({
      wish: wishText,
      lines: offerLines,
      designId: uuid('Design').allow(null).required(),
      massKg: number('Mass put in', -20_000, 20_000).required(),
      xMm: number('Behind the front axle', -5000, 20_000).allow(null).required(),
      note: text('Words to the client', 2000).allow('').required(),
      version,
    }),
    size: LARGE,
    answer: answers<Versioned>(),
  }),
  priceWish: address({
    method: 'post',
    path: '/wishes/:id/price',
    act: 'offer',
    body: versionSchema,
    answer: answers<Versioned>(),
  }),
  answerWish: address({
    method: 'post',
    path: '/wishes/:id/answer',
    act: 'offer',
    body: answerSchema,
    answer: answers<Versioned>(),
  }),
  withdrawWish: address({
    method: 'post',
    path: '/wishes/:id/withdraw',
    act: 'offer',
    body: endSchema,
    answer: answers<Versioned>(),
  }),
  cost: address({
    method: 'post',
    path: '/jobs/:number/costs',
    act: 'cost',
    body: Joi.object<Mutable<NewCost>, true>({
      text: text('What it was', 200).min(2).required(),
      cents: whole('Cost', -CENTS, CENTS).required(),
      foreign: foreignPrice,
      day: isoDate('Day').required(),
    }),
    answer: answers<Made>(),
  }),
  dropCost: address({
    method: 'post',
    path: '/costs/:id/drop',
    act: 'cost',
    body: Joi.object<{ why: string }, true>({ why: text('Why', 300).min(3).required() }),
    answer: answers<Made>(),
  }),
  way: address({
    method: 'post',
    path: '/jobs/:number/ways',
    act: 'offer',
    body: Joi.object<Mutable<NewWay>, true>({
      name: text('Name', 80).min(2).required(),
      designId: uuid('Design').allow(null).required(),
      revisionId: slug('Kit').allow(null).required(),
      options: Joi.array().items(slug('Option')).max(20).unique().label('Options').required(),
      lvByClient: Joi.boolean().label('Low voltage by the client').required(),
      moreCents: whole('More or less', -CENTS, CENTS).required(),
      serialId: uuid('Unit made good again').allow(null).default(null),
    }).custom((way: NewWay, helpers) =>
      (way.designId === null) === (way.revisionId === null)
        ? faultAt(helpers, 'designId', 'Design', 'or a kit is needed, one of both')
        : way,
    ),
    answer: answers<Made>(),
  }),
  dropWay: address({ method: 'post', path: '/ways/:id/drop', act: 'offer', answer: answers<Made>() }),
} as const;
