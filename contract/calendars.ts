import Joi from 'joi';
import { address, answers } from './address.ts';
import { faultAt, isoDate, type Made, type Mutable, text } from './fields.ts';

export const FEEDS = ['person', 'promises'] as const;
export type Feed = (typeof FEEDS)[number];

/** A feed of somebody's that is open, and when a calendar last read it. */
export interface FeedRow {
  readonly id: string;
  readonly about: Feed;
  readonly at: string;
  readonly lastUsedAt: string | null;
}

export interface OpenFeed {
  readonly about: Feed;
  /** Made by the page and shown there once; the database keeps its hash. */
  readonly token: string;
}

/** Whole days away as a calendar file has them. */
export interface AwayMany {
  readonly days: readonly { readonly from: string; readonly to: string; readonly why: string }[];
}
/** The most entries of a calendar file that are taken in at once. */
export const MOST_AWAY = 300;

export const calendarAddress = {
  mine: address({ method: 'get', path: '/my/calendars', may: 'technician', answer: answers<FeedRow[]>() }),
  open: address({
    method: 'post',
    path: '/my/calendars',
    may: 'technician',
    secret: true,
    body: Joi.object<OpenFeed, true>({
      about: Joi.string()
        .valid(...FEEDS)
        .label('Calendar')
        .required(),
      token: Joi.string()
        .pattern(/^[A-Za-z0-9_-]{32}$/, { name: 'must be 32 random signs' })
        .label('Token')
        .required(),
    }),
    answer: answers<Made>(),
  }),
  close: address({ method: 'post', path: '/my/calendars/:id/close', may: 'technician', answer: answers<Made>() }),
  /** Days away of somebody, out of a calendar file; those that are there already are left as they are. */
  away: address({
    method: 'post',
    path: '/people/:id/absences/many',
    may: 'manager',
    body: Joi.object<Mutable<AwayMany>, true>({
      days: Joi.array()
        .items(
          Joi.object({
            from: isoDate('From').required(),
            to: isoDate('To').required(),
            why: text('Why', 120).allow('').required(),
          }).custom((one: AwayMany['days'][number], helpers) =>
            one.to >= one.from ? one : faultAt(helpers, 'to', 'To', 'is before the first day'),
          ),
        )
        .min(1)
        .max(MOST_AWAY)
        .label('Days away')
        .required(),
    }),
    answer: answers<{ readonly added: number }>(),
  }),
} as const;

/** Where a calendar reads a feed: outside the addresses of people who are signed in. */
export const feedPath = (token: string): string => `/api/calendar/${token}.ics`;
