import Joi from 'joi';
import { UNIT_SETS, type UnitSet } from '../core/quantity/units.ts';
import { address, answers } from './address.ts';
import { text } from './fields.ts';
import type { Role } from './rights.ts';

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
  readonly unitSet: UnitSet;
}

/** What a page that nobody is signed in on sends as its token: no other site can set the heading. */
export const SIGNED_OUT_TOKEN = 'signed-out';

/** What the page learns at start: who is signed in, the token for changes, and the demo's sign-ins when it is the demo. */
export interface SessionInfo {
  readonly person: SignedIn | null;
  readonly csrfToken: string;
  readonly workshop: {
    readonly name: string;
    readonly timeZone: string;
    readonly rateCents: number;
    readonly hoursPerDay: number;
  };
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
  readonly unitSet: UnitSet;
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
  signOut: address({ method: 'delete', path: '/session', may: 'viewer', answer: answers<SessionInfo>() }),
  prefer: address({
    method: 'put',
    path: '/preferences',
    may: 'viewer',
    body: preferencesSchema,
    answer: answers<Preferences>(),
  }),
} as const;
