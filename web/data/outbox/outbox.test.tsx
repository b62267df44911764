// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { act, renderHook } from '@testing-library/react';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { onSignInNeeded } from '../client.ts';
import { doAct, openOutbox, seen, sendWaiting, useOutbox } from './outbox.ts';

/** What a status stands for here. */
const TYPES = new Map([
  [401, 'signInNeeded'],
  [403, 'csrf'],
  [409, 'another'],
]);

interface Sent {
  readonly by: string | null;
  readonly path: string;
  readonly key: string;
  readonly made: string | null;
  readonly body: unknown;
}
let sent: Sent[] = [];
/** How the server answers, one after the other; the last for all that follow. */
let answers: (number | 'cut')[] = [200];
let run = 0;
const JORY = { id: 'jory', name: 'Jory' };
/** How often the session was looked at. */
let looked = 0;

beforeEach(async () => {
  sent = [];
  answers = [200];
  vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
    const headers = new Headers(init.headers);
    if (url === '/api/session') {
      looked++;
      return Response.json({ csrfToken: 'fresh' });
    }
    const now = answers.length > 1 ? answers.shift()! : answers[0]!;
    sent.push({
      ...{ path: url, key: headers.get('Idempotency-Key') ?? '', made: headers.get('Dajo-Made-At') },
      by: headers.get('Dajo-Person'),
      body: JSON.parse(String(init.body)),
    });
    if (now === 'cut') throw new TypeError('cut');
    return now === 200
      ? Response.json({})
      : Response.json(
          { type: `/problems/${TYPES.get(now) ?? 'rule'}`, title: '', status: now, detail: `no, ${now}` },
          { status: now },
        );
  });
  // A browser of its own each time.
  await openOutbox(`test-${++run}`, JORY);
});

const snag = (text: string) => ({ act: 'snag', number: '26-104', text }) as const;
const texts = () => sent.map(({ body }) => (body as { text: string }).text);

describe('what is done at the vehicle', () => {
  test('is sent at once where the server answers, with when it was done', async () => {
    expect(await doAct(snag('a'), 'snag: a')).toEqual({ was: 'taken' });
    expect(sent).toHaveLength(1);
    expect(sent[0]).toMatchObject({ path: '/api/jobs/26-104/snags', body: { text: 'a' } });
    expect(Math.abs(Date.parse(sent[0]!.made!) - Date.now())).toBeLessThan(5000);
  });
  test('waits while it is cut, and goes in its order under its own keys', async () => {
    answers = ['cut'];
    expect(await doAct(snag('a'), 'snag: a')).toEqual({ was: 'waiting' });
    expect(await doAct(snag('b'), 'snag: b')).toEqual({ was: 'waiting' });
    const { result } = renderHook(() => useOutbox());
    expect(result.current).toMatchObject({ held: 'cut' });
    expect(result.current.acts.map(({ says }) => says)).toEqual(['snag: a', 'snag: b']);
    const first = sent[0]!.key;
    sent = [];
    answers = [200];
    await act(() => sendWaiting());
    expect(texts()).toEqual(['a', 'b']);
    expect(sent[0]!.key).toBe(first);
    expect(new Set(sent.map(({ key }) => key)).size).toBe(2);
    expect(result.current).toMatchObject({ acts: [], held: null });
  });
  test('an answer that was lost is asked for again with the same key, never with another', async () => {
    answers = [503, 429, 500, 200];
    await doAct(snag('a'), 'snag: a');
    for (let i = 0; i < 3; i++) await sendWaiting();
    expect(new Set(sent.map(({ key }) => key)).size).toBe(1);
    expect(sent.length).toBe(4);
  });
  test('refused at once it is said where it was done, and is not kept', async () => {
    answers = [422];
    expect(await doAct(snag('a'), 'snag: a')).toEqual({ was: 'refused', why: 'no, 422' });
    const { result } = renderHook(() => useOutbox());
    expect(result.current.acts).toEqual([]);
  });
  test('refused later it stays to be read until it was, and what follows it goes', async () => {
    answers = ['cut'];
    await doAct(snag('a'), 'snag: a');
    await doAct(snag('b'), 'snag: b');
    sent = [];
    answers = [422, 200];
    await sendWaiting();
    const { result } = renderHook(() => useOutbox());
    expect(result.current.acts.map(({ says, refused }) => [says, refused])).toEqual([['snag: a', 'no, 422']]);
    expect(texts()).toEqual(['a', 'b']);
    await act(() => seen(result.current.acts[0]!.seq));
    expect(result.current.acts).toEqual([]);
  });
  test('with a token of an earlier session it is sent once more with a fresh one', async () => {
    answers = [403, 200, 200];
    expect(await doAct(snag('a'), 'snag: a')).toEqual({ was: 'taken' });
    expect(new Set(sent.map(({ key }) => key)).size).toBe(1);
  });
  test('of one person is not sent while another is signed in, and is when they are back', async () => {
    answers = ['cut'];
    await doAct(snag('a'), 'snag: a');
    sent = [];
    answers = [200];
    await openOutbox(`test-${run}`, { id: 'ravi', name: 'Ravi' });
    await sendWaiting();
    expect(sent).toEqual([]);
    await openOutbox(`test-${run}`, JORY);
    await sendWaiting();
    expect(texts()).toEqual(['a']);
  });
  test('says whose it is, and waits while this browser is signed in as somebody else', async () => {
    answers = [409];
    expect(await doAct(snag('a'), 'snag: a')).toEqual({ was: 'waiting' });
    expect(sent.map(({ by }) => by)).toEqual(expect.arrayContaining(['jory']));
    const { result } = renderHook(() => useOutbox());
    expect(result.current).toMatchObject({ held: 'another', acts: [{ personName: 'Jory', refused: null }] });
    answers = [200];
    await act(() => sendWaiting());
    expect(result.current.acts).toEqual([]);
  });
  test('signed out it waits, asks once, and holds up nothing for an answer that never comes', async () => {
    let asked = 0;
    onSignInNeeded(() => {
      asked++;
      return new Promise(() => {});
    });
    answers = [401];
    expect(await doAct(snag('a'), 'snag: a')).toEqual({ was: 'waiting' });
    await doAct(snag('b'), 'snag: b');
    await sendWaiting();
    expect(asked).toBe(1);
    const { result } = renderHook(() => useOutbox());
    expect(result.current.held).toBe('signedOut');
    // They sign in on another page of this browser: nobody has answered here, and it goes all the same.
    answers = [200];
    sent = [];
    await act(() => sendWaiting());
    expect(texts()).toEqual(['a', 'b']);
    expect(result.current.acts).toEqual([]);
  });
  test('a role that may not do it is told so, and no token is fetched for it', async () => {
    TYPES.set(403, 'notAllowed');
    answers = [403];
    looked = 0;
    expect(await doAct(snag('a'), 'snag: a')).toEqual({ was: 'refused', why: 'no, 403' });
    expect(looked).toBe(0);
    TYPES.set(403, 'csrf');
  });
  test('ten things done at once all go, each once', async () => {
    await Promise.all([...Array(10).keys()].map((i) => doAct(snag(`n${i}`), `snag: ${i}`)));
    await sendWaiting();
    expect(texts().toSorted()).toEqual([...Array(10).keys()].map((i) => `n${i}`));
  });
  test('another workshop of the same browser has its own', async () => {
    answers = ['cut'];
    await doAct(snag('a'), 'snag: a');
    sent = [];
    answers = [200];
    await openOutbox(`test-${run}-other`, JORY);
    await sendWaiting();
    expect(sent).toEqual([]);
  });
});
