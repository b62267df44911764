import 'fake-indexeddb/auto';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import { beforeAll, expect, test } from 'vitest';
import type { BenchAct, WaitingAct } from '../../contract/benchActs.ts';
import { CLOCK_HEADING, MADE_HEADING, PERSON_HEADING } from '../../contract/changes.ts';
import { seeded } from '../../core/spread/seeded.ts';
import { deliver, type Post } from '../../web/data/outbox/deliver.ts';
import { type ActStore, openActs } from '../../web/data/outbox/store.ts';
import { openWorkshop, type Visitor } from '../api/workshop.ts';

const shop = openWorkshop();
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
let jory: Visitor;
let personId: string;
let number: string;
let stageId: string;
let stepId: string;

beforeAll(async () => {
  await sql('delete from time_entry');
  jory = await shop.visitor('jory');
  personId = (await sql("select id from person where sign_in = 'jory'")).rows[0].id;
  const job = await jory.job('Bakery van');
  const stage = job.stages.find(({ key }) => key === 'rear-box')!;
  [number, stageId, stepId] = [job.number, stage.id, stage.steps[0]!.id];
});

/** The times at which a page, a server or the line between them is cut; each decides what becomes of one sending. */
const CUTS = ['none', 'beforeServer', 'afterServer', 'serverDies', 'pageDiesBefore', 'pageDiesAfter'] as const;

class PageDied extends Error {}

/** A server that can be killed and started again on the same database, and a browser that outlives its pages. */
async function withServer(work: (at: () => string, restart: () => Promise<void>) => Promise<void>): Promise<void> {
  let server: Server;
  const start = () =>
    new Promise<void>((done) => {
      server = shop.app().listen(0, '127.0.0.1', () => done());
    });
  const stop = () =>
    new Promise<void>((done) => {
      server.close(() => done());
      server.closeAllConnections();
    });
  await start();
  try {
    await work(
      () => `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
      async () => {
        await stop();
        await start();
      },
    );
  } finally {
    await stop();
  }
}

test('page, server and line cut at random two hundred times: every act is stored once, in its order', async () => {
  const random = seeded(20_261_126);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  await withServer(async (at, restart) => {
    const agent = request.agent(at());
    const { csrfToken } = (await agent.get('/api/session')).body;
    const signedIn = await agent
      .post('/api/session')
      .set('X-CSRF-Token', csrfToken)
      .send({ signIn: 'jory', password: 'quay-and-copper' });
    const cookie = signedIn.headers['set-cookie']!;
    const token = signedIn.body.csrfToken as string;
    let cuts = 0;
    const post: Post = async ({ path, body, key, made, personId: by }) => {
      const cut = cuts < 200 ? pick(CUTS) : 'none';
      if (cut !== 'none') cuts++;
      if (cut === 'pageDiesBefore') throw new PageDied();
      if (cut === 'beforeServer') return { was: 'unknown', because: 'cut' };
      const sending = fetch(`${at()}/api${path}`, {
        method: 'POST',
        headers: {
          ...{ 'Content-Type': 'application/json', 'X-CSRF-Token': token, Cookie: String(cookie) },
          ...{ 'Idempotency-Key': key, [MADE_HEADING]: made, [CLOCK_HEADING]: new Date().toISOString() },
          [PERSON_HEADING]: by,
        },
        body: JSON.stringify(body),
      });
      if (cut === 'serverDies') {
        const lost = sending.catch(() => null);
        await restart();
        await lost;
        return { was: 'unknown', because: 'cut' };
      }
      const response = await sending;
      if (cut === 'pageDiesAfter') throw new PageDied();
      if (cut === 'afterServer') return { was: 'unknown', because: 'cut' };
      if (response.ok) return { was: 'taken' };
      return response.status >= 500
        ? { was: 'unknown', because: 'cut' }
        : { was: 'refused', why: await response.text() };
    };
    // What a technician does in a day, each act told apart by its own number.
    const acts: BenchAct[] = [{ act: 'clockOn', stageId, number, kind: 'work', cause: null, leave: false }];
    for (let i = 1; i <= 70; i++)
      acts.push(
        i % 5 === 0
          ? { act: 'clockOff', pause: false }
          : i % 5 === 1 && i > 1
            ? { act: 'clockOn', stageId, number, kind: 'learning', cause: null, leave: false }
            : i % 2 === 0
              ? { act: 'read', stepId, value: i / 10_000, toolId: null }
              : { act: 'snag', number, text: `fault number ${i}` },
      );
    let store: ActStore = openActs('cuts');
    const begun = Date.now();
    for (const [i, act] of acts.entries()) {
      const entry = {
        key: crypto.randomUUID(),
        personId,
        made: new Date(begun - (acts.length - i) * 60_000).toISOString(),
        act,
        says: `${i}`,
      };
      await store.add({ ...entry, refused: null });
      // The page tries at once, and may die at it; the next one finds what is left.
      if (random() < 0.7)
        await deliver(store, personId, post).catch((error) => {
          if (!(error instanceof PageDied)) throw error;
          store = openActs('cuts');
        });
    }
    for (let tries = 0; tries < 1000 && (await store.all()).length > 0; tries++)
      await deliver(store, personId, post).catch(() => {
        store = openActs('cuts');
      });
    expect(cuts).toBe(200);
    expect((await store.all()).map(({ act, refused }: WaitingAct) => [act, refused])).toEqual([]);
    const snags = (await sql("select text from snag where text like 'fault number %' order by at, id")).rows;
    expect(snags.map(({ text }) => text)).toEqual(acts.flatMap((act) => (act.act === 'snag' ? [act.text] : [])));
    const readings = (
      await sql('select value from reading where step_id = $1 and by_id = $2 order by id', [stepId, personId])
    ).rows;
    expect(readings.map(({ value }) => value)).toEqual(acts.flatMap((act) => (act.act === 'read' ? [act.value] : [])));
    const hours = (await sql('select kind, "from", "to" from time_entry where person_id = $1 order by id', [personId]))
      .rows;
    expect(hours.map(({ kind }) => kind)).toEqual(acts.flatMap((act) => (act.act === 'clockOn' ? [act.kind] : [])));
    for (const [i, { to }] of hours.entries())
      if (i + 1 < hours.length) expect(+hours[i + 1].from).toBeGreaterThanOrEqual(+to);
    const { rows } = await sql(
      "select count(*)::int as n from event where person_id = $1 and what in ('clocked on', 'clocked off')",
      [personId],
    );
    expect(rows[0].n).toBe(acts.filter(({ act }) => act === 'clockOn' || act === 'clockOff').length);
  });
}, 240_000);

test('what the server refuses is kept with its reason, and what follows it goes on', async () => {
  const store = openActs('refused');
  const add = (act: BenchAct, of = personId) =>
    store.add({
      key: crypto.randomUUID(),
      personId: of,
      made: new Date().toISOString(),
      act,
      says: act.act,
      refused: null,
    });
  await add({ act: 'clockOff', pause: false });
  await add({ act: 'snag', number, text: 'after it' });
  await add({ act: 'snag', number, text: 'of somebody else' }, 'another');
  const sent: string[] = [];
  const post: Post = async ({ path }) => {
    sent.push(path);
    return path === '/clock-off' ? { was: 'refused', why: 'You are not clocked on anywhere.' } : { was: 'taken' };
  };
  expect(await deliver(store, personId, post)).toBeNull();
  expect(sent).toEqual(['/clock-off', `/jobs/${number}/snags`]);
  expect((await store.all()).map(({ says, refused, personId: of }) => [says, refused, of])).toEqual([
    ['clockOff', 'You are not clocked on anywhere.', personId],
    ['snag', null, 'another'],
  ]);
  // It is not sent again by itself.
  expect(await deliver(store, personId, post)).toBeNull();
  expect(sent).toHaveLength(2);
});
