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
  stale: 409,
  conflict: 409,
  tooLarge: 413,
  rule: 422,
  tooManyTries: 429,
  fault: 500,
};

/** An answer other than success, thrown anywhere below a route. */
export class ProblemError extends Error {
  readonly problem: Problem;
  constructor(type: ProblemType, detail: string, more: Pick<Problem, 'fields' | 'current'> = {}) {
    super(detail);
    const status = STATUS[type];
    this.problem = { type: `/problems/${type}`, title: STATUS_CODES[status] ?? 'Problem', status, detail, ...more };
  }
}

export const badInput = (fields: Record<string, string>) =>
  new ProblemError('badInput', Object.values(fields)[0] ?? 'Something in this form cannot be taken.', { fields });
export const notFound = (what: string) => new ProblemError('notFound', `There is no such ${what}.`);
export const ruleBroken = (detail: string) => new ProblemError('rule', detail);
export const stale = (current: unknown) =>
  new ProblemError('stale', 'Somebody changed this while you were writing. Compare both and save again.', { current });

interface Coded {
  readonly code?: unknown;
  readonly cause?: unknown;
  readonly constraint?: string;
  readonly type?: unknown;
  readonly message?: string;
}

const UNIQUE_SENTENCES: Record<string, string> = {
  time_entry_one_open: 'You are clocked on elsewhere. Clock off there first.',
  job_number_unique: 'Another job took this number at the same moment. Save again.',
  stage_key_once: 'The stages are there already.',
};

/** Translates what the database or the body parser throws into a problem; null for a real fault. */
export function problemOf(error: unknown): ProblemError | null {
  if (error instanceof ProblemError) return error;
  const { code, cause, constraint, type, message } = (error ?? {}) as Coded;
  if (type === 'entity.too.large')
    return new ProblemError('tooLarge', 'This is more than Dajo takes in one go (1 MB). Send less.');
  if (typeof type === 'string' && type.startsWith('entity.'))
    return new ProblemError('badJson', 'This was not sent as readable JSON.');
  if (typeof type === 'string' && /^(encoding|charset|request)\./.test(type))
    return new ProblemError('badJson', 'This was not sent as readable JSON.');
  if (error instanceof URIError) return new ProblemError('notFound', 'There is no such address.');
  if (typeof code === 'string') {
    if (code === '23505')
      return new ProblemError('conflict', UNIQUE_SENTENCES[constraint ?? ''] ?? 'This is there already.');
    if (code === '23503') return new ProblemError('badInput', 'This refers to something that is not there.');
    if (code === '23514') return new ProblemError('badInput', 'A value lies outside what can be stored here.');
    if (code === 'DJ001')
      return new ProblemError('rule', 'What is signed or released is never changed. Add a new one.');
    if (code === 'DJ002')
      return new ProblemError('rule', 'Live high-voltage work needs an authorised person and a second one clocked on.');
    if (code === '40001' || code === '40P01') return new ProblemError('conflict', 'Two changes met. Try again.');
    if (code.startsWith('22'))
      return new ProblemError('badInput', message ? `This cannot be stored: ${message}.` : 'This cannot be stored.');
  }
  return cause ? problemOf(cause) : null;
}
