import { createHash } from 'node:crypto';
import express, { type Request, type RequestHandler, type Response, type Router } from 'express';
import type Joi from 'joi';
import type { Address, Params } from '../contract/address.ts';
import { BOUNDS_SENTENCE, type Bounds, boundsProblem } from '../contract/bounds.ts';
import { CLOCK_HEADING, MADE_HEADING, PERSON_HEADING, TOUCHED_HEADING, touchedText } from '../contract/changes.ts';
import { check } from '../contract/fields.ts';
import { FILE_ABOUT } from '../contract/files.ts';
import { hasRole } from '../contract/rights.ts';
import type { SignedIn } from '../contract/session.ts';
import type { Workshop } from '../contract/workshop.ts';
import { madeAt } from '../core/hours/entry.ts';
import { dayOf } from '../wording/dates.ts';
import type { Backups } from './backups/backups.ts';
import { type Change, changeIn, type RequestKey } from './change.ts';
import type { Config } from './config.ts';
import type { Db, Transact } from './db/connect.ts';
import type { Press } from './documents/press.ts';
import { AnothersDoing, BadInput, NotAllowed, NotFound, ProblemError, SignInNeeded } from './problems.ts';
import { type Visitor, visitorOf } from './session/signedIn.ts';
import type { Tries } from './session/tries.ts';
import type { PlanMaker } from './workPlan/planner.ts';

export interface House {
  /** For looking. */
  readonly db: Db;
  /** For changes; only `change` uses it. */
  readonly transact: Transact;
  readonly config: Config;
  /** Tries at a password, signing in or changing one's own. */
  readonly tries: Tries;
  /** Where documents are made, away from the thread that answers. */
  readonly press: Press;
  /** Where plans are made, likewise. */
  readonly plans: PlanMaker;
  /** What makes backups; null where this server makes none. */
  readonly backups: Backups | null;
  /** Of Dajo, and since when this server runs. */
  readonly version: string;
  readonly startedAt: Date;
  /** The clock, so that tests can set it. */
  readonly now: () => Date;
}

export interface Asked<P extends string, B> extends House {
  readonly params: Params<P>;
  readonly body: B;
  /** The file that was sent, to an address that takes one. */
  readonly uploaded: Buffer;
  readonly person: SignedIn;
  readonly workshop: Workshop;
  readonly today: string;
  /** When it was done: now, or earlier where it waited for the server to be reached. */
  readonly madeAt: Date;
  readonly res: Response;
  /** One transaction with its event; honours the idempotency key of the request. */
  readonly change: <T>(work: (change: Change) => Promise<T>) => Promise<T>;
}

/** One address with what answers it, as data: tests go through all of them. */
export interface Endpoint extends Address {
  /** Answers the body to send as JSON, or undefined when it has already sent something. */
  readonly handle: (asked: Asked<string, unknown>) => Promise<unknown>;
}

/** What answers an address. Undefined: it has sent its answer itself, a file or text the database has written. */
export const serve = <P extends string, B, A>(
  address: Address<P, B, A>,
  handle: (asked: Asked<P, B>) => Promise<A | undefined>,
): Endpoint => ({ ...address, handle }) as unknown as Endpoint;

const PARAM: Record<string, { form: RegExp; what: string }> = {
  component: { form: /^[a-z0-9][a-z0-9.-]{0,60}$/, what: 'component' },
  variant: { form: /^[a-z0-9][a-z0-9.-]{0,60}$/, what: 'vehicle model' },
  kit: { form: /^[a-z0-9][a-z0-9.-]{0,60}$/, what: 'kit' },
  revision: { form: /^[a-z0-9][a-z0-9.-]{0,60}$/, what: 'kit revision' },
  number: { form: /^\d{2}-\d{3,5}$/, what: 'job' },
  order: { form: /^K\d{2}-\d{3,5}$/, what: 'kit order' },
  purchase: { form: /^P\d{2}-\d{3,5}$/, what: 'order' },
  sale: { form: /^S\d{2}-\d{3,5}$/, what: 'sale' },
  supplier: { form: /^[a-z0-9][a-z0-9.-]{0,60}$/, what: 'supplier' },
  about: { form: new RegExp(`^(${FILE_ABOUT.join('|')})$`), what: 'place for files' },
  word: { form: /^[^\p{Cc}]{1,80}$/u, what: 'word' },
  list: { form: /^[a-z]{1,20}$/, what: 'list' },
  from: { form: /^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])$/, what: 'day' },
  to: { form: /^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])$/, what: 'day' },
  entry: { form: /^[1-9]\d{0,14}$/, what: 'hours' },
  months: { form: /^([1-9]|[12]\d|3[0-6])$/, what: 'stretch of months' },
  page: { form: /^\d{1,6}$/, what: 'page' },
  of: { form: /^[A-Za-z0-9][A-Za-z0-9.-]{0,80}$/, what: 'entry' },
  name: { form: /^[^\p{Cc}]{1,200}$/u, what: 'name' },
  id: { form: /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/, what: 'entry' },
};

/** Puts endpoints on a router: who asks, role, address parts, body, then the answer. */
export function mount(router: Router, house: House, endpoints: readonly Endpoint[]): void {
  for (const definition of endpoints) {
    const { bytes } = definition.size;
    const people = new WeakMap<Request, Visitor>();
    router[definition.method](
      definition.path,
      admit(house, definition, people),
      // Read only once it is known who sends it and that they may.
      definition.upload === undefined
        ? express.json({ limit: bytes })
        : express.raw({ limit: definition.upload, type: () => true, inflate: false }),
      handler(house, definition, people),
    );
  }
}

function admit(house: House, { may }: Endpoint, people: WeakMap<Request, Visitor>): RequestHandler {
  return async (req, _res, next) => {
    const visitor = await visitorOf(house.db, req);
    if (!visitor) throw new SignInNeeded();
    const { person } = visitor;
    // Before what this one may: what another did is neither taken nor refused for good.
    holdToPerson(req, person.id);
    if (!hasRole(person.role, may)) throw new NotAllowed(`This is for a ${may}; you are signed in as ${person.role}.`);
    for (const [name, value] of Object.entries(req.params as Record<string, string>)) {
      const rule = PARAM[name];
      if (rule && !rule.form.test(value)) throw new NotFound(rule.what);
    }
    people.set(req, visitor);
    next();
  };
}

function handler(
  house: House,
  { body, handle, act, size, secret }: Endpoint,
  people: WeakMap<Request, Visitor>,
): RequestHandler {
  return async (req, res) => {
    const { person, workshop } = people.get(req)!;
    const sent: unknown = req.body ?? {};
    const value = body ? readBody(body, sent, size.bounds) : {};
    const now = house.now();
    const key = req.method === 'GET' || secret ? null : requestKey(req, sent);
    const answered = await handle({
      ...house,
      params: req.params as Record<string, string>,
      body: value,
      uploaded: Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0),
      person,
      workshop,
      today: dayOf(now, workshop.timeZone),
      madeAt: whenMade(req, now),
      res,
      change: async (work) => {
        const { answer: done, touched } = await changeIn(house.transact, person, key, act ?? null, work);
        if (touched) res.setHeader(TOUCHED_HEADING, touchedText(touched));
        return done;
      },
    });
    if (answered !== undefined) res.json(answered);
  };
}

/** Counts, then checks a body; what comes back is as its schema says. */
export function readBody<T>(schema: Joi.Schema<T>, sent: unknown, bounds: Bounds): T {
  const passed = boundsProblem(sent, bounds);
  if (passed) throw new ProblemError('tooLarge', BOUNDS_SENTENCE[passed]);
  const { value, problems } = check(schema, sent);
  if (Object.keys(problems).length > 0) throw new BadInput(problems);
  return value;
}

/** Whoever did it is whoever is named: what was done earlier says by whom, and what says so is held to it. */
function holdToPerson(req: Request, personId: string): void {
  const by = req.get(PERSON_HEADING);
  if (by !== undefined && by !== personId) throw new AnothersDoing();
  if (by === undefined && req.get(MADE_HEADING) !== undefined)
    throw new ProblemError('badInput', 'Who did this is not said, so that it cannot be stored under their name.');
}

/** What was made longer ago may have been taken and forgotten: keys are kept a week. */
const OLDEST_MS = 6 * 86_400_000;

/** When something was done that says so in its headings, by a clock that may be wrong: see `madeAt`. */
function whenMade(req: Request, now: Date): Date {
  const [made, sent] = [req.get(MADE_HEADING), req.get(CLOCK_HEADING)];
  if (made === undefined || sent === undefined) return now;
  const said = { made: Date.parse(made), sent: Date.parse(sent) };
  if (Number.isNaN(said.made) || Number.isNaN(said.sent))
    throw new ProblemError('badInput', 'When this was done cannot be read.');
  const at = madeAt(now.getTime(), said, OLDEST_MS);
  if (at === null)
    throw new ProblemError(
      'rule',
      'This was done more than six days before it could be sent. Enter it afterwards, where it belongs.',
    );
  return new Date(at);
}

const KEY_LENGTH = 100;

function requestKey(req: Request, sent: unknown): RequestKey | null {
  const key = req.get('Idempotency-Key');
  if (key === undefined) return null;
  if (key === '' || key.length > KEY_LENGTH)
    throw new ProblemError('badInput', `An Idempotency-Key has 1 to ${KEY_LENGTH} characters.`);
  const bodyHash = createHash('sha256')
    .update(Buffer.isBuffer(sent) ? sent : JSON.stringify(sent))
    .digest('hex');
  return { key, method: req.method, path: req.path, bodyHash };
}
