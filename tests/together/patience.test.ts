import pg from 'pg';
import { expect, test } from 'vitest';
import { openWorkshop } from '../api/workshop.ts';

// Somebody outside (a backup, a hand at the console) holds a lock; ten people write into it. Whoever only looks must
// not notice, and the ten must be told, not left waiting for ever.
const shop = openWorkshop({ patience: { acquireMs: 700, lockMs: 900, statementMs: 5000, idleMs: 5000 } });

test('ten writes waiting for a lock stop nobody from looking, and end with a sentence', async () => {
  const ilse = await shop.visitor('ilse');
  const { number } = await ilse.job('Bakery van');
  const outside = new pg.Client({ connectionString: shop.url() });
  await outside.connect();
  await outside.query('begin');
  await outside.query('select 1 from job where number = $1 for update', [number]);
  let ended = 0;
  const writes = Array.from({ length: 12 }, async (_, i) => {
    const answer = await ilse.send('post', `/jobs/${number}/snags`, { text: `held up ${i}` });
    ended++;
    return answer;
  });
  await new Promise((done) => setTimeout(done, 100));
  for (const path of ['/floor', '/session', '/jobs', `/jobs/${number}`])
    expect((await ilse.get(path)).status, path).toBe(200);
  // All four were answered while every one of the writes was still waiting.
  expect(ended).toBe(0);
  const answers = await Promise.all(writes);
  for (const answer of answers) {
    expect(answer.status).toBe(503);
    expect(Number(answer.headers['retry-after'])).toBeGreaterThan(0);
    expect(answer.body.detail).toMatch(/Nothing was stored; try again/);
  }
  await outside.query('rollback');
  await outside.end();
  const { rows } = await shop.pool().query("select count(*)::int as n from snag where text like 'held up %'");
  expect(rows[0].n).toBe(0);
  expect((await ilse.send('post', `/jobs/${number}/snags`, { text: 'held up no more' })).status).toBe(200);
});
