import Joi from 'joi';
import type { LineState } from '../core/brief/judgeLine.ts';
import type { JobState } from '../core/job/states.ts';
import type { WishEffect } from '../core/offer/effect.ts';
import type { AdditionState, LineGroup, OfferState } from '../core/offer/offer.ts';
import type { Currency } from '../core/quantity/currency.ts';
import type { UnitChoice } from '../core/quantity/units.ts';
import { A_FILE, address, answers } from './address.ts';
import { faultAt, type Made, text, uuid, whole } from './fields.ts';
import type { Answered } from './offers.ts';

/** A line of an offer as its client may read it: nothing of cost and margin. */
export interface ClientLine {
  readonly group: LineGroup | 'contingency' | 'rounding';
  readonly text: string;
  /** Null where only the sum is shown. */
  readonly quantity: number | null;
  readonly netCents: number;
}
interface ClientSums {
  readonly lines: readonly ClientLine[];
  readonly netCents: number;
  readonly rates: readonly { readonly taxShare: number; readonly taxCents: number }[];
  readonly totalCents: number;
  readonly currency: Currency;
}
export interface ClientOffer extends ClientSums {
  readonly id: string;
  readonly number: number;
  readonly state: OfferState;
  readonly sentAt: string;
  readonly validUntil: string;
  /** It has run out: it cannot be accepted any more. */
  readonly over: boolean;
  readonly note: string;
  readonly answered: Answered | null;
}
export interface ClientChange extends ClientSums {
  readonly id: string;
  readonly number: number;
  readonly wish: string;
  readonly state: AdditionState;
  readonly effect: WishEffect | null;
  readonly validUntil: string;
  /** It has run out: it cannot be accepted any more. */
  readonly over: boolean;
  readonly note: string;
  readonly pricedAt: string;
  readonly answered: Answered | null;
}
export interface ClientQuestion {
  readonly id: string;
  readonly text: string;
  readonly by: string;
  readonly at: string;
  readonly answer: string | null;
  readonly answeredAt: string | null;
}
export interface ClientPicture {
  readonly id: string;
  readonly caption: string;
}

/** What the client of a job sees, and nothing else of the workshop. */
export interface ClientSheet {
  readonly workshop: string;
  readonly timeZone: string;
  readonly unitSet: UnitChoice;
  readonly currency: Currency;
  readonly number: string;
  readonly title: string;
  readonly client: string;
  readonly vehicle: string;
  readonly state: JobState;
  readonly promised: string | null;
  /** Stages by name, done or not, in their order. */
  readonly stages: readonly { readonly name: string; readonly state: 'waiting' | 'inHand' | 'stopped' | 'done' }[];
  /** What was agreed, or is being worked out: figures by name. */
  readonly specification: readonly { readonly name: string; readonly text: string }[];
  readonly agreed: boolean;
  readonly brief: readonly {
    readonly name: string;
    readonly firm: boolean;
    readonly state: LineState;
    readonly now: string;
    readonly wanted: string;
  }[];
  /** The newest first; drafts and withdrawn ones are nobody's. */
  readonly offers: readonly ClientOffer[];
  readonly changes: readonly ClientChange[];
  readonly questions: readonly ClientQuestion[];
  readonly pictures: readonly ClientPicture[];
}

/** What the workshop sees of a client's page. */
export interface ClientAccess {
  readonly link: { readonly until: string; readonly lastUsedAt: string | null; readonly by: string } | null;
  readonly questions: readonly (ClientQuestion & { readonly answeredBy: string | null })[];
  /** Pictures of the job, and whether its client may see them. */
  readonly pictures: readonly (ClientPicture & { readonly name: string; readonly released: boolean })[];
}

const who = text('Your name', 80).min(2).required();
export interface ClientAnswer {
  readonly accepted: boolean;
  readonly by: string;
  readonly why: string;
  /** The sum on the page the client looked at. */
  readonly totalCents: number;
}
const answer = Joi.object<ClientAnswer, true>({
  accepted: Joi.boolean().label('Accepted').required(),
  by: who,
  why: text('Why', 300).allow('').required(),
  totalCents: whole('Sum', -1e12, 1e12).required(),
}).custom((body: ClientAnswer, helpers) =>
  body.accepted || body.why.length >= 3
    ? body
    : faultAt(helpers, 'why', 'Why', 'is needed: a word on what should be otherwise'),
);
/** The word of a link: 24 bytes as base64url. */
const token = Joi.string()
  .pattern(/^[A-Za-z0-9_-]{32}$/, { name: 'is not the word of a link' })
  .label('Word of the link')
  .required();

/** What a client sends: by the word of the link alone, so `may` is nobody's. */
export const clientPageAddress = {
  look: address({ method: 'get', path: '/client-page/:token', may: 'viewer', answer: answers<ClientSheet>() }),
  picture: address({ method: 'get', path: '/client-page/:token/pictures/:id', may: 'viewer', answer: A_FILE }),
  paper: address({ method: 'get', path: '/client-page/:token/offers/:id/paper', may: 'viewer', answer: A_FILE }),
  offer: address({
    method: 'post',
    path: '/client-page/:token/offers/:id',
    may: 'viewer',
    body: answer,
    answer: answers<ClientSheet>(),
  }),
  change: address({
    method: 'post',
    path: '/client-page/:token/changes/:id',
    may: 'viewer',
    body: answer,
    answer: answers<ClientSheet>(),
  }),
  ask: address({
    method: 'post',
    path: '/client-page/:token/questions',
    may: 'viewer',
    body: Joi.object<{ text: string; by: string }, true>({ text: text('Question', 1000).min(3).required(), by: who }),
    answer: answers<ClientSheet>(),
  }),
} as const;

/** What the workshop does about the page of a client. */
export const clientAccessAddress = {
  look: address({ method: 'get', path: '/jobs/:number/client-page', may: 'viewer', answer: answers<ClientAccess>() }),
  open: address({
    method: 'post',
    path: '/jobs/:number/client-page',
    may: 'manager',
    secret: true,
    body: Joi.object<{ token: string; days: number }, true>({ token, days: whole('Days', 1, 400).required() }),
    answer: answers<{ readonly until: string }>(),
  }),
  close: address({ method: 'post', path: '/jobs/:number/client-page/close', may: 'manager', answer: answers<Made>() }),
  answer: address({
    method: 'post',
    path: '/client-questions/:id/answer',
    may: 'technician',
    body: Joi.object<{ answer: string }, true>({ answer: text('Answer', 1000).min(2).required() }),
    answer: answers<Made>(),
  }),
  release: address({
    method: 'put',
    path: '/jobs/:number/released',
    may: 'technician',
    body: Joi.object<{ fileId: string; released: boolean }, true>({
      fileId: uuid('Picture').required(),
      released: Joi.boolean().label('Released').required(),
    }),
    answer: answers<Made>(),
  }),
} as const;
