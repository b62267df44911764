import Joi from 'joi';
import { UNIT_SETS, type UnitChoice } from '../core/quantity/units.ts';
import { address, answers } from './address.ts';
import { text } from './fields.ts';
import type { Role } from './rights.ts';
import { beginningSchema, type Workshop } from './workshop.ts';

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
  readonly role: Role;
  readonly skills: readonly string[];
  /** Last day of the high-voltage authorisation; null without one. */
  readonly hvUntil: string | null;
}

export interface SignedIn extends Person {
  readonly unitSet: UnitChoice;
}

/** What a page that nobody is signed in on sends as its token: no other site can set the heading. */
export const SIGNED_OUT_TOKEN = 'signed-out';

/** Two workshops of one installation: which this answer is from, and whether the own one has been begun. */
export interface Houses {
  readonly here: House;
  readonly ownBegun: boolean;
}
export type House = 'sample' | 'own';
/** The page's choice between the two, kept in a cookie of this name. */
export const HOUSE_COOKIE = 'dajo-house';

/** What the page learns at start: who is signed in, the token for changes, and the demo's sign-ins when it is the demo. */
export interface SessionInfo {
  readonly person: SignedIn | null;
  readonly csrfToken: string;
  /** Null while none has been begun in this database. */
  readonly workshop: Workshop | null;
  /** Beginning one asks for the word that the start has printed. */
  readonly asksWord: boolean;
  /** The sample and a workshop of one's own, where this installation has both. */
  readonly houses: Houses | null;
  readonly demoSignIns: readonly {
    readonly signIn: string;
    readonly name: string;
    readonly role: Role;
    readonly note: string;
  }[];
  readonly demoPassword: string | null;
}

export interface SignIn {
  readonly signIn: string;
  readonly password: string;
}
export const signInSchema = Joi.object<SignIn, true>({
  signIn: text('Name', 80).lowercase().required(),
  password: Joi.string().max(200).label('Password').required(),
});

export interface Preferences {
  readonly unitSet: UnitChoice;
}
const preferencesSchema = Joi.object<Preferences, true>({
  unitSet: Joi.string()
    .valid(...UNIT_SETS)
    .label('Units')
    .required(),
});

export const sessionAddress = {
  now: address({ method: 'get', path: '/session', may: 'viewer', answer: answers<SessionInfo>() }),
  signIn: address({
    method: 'post',
    path: '/session',
    may: 'viewer',
    body: signInSchema,
    size: { bytes: 16_000, bounds: { values: 20, depth: 2, text: 4000 } },
    answer: answers<SessionInfo>(),
  }),
  begin: address({
    method: 'post',
    path: '/beginning',
    may: 'viewer',
    body: beginningSchema,
    size: { bytes: 16_000, bounds: { values: 60, depth: 3, text: 4000 } },
    answer: answers<SessionInfo>(),
  }),
  signOut: address({ method: 'delete', path: '/session', may: 'viewer', answer: answers<SessionInfo>() }),
  prefer: address({
    method: 'put',
    path: '/preferences',
    may: 'viewer',
    body: preferencesSchema,
    answer: answers<Preferences>(),
  }),
} as const;
