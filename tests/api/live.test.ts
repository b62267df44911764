import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { migrateUp } from '../../server/db/migrate.ts';
import { signInOver } from './signInOver.ts';
import { openWorkshop } from './workshop.ts';

const shop = openWorkshop();
let server: Server;
let base = '';
beforeAll(async () => {
  await new Promise<void>((done) => {
    server = shop.app().listen(0, '127.0.0.1', () => done());
  });
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});

/** Follows what happens as a signed-in person; `ended` resolves when the server ends the stream. */
async function follow(name: string) {
  const passport = await signInOver(base.replace(/\/api$/, ''), name);
  const stream = await fetch(`${base}/events`, { headers: { cookie: passport.cookie } });
  const reader = stream.body!.getReader();
  const ended = (async () => {
    for (;;) if ((await reader.read()).done) return true;
  })();
  return { passport, ended };
}
const soon = () => new Promise<false>((done) => setTimeout(done, 3000, false));

describe('a stream ends with what let it begin', () => {
  test('signing out', async () => {
    const { passport, ended } = await follow('tove');
    await fetch(`${base}/session`, { method: 'DELETE', headers: passport.headers });
    expect(await Promise.race([ended, soon()])).toBe(true);
  });
  test('being switched off, on every device', async () => {
    const [a, b] = [await follow('ravi'), await follow('ravi')];
    await shop.pool().query("update person set active = false where sign_in = 'ravi'");
    expect(await Promise.race([Promise.all([a.ended, b.ended]), soon()])).toEqual([true, true]);
    const { rows } = await shop
      .pool()
      .query("select 1 from session where sess ->> 'personId' = (select id::text from person where sign_in = 'ravi')");
    expect(rows).toEqual([]);
    await shop.pool().query("update person set active = true where sign_in = 'ravi'");
  });
  test('asking for its heading alone is answered', async () => {
    const answer = await fetch(`${base}/events`, { method: 'HEAD', signal: AbortSignal.timeout(2000) });
    expect(answer.status).toBe(200);
  });
});

test('a change by one person reaches another within two seconds', async () => {
  const stream = await fetch(`${base}/events`, {
    headers: { cookie: (await signInOver(base.replace(/\/api$/, ''), 'mabel')).cookie },
  });
  expect(stream.headers.get('content-type')).toContain('text/event-stream');
  const reader = stream.body!.getReader();
  const jory = await shop.visitor('jory');
  const job = await jory.job('Mobile library');
  const sent = Date.now();
  await jory.send('post', `/jobs/${job.number}/snags`, { text: 'Door sticks' });
  let text = '';
  while (!text.includes('noted a snag')) {
    const { value, done } = await reader.read();
    if (done) break;
    text += new TextDecoder().decode(value);
    if (Date.now() - sent > 5000) break;
  }
  await reader.cancel();
  expect(text).toContain(`"job":"${job.number}"`);
  expect(Date.now() - sent).toBeLessThan(2000);
});

test('several servers may bring the same database up to date at once', async () => {
  await Promise.all([migrateUp(shop.url()), migrateUp(shop.url()), migrateUp(shop.url())]);
  const { rows } = await shop
    .pool()
    .query("select count(*)::int as n from information_schema.tables where table_name = 'stage'");
  expect(rows[0].n).toBe(1);
});

test('the floor has places, open jobs, people and the clock in one answer', async () => {
  const odo = await shop.visitor('odo');
  const floor = (await odo.get('/floor')).body;
  expect(floor.places).toHaveLength(8);
  expect(floor.jobs).toHaveLength(8);
  expect(floor.people).toHaveLength(8);
  expect(floor.onTheClock.map((entry: { initials: string }) => entry.initials).sort()).toEqual([
    'JO',
    'MB',
    'PL',
    'SA',
  ]);
  const shuttle = floor.jobs.find((job: { title: string }) => job.title === 'Hotel shuttle');
  expect(shuttle.waitingParts).toHaveLength(1);
  expect(shuttle.vehicle.weighings).toHaveLength(1);
  expect(floor.jobs.some((job: { state: string }) => job.state === 'handedOver')).toBe(false);
});

test('a row that somebody spoiled by hand is left out of the library, and nothing else', async () => {
  const odo = await shop.visitor('odo');
  const before = (await odo.get('/library')).body.components as { id: string }[];
  const { rows } = await shop.pool().query("select sheet from component where id = 'module-n6'");
  await shop
    .pool()
    .query(`update component set sheet = jsonb_set(sheet, '{capacityAh}', '"plenty"') where id = 'module-n6'`);
  const after = await odo.get('/library');
  await shop.pool().query("update component set sheet = $1 where id = 'module-n6'", [rows[0].sheet]);
  expect(after.status).toBe(200);
  const ids = (after.body.components as { id: string }[]).map((part) => part.id);
  expect(ids).toEqual(before.map((part) => part.id).filter((id) => id !== 'module-n6'));
});

test('the library is whole', async () => {
  const odo = await shop.visitor('odo');
  const library = (await odo.get('/library')).body;
  expect((await odo.get('/variants')).body.length).toBeGreaterThanOrEqual(12);
  expect(library.models.length).toBeGreaterThanOrEqual(12);
  expect(library.beyond).toEqual({});
  expect(library.components.length).toBeGreaterThanOrEqual(40);
  expect(library.kits.length).toBeGreaterThanOrEqual(3);
  for (const variant of library.variants) expect(variant.bays.length, variant.id).toBeGreaterThan(0);
});
