import { type Address, type Params, pathOf, type Sent as SentBody } from '../../contract/address.ts';
import {
  CLOCK_HEADING,
  MADE_HEADING,
  PERSON_HEADING,
  readTouched,
  TOUCHED_HEADING,
  type Touched,
} from '../../contract/changes.ts';
import type { Problem } from '../../contract/problem.ts';
import type { Post, Sent } from './outbox/deliver.ts';

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

/** Whose page this is: what is done on it goes out as theirs or not at all, whoever signs in meanwhile. */
let pageOf: string | null = null;
export function setPageOf(personId: string | null): void {
  pageOf = personId;
}

/** Set by the shell: asks the person to sign in again over the open page and resolves when they have. */
let signInAgain: (() => Promise<void>) | null = null;
/** Asks whoever is here to sign in again, where a page is open that can. */
export const askToSignIn = (): Promise<void> => signInAgain?.() ?? Promise.resolve();
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

/** Headings that say more of a request, and how long its answer is waited for at most. */
interface More {
  readonly headers: Readonly<Record<string, string>>;
  readonly timeoutMs?: number;
}

async function request(method: string, path: string, body?: unknown, key?: string, more?: More): Promise<Response> {
  const headers: Record<string, string> = { Accept: 'application/json', ...more?.headers };
  const file = body instanceof Blob;
  if (body !== undefined) headers['Content-Type'] = file ? 'application/octet-stream' : 'application/json';
  if (method !== 'GET') headers['X-CSRF-Token'] = csrfToken;
  if (key) headers['Idempotency-Key'] = key;
  try {
    const sent = body === undefined ? undefined : file ? body : JSON.stringify(body);
    const signal = more?.timeoutMs === undefined ? null : AbortSignal.timeout(more.timeoutMs);
    return await fetch(`/api${path}`, { method, headers, body: sent, signal });
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
async function call(method: string, path: string, body?: unknown, key?: string): Promise<Response> {
  const named = method !== 'GET' && !path.startsWith('/session') && pageOf !== null;
  const more = named ? { headers: { [PERSON_HEADING]: pageOf! } } : undefined;
  let response = await request(method, path, body, key, more);
  if (response.status === 401 && signInAgain && !path.startsWith('/session')) {
    await signInAgain();
    response = await request(method, path, body, key, more);
  }
  if (!response.ok) throw new Refused(await readProblem(response));
  return response;
}

const ACT_TIMEOUT_MS = 20_000;

/**
 * Sends one act of what waits, with the key it was kept with and whose it is. Nobody is asked anything here: whoever sends
 * holds back all pages of this browser, and decides when it has let go of them. A token of an earlier session is fetched anew.
 */
export async function postAct({ path, body, key, made, personId }: Parameters<Post>[0]): Promise<Sent> {
  const once = () => {
    const headers = {
      ...{ [MADE_HEADING]: made, [CLOCK_HEADING]: new Date().toISOString(), [PERSON_HEADING]: personId },
    };
    return request('POST', path, body, key, { headers, timeoutMs: ACT_TIMEOUT_MS });
  };
  try {
    let response = await once();
    if (response.status === 403 && (await readProblem(response.clone())).type === '/problems/csrf') {
      setCsrfToken((await readSession()).csrfToken);
      response = await once();
    }
    if (response.ok) {
      const touched = response.headers.get(TOUCHED_HEADING);
      await response.text();
      await afterChange?.(touched === null ? null : readTouched(touched)).catch(() => {});
      return { was: 'taken' };
    }
    const problem = await readProblem(response);
    if (response.status === 401) return { was: 'unknown', because: 'signedOut' };
    if (problem.type === '/problems/another') return { was: 'unknown', because: 'another' };
    return response.status === 429 || response.status >= 500
      ? { was: 'unknown', because: 'cut' }
      : { was: 'refused', why: problem.detail };
  } catch {
    return { was: 'unknown', because: 'cut' };
  }
}

/** The session of this browser, asked for within the time an act has. */
const readSession = async () =>
  (await (
    await request('GET', '/session', undefined, undefined, { headers: {}, timeoutMs: ACT_TIMEOUT_MS })
  ).json()) as {
    csrfToken: string;
  };

/** What is sent to an address: nothing where it takes nothing. */
export type BodyOf<B> = [B] extends [undefined] ? [] : [body: SentBody<B>];

/** Where a browser fetches a file. */
export const fileUrl = <P extends string>(address: Address<P, undefined, never>, params: Params<P>): string =>
  `/api${pathOf(address, params)}`;

export const ask = async <T>(path: string): Promise<T> => (await call('GET', path)).json() as Promise<T>;

/** Set once: what is done when a change was stored, before whoever sent it goes on. Null: everything may have changed. */
let afterChange: ((touched: readonly Touched[] | null) => Promise<unknown>) | null = null;
export function onChange(refresh: typeof afterChange): void {
  afterChange = refresh;
}

/**
 * Keys of changes whose answer never came, by what was sent. Somebody who presses Save again sends the same request:
 * with the same key the server knows it, and does nothing twice.
 */
const unanswered = new Map<string, string>();
/** Old ones go when there are more: nobody repeats a request that long after. */
const MOST_UNANSWERED = 50;

/** Did the server take notice, so that the next press is a new request? A busy server stored nothing, or did and lost the answer. */
const wasAnswered = (status: number) => status > 0 && status < 500;

/** Sends a file as it is; with a key of its own, since nobody presses Save on it again. */
export async function sendFile<P extends string, A>(
  address: Address<P, undefined, A>,
  params: Params<P>,
  file: Blob,
): Promise<A> {
  const response = await call(address.method.toUpperCase(), pathOf(address, params), file, crypto.randomUUID());
  const touched = response.headers.get(TOUCHED_HEADING);
  await afterChange?.(touched === null ? null : readTouched(touched)).catch(() => {});
  return (await response.json()) as A;
}

/** Sends a change with a key, so that a repeat after a lost answer does nothing twice. */
export async function send<P extends string, B, A>(
  address: Address<P, B, A>,
  params: Params<P>,
  ...[body]: BodyOf<B>
): Promise<A> {
  const method = address.method.toUpperCase();
  const path = pathOf(address, params);
  const request = JSON.stringify([method, path, body ?? {}]);
  const key = unanswered.get(request) ?? crypto.randomUUID();
  unanswered.set(request, key);
  for (const old of [...unanswered.keys()].slice(0, -MOST_UNANSWERED)) unanswered.delete(old);
  try {
    const response = await call(method, path, body ?? {}, key);
    unanswered.delete(request);
    const answer = (await response.json()) as A;
    const touched = response.headers.get(TOUCHED_HEADING);
    // What was changed is fetched before a form lets go of its draft, or the old figures would show for a moment.
    // Whether it can be had or not, the change is stored: nobody may be told otherwise and send it again.
    if (!path.startsWith('/session'))
      await afterChange?.(touched === null ? null : readTouched(touched)).catch(() => {});
    return answer;
  } catch (error) {
    if (error instanceof Refused && wasAnswered(error.problem.status)) unanswered.delete(request);
    throw error;
  }
}
