import type { NextFunction, Request, RequestHandler, Response, Router } from 'express';
import type Joi from 'joi';
import { check } from '../contract/fields.ts';
import { ROLES, type Role, type SignedIn } from '../contract/session.ts';
import { type Change, changeIn } from './change.ts';
import type { Config } from './config.ts';
import { todayIn } from './config.ts';
import type { Db } from './db/connect.ts';
import { badInput, ProblemError } from './problems.ts';
import { signedInPerson } from './session/signedIn.ts';

export interface House {
  readonly db: Db;
  readonly config: Config;
  /** The clock, so that tests can set it. */
  readonly now: () => Date;
}

export interface Asked<B> extends House {
  readonly params: Readonly<Record<string, string>>;
  readonly body: B;
  readonly person: SignedIn;
  readonly today: string;
  readonly res: Response;
  /** One transaction with its event; honours the idempotency key of the request. */
  readonly change: <T>(work: (change: Change) => Promise<T>) => Promise<T>;
}

/** One address of the server, as data: tests go through all of them. */
export interface Endpoint<B = unknown> {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  readonly path: string;
  /** Least role that may ask. */
  readonly may: Role;
  readonly body?: Joi.Schema<B>;
  /** Answers the body to send as JSON, or undefined when it has already sent something. */
  readonly answer: (asked: Asked<B>) => Promise<unknown>;
}

export const endpoint = <B>(definition: Endpoint<B>): Endpoint => definition as unknown as Endpoint;

const PARAM: Record<string, { form: RegExp; what: string }> = {
  number: { form: /^\d{2}-\d{3,5}$/, what: 'job' },
  id: { form: /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/, what: 'entry' },
};

/** Puts endpoints on a router: role, address parts, body, then the answer. */
export function mount(router: Router, house: House, endpoints: readonly Endpoint[]): void {
  for (const definition of endpoints) router[definition.method](definition.path, handler(house, definition));
}

function handler(house: House, { may, body, answer }: Endpoint): RequestHandler {
  return async (req: Request, res: Response, _next: NextFunction) => {
    const person = await signedInPerson(house.db, req);
    if (!person)
      throw new ProblemError('signInNeeded', 'You are not signed in any more. Sign in again; what you typed is kept.');
    if (ROLES.indexOf(person.role) < ROLES.indexOf(may)) {
      throw new ProblemError('notAllowed', `This is for a ${may}; you are signed in as ${person.role}.`);
    }
    const params = req.params as Record<string, string>;
    for (const [name, value] of Object.entries(params)) {
      const rule = PARAM[name];
      if (rule && !rule.form.test(value)) throw new ProblemError('notFound', `There is no such ${rule.what}.`);
    }
    let value: unknown = {};
    if (body) {
      const checked = check(body, req.body ?? {});
      if (Object.keys(checked.problems).length > 0) throw badInput(checked.problems);
      value = checked.value;
    }
    const now = house.now();
    const key = req.method === 'GET' ? null : (req.get('Idempotency-Key')?.slice(0, 100) ?? null);
    const answered = await answer({
      ...house,
      params,
      body: value,
      person,
      today: todayIn(house.config.timeZone, now),
      res,
      change: (work) => changeIn(house.db, person, key, work),
    });
    if (answered !== undefined) res.json(answered);
  };
}
