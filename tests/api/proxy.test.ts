import request from 'supertest';
import { describe, expect, test } from 'vitest';
import { SIGNED_OUT_TOKEN } from '../../contract/session.ts';
import { DEMO_PASSWORD } from '../../server/config.ts';
import { openWorkshop } from './workshop.ts';

const behind = openWorkshop({ trustedProxies: ['loopback'] });
const alone = openWorkshop();

const signIn = (shop: typeof behind, from: string, password: string, signInName = 'ilse') =>
  request(shop.app())
    .post('/api/session')
    .set({ 'X-CSRF-Token': SIGNED_OUT_TOKEN, 'X-Forwarded-For': from, 'X-Forwarded-Proto': 'https' })
    .send({ signIn: signInName, password });

describe('behind a proxy that is trusted', () => {
  test('what came over HTTPS gets a secure cookie and is kept on HTTPS', async () => {
    const answer = await signIn(behind, '203.0.113.1', DEMO_PASSWORD, 'odo');
    expect(String(answer.headers['set-cookie'])).toMatch(/; Secure/);
    expect(answer.headers['strict-transport-security']).toMatch(/max-age=31536000/);
  });
  test('wrong tries are counted by the true address, for all servers together', async () => {
    const statuses = [];
    for (let i = 0; i < 6; i++) statuses.push((await signIn(behind, '203.0.113.7', 'salt')).status);
    expect(statuses).toEqual([401, 401, 401, 401, 429, 429]);
    expect((await signIn(behind, '203.0.113.8', DEMO_PASSWORD)).status).toBe(200);
    const { rows } = await behind.pool().query("select points from sign_in_try where key like '%203.0.113.7 ilse'");
    expect(rows[0].points).toBeGreaterThanOrEqual(4);
  });
  test('somebody who guesses from many addresses runs into the limit of the account', async () => {
    let refused = 0;
    for (let i = 0; i < 24; i++)
      if ((await signIn(behind, `198.51.100.${i}`, 'salt', 'tove')).status === 429) refused++;
    expect(refused).toBe(4);
  });
  test('a right sign-in does not count, and says when to come back when there were too many', async () => {
    for (let i = 0; i < 8; i++) expect((await signIn(behind, '203.0.113.20', DEMO_PASSWORD, 'mabel')).status).toBe(200);
    for (let i = 0; i < 5; i++) await signIn(behind, '203.0.113.21', 'salt', 'mabel');
    const answer = await signIn(behind, '203.0.113.21', DEMO_PASSWORD, 'mabel');
    expect(answer.status).toBe(429);
    expect(Number(answer.headers['retry-after'])).toBeGreaterThan(200);
  });
});

test('without a trusted proxy nobody’s word about address and HTTPS is taken', async () => {
  const answer = await signIn(alone, '203.0.113.1', DEMO_PASSWORD, 'odo');
  expect(String(answer.headers['set-cookie'])).not.toMatch(/Secure/);
  expect(answer.headers['strict-transport-security']).toBeUndefined();
  const statuses = [];
  for (let i = 0; i < 6; i++) statuses.push((await signIn(alone, `203.0.113.${i}`, 'salt')).status);
  expect(statuses).toContain(429);
});

describe('bodies that hold a server up or are not what they claim', () => {
  test('a compressed body that is none, and a name that is an object with tricks', async () => {
    for (const packed of ['gzip', 'deflate', 'br', 'zstd', 'nonsense']) {
      const answer = await request(alone.app())
        .post('/api/session')
        .set({ 'X-CSRF-Token': SIGNED_OUT_TOKEN, 'Content-Encoding': packed, 'Content-Type': 'application/json' })
        .send('this is not packed');
      expect([packed, answer.status, answer.body.detail]).toEqual([packed, 400, 'This was not sent as readable JSON.']);
    }
    const tricky = await signIn(alone, '203.0.113.40', DEMO_PASSWORD, { toString: null } as unknown as string);
    expect(tricky.status).toBe(400);
  });
  test.each([
    ['90 000 keys at sign-in', () => Object.fromEntries(Array.from({ length: 90_000 }, (_, i) => [`k${i}`, 0])), 413],
    [
      'more keys than a sign-in has',
      () => Object.fromEntries(Array.from({ length: 100 }, (_, i) => [`k${i}`, 0])),
      413,
    ],
    ['nested', () => ({ signIn: [[[[1]]]] }), 413],
  ] as const)('%s', async (_what, body, status) => {
    const answer = await request(alone.app()).post('/api/session').set('X-CSRF-Token', SIGNED_OUT_TOKEN).send(body());
    expect(answer.status).toBe(status);
    expect(answer.body.detail.length).toBeGreaterThan(20);
  });
  test('a body of nothing but faults is told a bounded number of them', async () => {
    const jory = await alone.visitor('jory');
    const { number, designs } = await jory.job('Bakery van');
    const faulty = (n: number) => ({
      name: 'x',
      inputs: { ...designs[0]!.inputs, others: Array.from({ length: n }, () => ({ componentId: 'X Y' })) },
    });
    const some = await jory.send('post', `/jobs/${number}/designs`, faulty(119));
    expect(some.status).toBe(400);
    expect(Object.keys(some.body.fields).length).toBeGreaterThan(50);
    expect(Object.keys(some.body.fields).length).toBeLessThanOrEqual(100);
    const many = await jory.send('post', `/jobs/${number}/designs`, faulty(1500));
    expect(many.status).toBe(400);
    expect(Object.keys(many.body.fields)).toHaveLength(1);
    const more = await jory.send('post', `/jobs/${number}/designs`, faulty(3000));
    expect(more.status).toBe(413);
  });
});
