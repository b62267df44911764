import { STATUS_CODES } from 'node:http';
import type { Problem, ProblemType } from '../contract/problem.ts';

const STATUS: Record<ProblemType, number> = {
  badInput: 400,
  badJson: 400,
  signInNeeded: 401,
  signInWrong: 401,
  csrf: 403,
  notAllowed: 403,
  notFound: 404,
  another: 409,
  stale: 409,
  conflict: 409,
  keyReused: 409,
  tooLarge: 413,
  rule: 422,
  tooManyTries: 429,
  fault: 500,
  busy: 503,
};

/** An answer other than success, thrown anywhere below a route. */
export class ProblemError extends Error {
  readonly problem: Problem;
  /** For `busy` and `tooManyTries`: when to try again. */
  readonly retryAfterS: number | null;
  constructor(
    type: ProblemType,
    detail: string,
    more: Pick<Problem, 'fields' | 'current'> & { retryAfterS?: number; cause?: unknown } = {},
  ) {
    const { retryAfterS, cause, ...shown } = more;
    super(detail, { cause });
    this.name = new.target.name;
    const status = STATUS[type];
    this.problem = { type: `/problems/${type}`, title: STATUS_CODES[status] ?? 'Problem', status, detail, ...shown };
    this.retryAfterS = retryAfterS ?? null;
  }
}

/** Field path → sentence. */
export class BadInput extends ProblemError {
  constructor(fields: Record<string, string>) {
    super('badInput', Object.values(fields)[0] ?? 'Something in this form cannot be taken.', { fields });
  }
}
export class NotFound extends ProblemError {
  constructor(what: string) {
    super('notFound', `There is no such ${what}.`);
  }
}
/** It was done by one person and comes in the session of another: nobody's doing is stored under another's name. */
export class AnothersDoing extends ProblemError {
  constructor() {
    super(
      'another',
      'This was done by somebody else than is signed in here now. Nothing was stored: it is theirs to send, signed in as themselves.',
    );
  }
}
/** A rule of the trade or of the workshop stands against it. */
export class RuleBroken extends ProblemError {
  constructor(detail: string) {
    super('rule', detail);
  }
}
export class NotAllowed extends ProblemError {
  constructor(detail: string) {
    super('notAllowed', detail);
  }
}
/** The change was made from a version that is not the stored one any more. */
export class Stale extends ProblemError {
  constructor(current: unknown) {
    super('stale', 'Somebody changed this while you were writing. Compare both and save again.', { current });
  }
}
export class SignInNeeded extends ProblemError {
  constructor(detail = 'You are not signed in any more. Sign in again; what you typed is kept.') {
    super('signInNeeded', detail);
  }
}
export class TooManyTries extends ProblemError {
  constructor(retryAfterS: number) {
    super('tooManyTries', 'Too many tries. Wait five minutes, then try again.', { retryAfterS });
  }
}
/** Something the server needs is not to be had at this moment; nothing was stored. */
export class Busy extends ProblemError {
  constructor(detail: string, cause?: unknown, retryAfterS = 2) {
    super('busy', detail, { retryAfterS, cause });
  }
}

interface Coded {
  readonly code?: unknown;
  readonly cause?: unknown;
  readonly constraint?: string;
  readonly type?: unknown;
  readonly message?: string;
  readonly syscall?: unknown;
}

const UNIQUE_SENTENCES: Record<string, string> = {
  time_entry_one_open: 'You are clocked on elsewhere. Clock off there first.',
  job_number_unique: 'Another job took this number at the same moment. Save again.',
  stage_key_once: 'The stages are there already.',
};

const CUT = 'The database cannot be reached at this moment. Nothing was stored; try again in a moment.';
const LOCKED = 'Somebody else is changing this at this moment. Nothing was stored; try again in a moment.';

/** Messages of pg's own that carry no code. */
const CUT_MESSAGES = [
  'Connection terminated',
  'Client has encountered a connection error',
  'timeout exceeded when trying to connect',
  'Cannot use a pool after calling end',
  'Client was closed and is not queryable',
];

/** What a database that is cut, starting, full or too slow throws; null for anything else. */
function busyOf({ code, message, syscall }: Coded, error: unknown): Busy | null {
  if (typeof code === 'string') {
    if (code === '55P03') return new Busy(LOCKED, error);
    if (code === '57014') return new Busy('This took longer than the database may take. Try again.', error);
    // 08: connection · 57P0: shutting down or starting · 53: out of connections, memory or disk · 25P03: idle too long
    if (/^(08|53|57P0)/.test(code) || code === '25P03') return new Busy(CUT, error);
    if (/^E(CONN|PIPE|TIMEDOUT|HOSTUNREACH)/.test(code) && (syscall === undefined || typeof syscall === 'string'))
      return new Busy(CUT, error);
  }
  return CUT_MESSAGES.some((known) => message?.startsWith(known)) ? new Busy(CUT, error) : null;
}

/** Is this one of two changes that waited for each other, so that running it again is all it needs? */
export function isClash(error: unknown): boolean {
  const { code, cause } = (error ?? {}) as Coded;
  return code === '40001' || code === '40P01' || (cause != null && isClash(cause));
}

/** Translates what the database or the body parser throws into a problem; null for a real fault. */
export function problemOf(error: unknown): ProblemError | null {
  if (error instanceof ProblemError) return error;
  if (typeof error !== 'object' || error === null) return null;
  const coded = error as Coded;
  const { code, cause, constraint, type, message } = coded;
  if (type === 'entity.too.large')
    return new ProblemError('tooLarge', 'This is more than Dajo takes here in one go. Send less.');
  if (typeof type === 'string' && /^(entity|encoding|charset|request|parameters|stream)\./.test(type))
    return new ProblemError('badJson', 'This was not sent as readable JSON.');
  // What the unpacking of a compressed body says when it is not what its heading claims.
  if (typeof code === 'string' && (/^(Z_|ERR__ERROR_|ERR_BROTLI)/.test(code) || code === 'ERR_BUFFER_TOO_LARGE'))
    return new ProblemError('badJson', 'This was not sent as readable JSON.');
  if (error instanceof URIError) return new ProblemError('notFound', 'There is no such address.');
  if (typeof code === 'string') {
    if (code === '23505')
      return new ProblemError('conflict', UNIQUE_SENTENCES[constraint ?? ''] ?? 'This is there already.');
    if (code === '23P01' && constraint === 'time_entry_apart')
      return new ProblemError('conflict', 'These hours overlap others of the same person. Look at that day again.');
    if (code === '23503') return new ProblemError('badInput', 'This refers to something that is not there.');
    if (code === '23514') return new ProblemError('badInput', 'A value lies outside what can be stored here.');
    if (code === 'DJ001')
      return new ProblemError('rule', 'What is signed or released is never changed. Add a new one.');
    if (code === 'DJ002')
      return new ProblemError('rule', 'Live high-voltage work needs an authorised person and a second one clocked on.');
    if (code === 'DJ003') return new ProblemError('conflict', 'Stores do not have that many free.');
    if (code === 'DJ004')
      return new ProblemError('conflict', 'Somebody has moved one of these numbers since. Look again, then decide.');
    if (code === 'DJ005')
      return new ProblemError(
        'conflict',
        'One of these numbers is being refurbished: it leaves its bin once that is over.',
      );
    if (isClash(error)) return new Busy('Two changes met. Nothing was stored; try again.', error);
    if (code.startsWith('22'))
      return new ProblemError('badInput', message ? `This cannot be stored: ${message}.` : 'This cannot be stored.');
  }
  return busyOf(coded, error) ?? (cause ? problemOf(cause) : null);
}
