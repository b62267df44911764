import Joi from 'joi';
import { address, answers } from './address.ts';
import { faultAt, isoDate, type Made, type Mutable, quantity, text, type Versioned, version, whole } from './fields.ts';
import { ROLES, type Role } from './rights.ts';
import type { SessionInfo } from './session.ts';
import { newPassword, signInName } from './workshop.ts';

/** What people of this trade can do; a workshop may name others. */
export const USUAL_SKILLS = ['mechanical', 'electrical', 'fabrication', 'trim', 'software', 'paint'] as const;

/** A high-voltage authorisation, from its first day to its last, or to the day it was ended. */
export interface Authorisation {
  readonly id: string;
  /** Null: from before anybody wrote it down. */
  readonly validFrom: string | null;
  readonly validUntil: string;
  readonly givenBy: string;
  /** The paper that says so: number, or where it is filed. */
  readonly paper: string;
  readonly endedOn: string | null;
  readonly endedWhy: string | null;
}

export interface PersonRow {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
  readonly signIn: string;
  readonly role: Role;
  readonly skills: readonly string[];
  readonly active: boolean;
  /** Has chosen a password. */
  readonly joined: boolean;
  /** Until when an invitation can be taken up; null without one. */
  readonly invitedUntil: string | null;
  /** Hours of an own working day; null: the workshop's. */
  readonly dayHours: number | null;
  /** An hour as sold; null: the workshop's rate, or hidden from who may not see it. */
  readonly rateCents: number | null;
  readonly authorisations: readonly Authorisation[];
  readonly version: number;
}

export interface NewPerson {
  readonly name: string;
  readonly signIn: string;
  readonly role: Role;
  readonly skills: readonly string[];
}
export interface PersonChange extends NewPerson {
  readonly initials: string;
  readonly dayHours: number | null;
  readonly rateCents: number | null;
  readonly version: number;
}
const own = {
  name: text('Name', 80).required(),
  signIn: signInName.required(),
  role: Joi.string()
    .valid(...ROLES)
    .label('Role')
    .required(),
  skills: Joi.array().items(text('Skill', 40).lowercase()).max(20).unique().label('Skills').required(),
};
/**
 * Made by the page and shown there once: what stands behind `/invitation/` is never in an answer, an event or the
 * database, which keeps its hash alone.
 */
const token = Joi.string()
  .pattern(/^[A-Za-z0-9_-]{32}$/, { name: 'must be 32 random signs' })
  .label('Token');
export interface InvitationBody {
  readonly token: string;
}

const newPersonSchema = Joi.object<Mutable<NewPerson & InvitationBody>, true>({ ...own, token: token.required() });
const personChangeSchema = Joi.object<Mutable<PersonChange>, true>({
  ...own,
  initials: text('Initials', 4).required(),
  dayHours: quantity('Working day', 'hours', 0.5, 16).allow(null).required(),
  rateCents: whole('Rate an hour', 0, 1_000_000).allow(null).required(),
  version,
});

export interface ActiveChange {
  readonly active: boolean;
  readonly version: number;
}

export interface NewAuthorisation {
  readonly validFrom: string;
  readonly validUntil: string;
  readonly givenBy: string;
  readonly paper: string;
}
const newAuthorisationSchema = Joi.object<NewAuthorisation, true>({
  validFrom: isoDate('First day').required(),
  validUntil: isoDate('Last day').required(),
  givenBy: text('Given by', 120).required(),
  paper: text('Paper', 200).required(),
}).custom((body: NewAuthorisation, helpers) =>
  body.validUntil >= body.validFrom ? body : faultAt(helpers, 'validUntil', 'Last day', 'is before the first'),
);

/** An invitation that has been made. */
export interface InvitationMade {
  /** Of the person. */
  readonly id: string;
  readonly until: string;
}

/** What a person who opens an invitation sees. */
export interface Invited {
  readonly name: string;
  readonly signIn: string;
  readonly workshop: string;
}

/** A place where a person is signed in. */
export interface OpenSession {
  /** Instant of signing in; null for one from before that was kept. */
  readonly since: string | null;
  readonly seen: string;
  /** Browser and system, as it names itself. */
  readonly with: string;
  readonly here: boolean;
}

export const peopleAddress = {
  list: address({ method: 'get', path: '/people', may: 'viewer', answer: answers<PersonRow[]>() }),
  add: address({
    method: 'post',
    path: '/people',
    may: 'manager',
    body: newPersonSchema,
    answer: answers<InvitationMade>(),
  }),
  change: address({
    method: 'put',
    path: '/people/:id',
    may: 'manager',
    body: personChangeSchema,
    answer: answers<Versioned>(),
  }),
  activate: address({
    method: 'put',
    path: '/people/:id/active',
    may: 'manager',
    body: Joi.object<ActiveChange, true>({ active: Joi.boolean().label('Active').required(), version }),
    answer: answers<Versioned>(),
  }),
  invite: address({
    method: 'post',
    path: '/people/:id/invitations',
    may: 'manager',
    body: Joi.object<InvitationBody, true>({ token: token.required() }),
    answer: answers<InvitationMade>(),
  }),
  authorise: address({
    method: 'post',
    path: '/people/:id/authorisations',
    may: 'manager',
    body: newAuthorisationSchema,
    answer: answers<Made>(),
  }),
  endAuthorisation: address({
    method: 'post',
    path: '/authorisations/:id/end',
    may: 'manager',
    body: Joi.object<{ why: string }, true>({ why: text('Reason', 200).required() }),
    answer: answers<Made>(),
  }),
  password: address({
    method: 'put',
    path: '/my/password',
    may: 'viewer',
    secret: true,
    body: Joi.object<{ now: string; next: string }, true>({
      now: Joi.string().max(200).label('Password until now').required(),
      next: newPassword.required(),
    }),
    answer: answers<{ readonly changed: true }>(),
  }),
  sessions: address({ method: 'get', path: '/my/sessions', may: 'viewer', answer: answers<OpenSession[]>() }),
  signOutElsewhere: address({
    method: 'delete',
    path: '/my/sessions',
    may: 'viewer',
    answer: answers<{ readonly ended: number }>(),
  }),
} as const;

/** For people who are not signed in yet: the token is all they have. */
export const invitationAddress = {
  look: address({ method: 'get', path: '/invitations/:token', may: 'viewer', answer: answers<Invited>() }),
  take: address({
    method: 'post',
    path: '/invitations/:token',
    may: 'viewer',
    body: Joi.object<{ password: string }, true>({ password: newPassword.required() }),
    size: { bytes: 16_000, bounds: { values: 10, depth: 2, text: 4000 } },
    answer: answers<SessionInfo>(),
  }),
} as const;
