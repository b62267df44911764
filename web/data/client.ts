import type { Problem } from '../../contract/problem.ts';

/** A problem document the server answered with, as an error that forms can read. */
export class Refused extends Error {
  readonly problem: Problem;
  constructor(problem: Problem) {
    super(problem.detail);
    this.problem = problem;
  }
}

let csrfToken = '';
export function setCsrfToken(token: string): void {
  csrfToken = token;
}

/** Set by the shell: asks the person to sign in again over the open page and resolves when they have. */
let signInAgain: (() => Promise<void>) | null = null;
export function onSignInNeeded(ask: () => Promise<void>): void {
  signInAgain = ask;
}

async function readProblem(response: Response): Promise<Problem> {
  try {
    return (await response.json()) as Problem;
  } catch {
    return {
      type: '/problems/fault',
      title: 'Problem',
      status: response.status,
      detail: 'The server did not answer as it should. Try again.',
    };
  }
}

async function request(method: string, path: string, body?: unknown, key?: string): Promise<Response> {
  const headers: Record<string, string> = { Accept: 'application/json' };
  if (body !== undefined) headers['Content-Type'] = 'application/json';
  if (method !== 'GET') headers['X-CSRF-Token'] = csrfToken;
  if (key) headers['Idempotency-Key'] = key;
  try {
    return await fetch(`/api${path}`, { method, headers, body: body === undefined ? undefined : JSON.stringify(body) });
  } catch {
    throw new Refused({
      type: '/problems/offline',
      title: 'Offline',
      status: 0,
      detail: 'The server cannot be reached. What you typed is kept; try again.',
    });
  }
}

/** Asks or sends; when the session has run out it lets the person sign in again and repeats the request. */
async function call<T>(method: string, path: string, body?: unknown, key?: string): Promise<T> {
  let response = await request(method, path, body, key);
  if (response.status === 401 && signInAgain && !path.startsWith('/session')) {
    await signInAgain();
    response = await request(method, path, body, key);
  }
  if (!response.ok) throw new Refused(await readProblem(response));
  return (await response.json()) as T;
}

export const ask = <T>(path: string): Promise<T> => call<T>('GET', path);

/** Sends a change. Every POST carries a key, so that a repeat after a lost answer does nothing twice. */
export function send<T = unknown>(method: 'POST' | 'PUT' | 'DELETE', path: string, body?: unknown): Promise<T> {
  return call<T>(method, path, body ?? {}, method === 'POST' ? crypto.randomUUID() : undefined);
}
