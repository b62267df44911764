import pg from 'pg';
import { afterAll, beforeAll, expect, test } from 'vitest';
import type { JobRow } from '../../contract/job.ts';
import { type Cluster, startCluster } from '../../tools/cluster.ts';
import { ensureDatabase } from '../../tools/ensureDatabase.ts';
import { openDatabaseForTest } from '../../tools/openDatabase.ts';
import { type Running, serve } from '../../tools/serve.ts';
import { dropDatabase } from '../api/dropDatabase.ts';
import { type Passport, signInOver } from '../api/signInOver.ts';

// A cluster of its own, since this one is cut off again and again: 40 times every connection is killed, 10 times the
// whole database server is stopped as by a fault and started again, while people keep writing.
const DATABASE = 'cuts';
const KILLS = 40;
const CRASHES = 10;
const WRITERS = 6;
let cluster: Cluster;
let running: Running;
let ilse: Passport;
let number = '';

beforeAll(async () => {
  cluster = await startCluster('cuts');
  await dropDatabase(cluster.url('postgres'), DATABASE);
  await ensureDatabase(cluster.url('postgres'), DATABASE);
  await openDatabaseForTest(cluster.url(DATABASE));
  running = await serve(cluster.url(DATABASE), null, 0, { log: 'silent' });
  ilse = await signInOver(running.url, 'ilse');
  const jobs = (await (await fetch(`${running.url}/api/jobs`, { headers: ilse.headers })).json()) as JobRow[];
  number = jobs.find((job) => job.state === 'building')!.number;
}, 120_000);
afterAll(async () => {
  await running?.close();
  cluster?.stop();
});

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

interface Refusal {
  readonly status: number;
  readonly retryAfter: string | null;
  readonly detail: string;
}

/** Sends one snag until it is taken, always with the same key, as the page does. */
async function noteUntilTaken(text: string, refusals: Refusal[]): Promise<void> {
  for (;;) {
    const answer = await fetch(`${running.url}/api/jobs/${number}/snags`, {
      method: 'POST',
      headers: { ...ilse.headers, 'Idempotency-Key': text },
      body: JSON.stringify({ text }),
      // A request that is never answered is a fault, not a reason to wait.
      signal: AbortSignal.timeout(20_000),
    });
    if (answer.status === 200) {
      await answer.json();
      return;
    }
    const { detail } = (await answer.json()) as { detail: string };
    refusals.push({ status: answer.status, retryAfter: answer.headers.get('retry-after'), detail });
    await pause(20);
  }
}

/** What a page is told while it follows. */
async function follow(signal: AbortSignal): Promise<{ notes: () => string }> {
  const stream = await fetch(`${running.url}/api/events`, { headers: { cookie: ilse.cookie }, signal });
  const reader = stream.body!.getReader();
  let text = '';
  void (async () => {
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      text += new TextDecoder().decode(value);
    }
  })().catch(() => {});
  return { notes: () => text };
}

async function killAllBackends(): Promise<void> {
  const client = new pg.Client({ connectionString: cluster.url('postgres') });
  client.on('error', () => {});
  await client.connect();
  await client.query('select pg_terminate_backend(pid) from pg_stat_activity where datname = $1', [DATABASE]);
  await client.end();
}

test('fifty cuts of the database: every change is stored once, every refusal is a sentence, pages hear of it again', async () => {
  const refusals: Refusal[] = [];
  const following = new AbortController();
  const page = await follow(following.signal);
  let stopped = false;
  let written = 0;
  const texts: string[] = [];
  const writers = Array.from({ length: WRITERS }, async (_, who) => {
    for (let i = 0; !stopped; i++) {
      const text = `noise ${who} ${i}`;
      texts.push(text);
      await noteUntilTaken(text, refusals);
      written++;
    }
  });
  for (let cut = 0; cut < KILLS + CRASHES; cut++) {
    await pause(40 + (cut % 7) * 15);
    if (cut % 5 === 4) await cluster.crash();
    else await killAllBackends();
  }
  stopped = true;
  await Promise.all(writers);

  const { rows } = await (async () => {
    const client = new pg.Client({ connectionString: cluster.url(DATABASE) });
    await client.connect();
    const found = await client.query(
      "select text, count(*)::int as n from snag where text like 'noise %' group by text",
    );
    await client.end();
    return found;
  })();
  const counted = new Map<string, number>(rows.map((row) => [row.text, row.n]));
  expect(texts.filter((text) => counted.get(text) !== 1)).toEqual([]);
  expect(counted.size).toBe(texts.length);
  expect(written).toBeGreaterThan(KILLS);
  expect(refusals.length).toBeGreaterThan(10);
  for (const refusal of refusals) {
    expect(refusal.status, refusal.detail).toBe(503);
    expect(Number(refusal.retryAfter)).toBeGreaterThan(0);
    expect(refusal.detail).toMatch(/^[A-Z].*again/);
  }

  // The page was told to look at everything, and hears of what happens from now on.
  expect(page.notes()).toContain('reconnected');
  await noteUntilTaken('after the storm', refusals);
  for (let i = 0; i < 100 && page.notes().split('noted a snag').length < 2; i++) await pause(50);
  const heard = page.notes().length;
  await pause(6000);
  await noteUntilTaken('and once more', refusals);
  for (let i = 0; i < 60 && page.notes().length === heard; i++) await pause(50);
  expect(page.notes().length).toBeGreaterThan(heard);
  following.abort();
}, 180_000);
